import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { attempt, cosDeg, Refusal, sinDeg } from '@mellow-anvil/core/base';
import type { KnifeEdge } from '@mellow-anvil/core/blade';
import { knifeLift, liftAngle, liftStack, type LiftStack, type Packing } from '@mellow-anvil/core/guide';
import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { LineField } from '../../ui/line-field';
import { Checks, type Sentences } from '../../ui/checks';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { SettingsStore } from '../../data/settings.store';

const VIEW = { width: 480, height: 190 } as const;
const STONE_Y = 156;
const EDGE_X = 40;

interface PieceDraft {
  readonly name: string;
  readonly thicknessMm?: number | undefined;
  readonly count?: number | undefined;
}

/** How high a knife's spine is lifted for its bevel, and what to stack under it. */
@Component({
  selector: 'ma-lift-panel',
  imports: [Button, LineField, QuantityField, Why],
  templateUrl: './lift-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .stone {
      fill: var(--line);
    }
    .piece {
      fill: var(--leather);
      stroke: var(--panel);
      stroke-width: 1;
    }
    .line {
      fill: none;
      stroke: var(--accent);
      stroke-width: 2;
    }
    section {
      display: grid;
      gap: 0.6rem;
      justify-items: start;
    }
    h3 {
      margin: 0;
    }
    .piece-row {
      display: grid;
      grid-template-columns: minmax(8rem, 16rem) 9.5rem 8rem auto;
      gap: 0.4rem 1rem;
      align-items: end;
    }
    @media (max-width: 40rem) {
      .piece-row {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LiftPanel {
  readonly knife = input.required<KnifeEdge>();
  protected readonly figures = inject(Figures);
  private readonly store = inject(SettingsStore);
  private readonly checks = inject(Checks);
  private readonly notices = inject(Notices);
  private readonly settings = toSignal(this.store.settings$, {
    initialValue: { ...DEFAULT_SETTINGS, version: 0 },
  });
  protected readonly view = VIEW;
  protected readonly stoneY = STONE_Y;
  protected readonly sentences = signal<Sentences>({});
  protected readonly bevel = linkedSignal<number | undefined>(() =>
    Math.max(this.knife().leftDeg, this.knife().rightDeg),
  );
  /** As typed, where something is being typed; else as stored. */
  private readonly typed = signal<readonly PieceDraft[] | undefined>(undefined);
  protected readonly pieces = computed(
    (): readonly PieceDraft[] => this.typed() ?? this.settings().packing ?? [],
  );

  private readonly blade = computed(() => {
    const { widthMm, spineMm } = this.knife();
    return { widthMm, spineThicknessMm: spineMm };
  });
  protected readonly lift = computed((): { readonly mm?: number; readonly refusal: string } => {
    const bevelDeg = this.bevel();
    if (bevelDeg === undefined || Number.isNaN(bevelDeg)) return { refusal: '' };
    const result = attempt(() => ({ mm: knifeLift({ ...this.blade(), bevelDeg }).liftMm, refusal: '' }));
    return result instanceof Refusal ? { refusal: result.message } : result;
  });
  protected readonly stack = computed((): { readonly stack?: LiftStack; readonly refusal: string } => {
    const bevelDeg = this.bevel();
    const packing = this.pieces().filter(isPiece);
    if (bevelDeg === undefined || this.lift().mm === undefined || packing.length === 0)
      return { refusal: '' };
    const result = attempt(() => ({ stack: liftStack({ ...this.blade(), bevelDeg }, packing), refusal: '' }));
    return result instanceof Refusal ? { refusal: result.message } : result;
  });

  protected readonly drawing = computed(() => {
    const { widthMm, spineThicknessMm } = this.blade();
    const { stack } = this.stack();
    const liftMm = stack?.heightMm ?? this.lift().mm;
    const bevelDeg = stack?.bevelDeg ?? this.bevel();
    if (liftMm === undefined || bevelDeg === undefined) return undefined;
    const scale = Math.min((VIEW.width - 150) / widthMm, (STONE_Y - 30) / (liftMm + spineThicknessMm + 2));
    const [c, s] = [cosDeg(bevelDeg), sinDeg(bevelDeg)];
    const at = (along: number, off: number): string =>
      `${(EDGE_X + (along * c - off * s) * scale).toFixed(1)} ${(STONE_Y - (along * s + off * c) * scale).toFixed(1)}`;
    const corner = EDGE_X + (widthMm * c + (spineThicknessMm / 2) * s) * scale;
    let y = STONE_Y;
    const pieces = (stack?.pieces ?? []).flatMap(({ name, count }) =>
      Array.from({ length: count }, () => {
        const h = (this.pieces().find((piece) => piece.name === name)?.thicknessMm ?? 0) * scale;
        y -= h;
        return { y, h };
      }),
    );
    const top = STONE_Y - liftMm * scale;
    return {
      blade: `M${at(0, 0)}L${at(widthMm, -spineThicknessMm / 2)}L${at(widthMm, spineThicknessMm / 2)}Z`,
      pieces,
      stackX: corner - 30,
      measure: `M${corner + 34} ${STONE_Y}V${top}m-6 0h12m-12 ${STONE_Y - top}h12`,
      textX: corner + 44,
      textY: (STONE_Y + top) / 2 + 6,
      text: this.figures.length(liftMm),
      words: `The knife on the stone, its spine ${this.figures.length(liftMm)} up, ${this.figures.angle(bevelDeg)} a side`,
    };
  });

  protected stackWords({ pieces, heightMm, bevelDeg }: LiftStack): string {
    const list = pieces.map(({ name, count }) => `${count} × ${name}`).join(' and ');
    return `Stack ${list}: ${this.figures.length(heightMm)}, which gives ${this.figures.angle(bevelDeg)} a side.`;
  }

  protected change(at: number, change: Partial<PieceDraft>): void {
    this.typed.set(this.pieces().map((piece, i) => (i === at ? { ...piece, ...change } : piece)));
  }

  protected add(): void {
    this.typed.set([...this.pieces(), { name: '' }]);
  }

  protected drop(at: number): void {
    this.typed.set(this.pieces().filter((_, i) => i !== at));
    void this.keep();
  }

  /** Kept as soon as every piece is whole; until then only what is wrong is told. */
  protected async keep(): Promise<void> {
    const packing = this.pieces();
    if (
      packing.some(
        (piece) => piece.name === '' || piece.thicknessMm === undefined || piece.count === undefined,
      )
    )
      return;
    const { name, units, decimalMark } = this.settings();
    this.sentences.set(
      await this.checks.sentencesFor('settingsSchema', { name, units, decimalMark, packing }),
    );
    if (Object.keys(this.sentences()).length > 0) return;
    if (JSON.stringify(packing) === JSON.stringify(this.settings().packing ?? [])) return;
    this.store.change({ packing: packing as readonly Packing[] }).subscribe({
      next: () => this.typed.set(undefined),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected reason(): Reason {
    const { widthMm, spineThicknessMm } = this.blade();
    const mm = this.lift().mm ?? 0;
    const more = liftAngle(this.blade(), Math.min(mm + 0.5, widthMm * 0.99)).bevelDeg - (this.bevel() ?? 0);
    return {
      formula: 'Lift = w · sin β − (s/2) · cos β, for a blade that tapers straight from spine to edge.',
      inputs: [
        `w = ${this.figures.length(widthMm)}, edge to spine`,
        `s = ${this.figures.length(spineThicknessMm)}, at the spine`,
        `β = ${this.figures.angle(this.bevel() ?? 0)}, per side`,
        `${this.figures.length(0.5)} higher makes it ${this.figures.angle(more, 1)} steeper`,
      ],
      source: 'Plane geometry. The stack is the fewest of your pieces that come within half a degree.',
      sure: 'As exact as width and spine are measured. Towards an upswept tip the width changes: lift with it.',
    };
  }
}

const isPiece = (piece: PieceDraft): piece is Packing =>
  piece.name !== '' &&
  piece.thicknessMm !== undefined &&
  piece.thicknessMm > 0 &&
  Number.isInteger(piece.count) &&
  (piece.count ?? 0) > 0;
