import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import { attempt, Refusal, unlessRefused } from '@mellow-anvil/core/base';
import type { SingleBevelEdge } from '@mellow-anvil/core/blade';
import { backStrategy, type Tool } from '@mellow-anvil/core/blade';
import { turning } from '@mellow-anvil/core/curve';
import {
  bladeGeometry,
  clampedWidthMm,
  type FacetSetting,
  guideAngle,
  honedAtDeg,
  isRoller,
  type RollerGuide,
  seatTakes,
} from '@mellow-anvil/core/guide';
import { roundFits } from '@mellow-anvil/core/plan';
import type { LastSetting } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Desk } from '../../data/desk';
import { WheelPanel } from './wheel-panel';
import { TakeAway } from '../../ui/take-away';
import { RecordsStore, type Records } from '../../data/records.store';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { QuantityField } from '../../ui/quantity-field';
import { isSingleBevel } from '../../drawings/blade';
import { ShimFigures } from '../../parts/shim-figures';
import { ToolsStore } from '../../data/tools.store';
import { FoldingPanel } from './folding-panel';
import { FacetList } from './facet-list';
import { GuideDrawing } from '../../drawings/guide-drawing';
import { GuidesStore } from '../../data/guides.store';
import { LastSettingNote } from './last-setting';
import { HandAngles } from './hand-angles';
import { isRound, RollPanel } from './roll-panel';
import { LiftPanel } from './lift-panel';
import { TurnedDrawing } from '../../drawings/turned-drawing';
import { WheelDrawing } from '../../drawings/wheel-drawing';
import { changed } from '../../platform/change';

type Panel = 'roll' | 'reverse' | 'shim' | 'lift' | 'fold' | 'wheel';
const PANELS: readonly { readonly value: Panel; readonly label: string }[] = [
  { value: 'roll', label: 'Roll it, and what fits it' },
  { value: 'lift', label: 'Lift the spine' },
  { value: 'reverse', label: 'Angle of a projection' },
  { value: 'wheel', label: 'On the wheel' },
  { value: 'shim', label: 'Shim under the back' },
  { value: 'fold', label: 'By eye, with a folded sheet' },
];

/** The vise's second side: where to set the guide for every angle of this edge. */
/** A shim as far as it is typed. */
interface ShimTyped {
  readonly shimMm?: number | undefined;
  readonly shimAtMm?: number | undefined;
}

