import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { isWheel, wheelRadiusMm } from '@mellow-anvil/core/abrasive';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { SingleBevelEdge } from '@mellow-anvil/core/blade';
import {
  bladeGeometry,
  boardShifts,
  type FacetSetting,
  GENERIC_SIDE_CLAMPING_GUIDE,
  type Guide,
  type GuideForm,
  guideProjection,
  type GuideSeat,
  movedStops,
  onItsWheel,
  type RollerGuide,
  type WetWheelJig,
  wheelSupport,
} from '@mellow-anvil/core/guide';
import { AbrasivesStore } from '../data/abrasives.store';
import { BoardsStore } from '../data/boards.store';
import { shiftWords } from '../words/stop-words';
import { ChoiceField } from '../ui/choice-field';
import { Draft, placed } from '../ui/draft';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import {
  FORM_OPTIONS,
  GUIDE_FIGURES,
  asForm,
  asRoller,
  newSeat,
  type GuideDraft,
  type GuideFigure,
} from './guide-draft';
import { GuideDrawing } from '../drawings/guide-drawing';
import { GuidesStore } from '../data/guides.store';
import { SeatFields } from './seat-fields';
import { WheelDrawing } from '../drawings/wheel-drawing';
import type { FieldChange } from '../platform/change';

/** A blade to draw the guide with while it is measured. */
const SAMPLE: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 25,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.8,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};

