import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { isWheel } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import {
  type Handles,
  heldWays,
  honedDeg,
  type SingleBevelEdge,
  USUAL_HANDLES,
  type WayUp,
} from '@mellow-anvil/core/blade';
import {
  type FaceAtWork,
  GRINDING_PUSH_N,
  handlesAtSlab,
  handlesAtWheel,
  wheelAtWork,
} from '@mellow-anvil/core/grinding';
import { AbrasivesStore } from '../../data/abrasives.store';
import { HandlesDrawing } from '../../drawings/handles-drawing';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

type Measure = keyof Handles;
const MEASURES: readonly { readonly of: Measure; readonly label: string; readonly hint: string }[] = [
  { of: 'towardsBevelDeg', label: 'Handles towards the bevel (°)', hint: 'Below 0: towards the back' },
  { of: 'fromEdgeMm', label: 'From the edge to where they begin', hint: '' },
  { of: 'lengthMm', label: 'Length of a handle', hint: '' },
  { of: 'thickMm', label: 'Its thickness', hint: '' },
  { of: 'besideMm', label: 'Between edge’s end and handle', hint: 'Seen from above' },
];

/** Guards stand out beside a wheel by about so much, mm (estimate). */
const GUARD_MM = 10;

/** A back nobody measured (estimate). */
const USUAL_BACK_MM = 25;
const backOf = ({ back, polishedMm = 0, hollowMm = 0, farRimMm = 0 }: SingleBevelEdge): number =>
  back === 'hollowed' ? polishedMm + hollowMm + farRimMm : USUAL_BACK_MM;