@Component({
  selector: 'ma-setup-side',
  imports: [
    ButtonDirective,
    ChoiceField,
    FacetList,
    FoldingPanel,
    FormsModule,
    GuideDrawing,
    HandAngles,
    LastSettingNote,
    LiftPanel,
    QuantityField,
    RollPanel,
    RouterLink,
    SelectButton,
    TakeAway,
    ShimFigures,
    TurnedDrawing,
    WheelDrawing,
    WheelPanel,
  ],
  templateUrl: './setup-side.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.6rem;
    }
    .choice {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1.2rem;
      align-items: end;
    }
    ma-choice {
      min-width: 14rem;
    }
    .settings {
      display: grid;
      grid-template-columns: minmax(17rem, 2fr) minmax(0, 3fr);
      gap: 1rem;
      align-items: start;
    }
    ma-wheel-drawing,
    ma-guide-drawing {
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      overflow: hidden;
    }
    .reverse {
      display: flex;
      gap: 1rem;
      align-items: center;
      flex-wrap: wrap;
    }
    .panels {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
      border-top: 3px solid var(--leather);
      padding-top: 0.9rem;
    }
    .told {
      border-left: var(--mark) solid var(--leather);
      padding-left: 0.8rem;
      margin: 0;
    }
    .reverse .figure {
      font-size: 1.3rem;
    }
    @media (max-width: 48rem) {
      .settings {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetupSide {
  readonly tool = input.required<Stored<Tool>>();
  protected readonly desk = inject(Desk);
  protected readonly figures = inject(Figures);
  private readonly tools = inject(ToolsStore);
  private readonly notices = inject(Notices);
  private readonly bench = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  protected readonly cardForms = ['pdf'] as const;
  protected readonly guideOptions = computed(() =>
    this.guides().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly seatOptions = computed(() =>
    (this.roller()?.seats ?? []).map(({ name }) => ({ value: name, label: name })),
  );
  protected readonly setUp = toSignal(this.desk.setUp$);
  protected readonly picked = signal<FacetSetting['facet'] | undefined>(undefined);
  protected readonly chosen = signal<Panel | undefined>(undefined);
  protected readonly measured = signal<number | undefined>(undefined);
  private readonly shimTyped = signal<ShimTyped | undefined>(undefined);

  protected readonly last = computed(() => this.records()[this.tool().id]?.state.lastSetting);
  protected readonly honed = computed(() => honedAtDeg(this.tool().edge));
  protected readonly roller = computed((): RollerGuide | undefined => {
    const guide = this.setUp()?.guide;
    return guide && isRoller(guide) ? guide : undefined;
  });
  protected readonly panels = computed(() => {
    const { edge, family } = this.tool();
    const has: Readonly<Record<Panel, boolean>> = {
      roll: isRound(edge),
      reverse: this.roller() !== undefined,
      shim: backStrategy(family).some(({ back, allowed }) => back === 'shim' && allowed),
      lift: edge.form === 'knife',
      fold: true,
      wheel: edge.form === 'single-bevel',
    };
    return PANELS.filter(({ value }) => has[value]);
  });
  /** A curved edge on its abrasive, round the largest of the bench’s rods that goes in where it is honed inside. */
  protected readonly turned = computed(() => {
    const { edge } = this.tool();
    const rod = roundFits(edge, this.bench()).find(({ fit }) => fit !== 'large');
    return unlessRefused(() => turning(edge, rod?.radiusMm));
  });
  protected readonly single = computed(() => {
    const { edge } = this.tool();
    return isSingleBevel(edge) ? edge : undefined;
  });
  protected readonly panel = computed(() => {
    const panels = this.panels();
    return panels.find(({ value }) => value === this.chosen())?.value ?? panels[0]?.value;
  });

  protected readonly shown = computed(() => {
    const settings = this.setUp()?.settings ?? [];
    return settings.find(({ facet }) => facet === this.picked()) ?? settings[1] ?? settings[0];
  });

  /** What a setting board for this set-up begins with; nothing where every setting has its stop. */
  protected readonly boardQuery = computed(() => {
    const s = this.setUp();
    const reached = s?.settings.filter(({ projectionMm }) => projectionMm !== undefined) ?? [];
    if (!s?.seat || reached.length === 0 || reached.every(({ stop }) => stop)) return undefined;
    return {
      guide: s.guide.id,
      seat: s.seat.name,
      angles: reached.map(({ angleDeg }) => angleDeg).join(','),
    };
  });

  /** The jig on its wheel, drawn for the facet picked. */
  protected readonly onWheel = computed(() => {
    const [guide, setting] = [this.setUp()?.guide, this.shown()];
    if (guide?.form !== 'wet-wheel-jig' || !setting || setting.gapMm === undefined) return undefined;
    const { edge } = this.tool();
    return { jig: guide, setting, thicknessMm: edge.form === 'knife' ? edge.spineMm : edge.thicknessMm };
  });

  /** What a guide that does not roll leaves to say. */
  protected readonly withoutGuide = computed(() => {
    switch (this.setUp()?.guide.form) {
      case 'pair-jig':
        return 'Seat each knife fully before it is clamped, two at a time, and give every knife of the set the same strokes on every grit. Backs first. Isolate the machine before knives come out, and refit by its manual.';
      case 'wet-wheel-jig':
        return 'Set the jig’s projection first, then the bar’s gap. The wheel shrinks: measure it again now and then, and every gap follows.';
      default:
        return 'Find the bevel: lay it on the stone, rock until heel and edge both touch, and keep it there. Colour the bevel with a marker to see where the stone takes it off.';
    }
  });

  protected readonly tight = computed(() => {
    const s = this.setUp();
    const widthMm = clampedWidthMm(this.tool().edge);
    if (!s?.seat || s.settings.every(({ projectionMm }) => projectionMm === undefined)) return '';
    if (seatTakes(s.seat, widthMm)) return '';
    const { minWidthMm = 0, maxWidthMm } = s.seat;
    const widest = maxWidthMm === undefined ? 'any width' : this.figures.length(maxWidthMm);
    return `This seat takes blades from ${this.figures.length(minWidthMm)} to ${widest}; this one is ${this.figures.length(widthMm)} wide. Choose another seat or guide.`;
  });

  protected readonly reverse = computed((): { refusal?: string; words?: string } => {
    const projectionMm = this.measured();
    if (projectionMm === undefined || Number.isNaN(projectionMm)) return {};
    const result = attempt(() => {
      const deg = this.angleAt(projectionMm);
      return deg === undefined ? {} : { words: `gives ${this.figures.number(deg, 2, true)}°` };
    });
    return result instanceof Refusal ? { refusal: result.message } : result;
  });

  /** The shim as typed here, else as the tool has it. */
  protected readonly shim = computed(() => {
    const { edge } = this.tool();
    return (
      this.shimTyped() ?? (isSingleBevel(edge) ? { shimMm: edge.shimMm, shimAtMm: edge.shimAtMm } : undefined)
    );
  });

  protected asLastTime({ guideId, seatName }: LastSetting): void {
    if (guideId) this.desk.chooseGuide(guideId, seatName);
  }

  protected tryShim(change: object): void {
    this.shimTyped.set({ ...this.shim(), ...change });
  }

  /** A shim that was set up belongs to the tool: its back is bevelled over it from now on. */
  protected keepShim(): void {
    const [tool, shim] = [this.tool(), this.shimTyped()];
    const { edge } = tool;
    if (!shim || !isSingleBevel(edge) || [shim.shimMm, shim.shimAtMm].some(Number.isNaN)) return;
    if (edge.back === 'shim' && edge.shimMm === shim.shimMm && edge.shimAtMm === shim.shimAtMm) return;
    const bevelled = changed<SingleBevelEdge>({ ...edge, back: 'shim' }, shim);
    this.tools.amend(tool, { edge: bevelled }).subscribe({
      next: () => {
        this.shimTyped.set(undefined);
        this.notices.done(`${tool.name}: its back is bevelled over this shim.`);
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  private angleAt(projectionMm: number): number | undefined {
    const [guide, seat] = [this.roller(), this.setUp()?.seat];
    return (
      guide && seat && guideAngle({ ...bladeGeometry(this.tool().edge, guide, seat), projectionMm }).angleDeg
    );
  }
}