/** One honing guide: its measurements, drawn as they are typed, and each seat measured. */
@Component({
  selector: 'ma-guide',
  imports: [
    Button,
    ButtonDirective,
    ChoiceField,
    GuideDrawing,
    LineField,
    QuantityField,
    RouterLink,
    SeatFields,
    WheelDrawing,
  ],
  templateUrl: './guide.page.html',
  styles: `
    .both {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 1.2rem;
      align-items: center;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    .moved {
      border-left: var(--mark) solid var(--accent);
      padding-left: 0.8rem;
    }
    .moved ul {
      margin: 0;
      padding-left: 1.2rem;
    }
    .wide {
      grid-column: 1 / -1;
    }
    ma-wheel-drawing,
    ma-guide-drawing {
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      overflow: hidden;
    }
    @media (max-width: 60rem) {
      .both {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuidePage {
  readonly id = input<string>();
  private readonly guides = inject(GuidesStore);
  private readonly router = inject(Router);
  private readonly all = toSignal(this.guides.items$, { initialValue: [] });

  protected readonly blade = SAMPLE;
  protected readonly forms = FORM_OPTIONS;
  private readonly editor = new Draft<Guide, GuideDraft>({
    keeper: this.guides,
    schema: 'guideSchema',
    begin: GENERIC_SIDE_CLAMPING_GUIDE,
    ...placed('bench'),
  });
  protected readonly stored = this.editor.stored;
  protected readonly draft = this.editor.draft;
  protected readonly sentences = this.editor.sentences;
  protected readonly refusal = this.editor.refusal;

  protected readonly measured = computed(() => GUIDE_FIGURES[this.draft().form]);
  protected readonly roller = computed(() => asRoller(this.draft()));

  protected readonly sample = computed(
    (): { guide: RollerGuide; seat: GuideSeat; setting: FacetSetting } | undefined => {
      const guide = this.roller();
      const [seat] = guide?.seats ?? [];
      if (!guide || !seat || !Number.isFinite(seat.heightMm)) return undefined;
      return unlessRefused(() => {
        const { projectionMm } = guideProjection({ ...bladeGeometry(SAMPLE, guide, seat), angleDeg: 30 });
        return { guide, seat, setting: { facet: 'secondary', angleDeg: 30, projectionMm } };
      });
    },
  );

  private readonly bench = toSignal(inject(AbrasivesStore).items$, { initialValue: [] });
  private readonly figures = inject(Figures);
  protected readonly wheelOptions = computed(() => {
    const wheels = this.bench().filter(isWheel);
    if (this.draft().form !== 'wet-wheel-jig' || wheels.length === 0) return undefined;
    return [
      { value: '', label: 'None of the bench’s' },
      ...wheels.map(({ id, name }) => ({ value: id, label: name })),
    ];
  });
  /** Which radius counts, where the jig follows a wheel of the bench. */
  protected readonly wheelSays = computed(() => {
    const wheel = this.bench().find(({ id }) => id === this.draft().wheelId);
    if (!wheel) return '';
    const radius = wheelRadiusMm(wheel);
    return radius === undefined
      ? `Counts until ${wheel.name} is measured under Stones`
      : `${wheel.name} measures ${this.figures.length(radius)}: that counts`;
  });

  private readonly boards = toSignal(inject(BoardsStore).items$, { initialValue: [] });
  /** Which stops of which boards the figures as they stand here would move, and by how much. */
  protected readonly boardsMoved = computed(() => {
    const guide = this.roller();
    if (!guide) return [];
    return this.boards().flatMap((board) => {
      if (board.guideId !== this.id()) return [];
      const moved = unlessRefused(() => movedStops(boardShifts(guide, board))) ?? [];
      const lines = moved.map((shift) => shiftWords(shift, this.figures));
      return lines.length ? [{ id: board.id, name: board.name, lines }] : [];
    });
  });

  /** The jig with its wheel as it measures now, at an ordinary bevel. */
  protected readonly onWheel = computed((): { jig: WetWheelJig; setting: FacetSetting } | undefined => {
    const {
      form,
      name,
      wheelRadiusMm: radius,
      jigProjectionMm,
      offsetMm,
      wheelId,
      barDiameterMm,
    } = this.draft();
    if (form !== 'wet-wheel-jig') return undefined;
    const [wheel, projection, offset] = [radius, jigProjectionMm, offsetMm].map((mm) => mm ?? NaN);
    if (wheel === undefined || projection === undefined || offset === undefined) return undefined;
    if (![wheel, projection, offset].every(Number.isFinite)) return undefined;
    const jig = onItsWheel<WetWheelJig>(
      {
        name,
        form,
        wheelRadiusMm: wheel,
        jigProjectionMm: projection,
        offsetMm: offset,
        ...(wheelId !== undefined && { wheelId }),
        ...(barDiameterMm !== undefined && { barDiameterMm }),
      },
      this.bench(),
    );
    return unlessRefused(() => {
      const { gapMm } = wheelSupport({ ...jig, angleDeg: SAMPLE.primaryDeg });
      return { jig, setting: { facet: 'primary', angleDeg: SAMPLE.primaryDeg, gapMm } };
    });
  });

  constructor() {
    effect(() => {
      const found = this.all().find(({ id }) => id === this.id());
      untracked(() => this.editor.load(found));
    });
  }

  protected figureOf(field: GuideFigure['field'], value: number | undefined): Partial<GuideDraft> {
    return Object.fromEntries([[field, value]]);
  }

  protected set(change: FieldChange<GuideDraft>): void {
    this.editor.set(change);
  }

  protected turn(form: GuideForm): void {
    this.editor.draft.update((draft) => asForm(draft, form));
  }

  protected setSeat(at: number, seat: GuideSeat): void {
    this.set({ seats: this.draft().seats?.map((each, i) => (i === at ? seat : each)) });
  }

  protected addSeat(): void {
    const { seats = [] } = this.draft();
    this.set({ seats: [...seats, newSeat(seats)] });
  }

  protected dropSeat(at: number): void {
    this.set({ seats: this.draft().seats?.filter((_, i) => i !== at) });
  }

  protected setCam(at: number, riseMm: number | undefined): void {
    const rises = this.draft().camRisesMm ?? [];
    this.set({
      camRisesMm: rises.flatMap((each, i) => (i !== at ? [each] : riseMm === undefined ? [] : [riseMm])),
    });
  }

  protected addCam(): void {
    const rises = this.draft().camRisesMm ?? [];
    this.set({ camRisesMm: [...rises, (rises.at(-1) ?? 0) + 0.5] });
  }

  protected async keep(): Promise<void> {
    if (await this.editor.keep()) void this.router.navigate(['/guides']);
  }

  protected async remove(): Promise<void> {
    if (await this.editor.remove()) void this.router.navigate(['/guides']);
  }
}