/** A drawknife’s handles: which way up keeps the wrists straight, and whether they foul wheel or stone. */
@Component({
  selector: 'ma-handles-panel',
  imports: [FormsModule, HandlesDrawing, QuantityField, SelectButton, Why],
  templateUrl: './handles-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .told {
      margin: 0;
      max-width: 52rem;
    }
    .held {
      display: grid;
      gap: 0.4rem;
      justify-items: start;
    }
    summary {
      min-height: 34px;
      cursor: pointer;
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandlesPanel {
  readonly edge = input.required<SingleBevelEdge>();
  readonly handles = input<Handles>();
  readonly held = input<WayUp>();
  readonly handlesChange = output<Handles>();
  readonly heldChange = output<WayUp>();

  private readonly figures = inject(Figures);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly measures = MEASURES;
  protected readonly ways = [
    { value: 'bevel-up', label: 'Bevel up' },
    { value: 'bevel-down', label: 'Bevel down' },
  ];
  protected readonly now = linkedSignal<Handles>(() => this.handles() ?? USUAL_HANDLES);
  protected readonly guardMm = signal<number | undefined>(GUARD_MM);

  private readonly reckoned = computed(() => attempt(() => heldWays(this.now(), honedDeg(this.edge()))));
  protected readonly handed = computed(() => {
    const reckoned = this.reckoned();
    return reckoned instanceof Refusal ? undefined : reckoned;
  });
  protected readonly refusal = computed(() => {
    const reckoned = this.reckoned();
    return reckoned instanceof Refusal ? reckoned.message : '';
  });
  /** The user's word over it. */
  protected readonly shown = computed(() => this.held() ?? this.handed()?.straighter ?? 'bevel-up');

  protected readonly heldWords = computed(() => {
    const handed = this.handed();
    if (!handed) return '';
    const { ways, straighter, byDeg } = handed;
    const deg = (way: WayUp): string => this.figures.angle(Math.round(ways[way].bentDeg));
    const wrists = `wrists bent ${deg('bevel-up')} bevel up, ${deg('bevel-down')} bevel down`;
    if (byDeg < 3) return `Either way up: ${wrists}.`;
    const better = straighter === 'bevel-up' ? 'Bevel up' : 'Bevel down';
    const own =
      this.held() !== undefined && this.held() !== straighter ? ' Yours is the other way, and stands.' : '';
    return `${better} keeps them straighter: ${wrists}.${own}`;
  });

  /** Whether they foul each wheel, and a stone on the bench. */
  protected readonly fits = computed(() => {
    const { edge, now } = { edge: this.edge(), now: this.now() };
    const bevel: FaceAtWork = { face: 'bevel', bevelDeg: edge.primaryDeg, thicknessMm: edge.thicknessMm };
    const back: FaceAtWork = { face: 'back', backMm: backOf(edge) };
    const lines = this.stones()
      .filter(isWheel)
      .flatMap((wheel) =>
        [bevel, back].map((of) => {
          const at = attempt(() =>
            handlesAtWheel(now, of, wheelAtWork(wheel, GRINDING_PUSH_N).radiusMm, this.guardMm() ?? GUARD_MM),
          );
          return {
            name: `${wheel.name}, the ${of.face}`,
            words: at instanceof Refusal ? at.message : this.wheelWords(at),
          };
        }),
      );
    const slab = this.stones().find(({ widthMm }) => widthMm !== undefined && widthMm > edge.widthMm / 4);
    if (!slab) return lines;
    const stones = [bevel, back].map((of) => ({
      name: `${slab.name}, the ${of.face}`,
      words: this.slabWords(handlesAtSlab(now, of, edge.widthMm, slab.widthMm ?? 0)),
    }));
    return [...lines, ...stones];
  });

  private wheelWords({
    way,
    gapMm,
    unreachedMm,
    turnDeg,
    clearsAcrossMm,
  }: ReturnType<typeof handlesAtWheel>): string {
    const smaller =
      clearsAcrossMm === undefined ? '' : ` A wheel up to ${this.round(clearsAcrossMm)} across would clear.`;
    const gap = this.round(Math.abs(gapMm));
    switch (way) {
      case 'clear':
        return `clears: the handles pass it by ${gap}.`;
      case 'beside':
        return `passes beside the handles: its whole face reaches the ends of the edge.${smaller}`;
      case 'corner':
        return `fouls the handles at the last ${this.round(unreachedMm)} of each end: there use the wheel’s corner, the blade turned ${this.figures.angle(Math.ceil(turnDeg ?? 0))}.${smaller}`;
      case 'none':
        return `fouls the handles, and its corner does not reach either: use a stone’s edge.${smaller}`;
    }
  }

  private slabWords({ way, dropMm, raiseMm }: ReturnType<typeof handlesAtSlab>): string {
    const drop = this.round(dropMm);
    switch (way) {
      case 'clear':
        return 'clears: the handles stay above the stone.';
      case 'between':
        return `lies between the handles, which hang ${drop} below its face: raise it ${this.round(raiseMm ?? 0)} off the bench.`;
      case 'edge':
        return `fouls the handles, which hang ${drop} below its face: work at the slab’s edge, the handles beyond it.`;
      case 'none':
        return `fouls the handles: bring the stone to the blade instead.`;
    }
  }

  /** Nobody sets a drawknife up closer than to a millimetre. */
  private round(mm: number): string {
    return this.figures.length(Math.round(mm));
  }

  protected measured(of: Measure, value: number | undefined): void {
    this.now.update((handles) => ({ ...handles, [of]: value ?? NaN }));
  }

  protected settle(): void {
    if (Object.values(this.now()).every(Number.isFinite)) this.handlesChange.emit(this.now());
  }

  protected readonly reason: Reason = {
    formula:
      'Bevel up the back lies on the wood, and the handles rise by their own line; bevel down they rise by the bevel less that. A wrist is bent by how far that is from the forearm. A handle fouls a wheel where its bar comes nearer the wheel’s middle than the radius.',
    inputs: [
      'A forearm along the pull, so along the wood: an estimate.',
      'Handles as straight round bars, alike.',
    ],
    source: 'docs/formulas.md: a drawknife’s handles. Plane geometry.',
    sure: 'The geometry is exact. What a wrist likes is yours: your word stands over it.',
  };
}
