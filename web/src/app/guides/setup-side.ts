import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import {
  MM_PER_INCH,
  Refusal,
  axleClearanceMm,
  backHeightMm,
  backStrategy,
  bladeGeometry,
  clampedWidthMm,
  guideAngle,
  honedAtDeg,
  isRoller,
  seatTakes,
  type FacetSetting,
  type LastSetting,
  type RollerGuide,
  type Tool,
} from '@mellow-anvil/core';
import { Desk } from '../bench/desk';
import { RecordsStore, type Records } from '../records/records.store';
import { ChoiceField } from '../shared/choice-field';
import { Figures } from '../shared/figures';
import { Notices } from '../shared/notices';
import { QuantityField } from '../shared/quantity-field';
import { contentOf } from '../shared/collection.store';
import { Why, type Reason } from '../shared/why';
import { isSingleBevel } from '../tools/blade';
import { ShimFigures } from '../tools/shim-figures';
import { ToolsStore } from '../tools/tools.store';
import { FoldingPanel } from './folding-panel';
import { GuideDrawing } from './guide-drawing';
import { GuidesStore } from './guides.store';
import { LastSettingNote } from './last-setting';
import { LiftPanel } from './lift-panel';
import { FACET_NAMES } from './setup-words';

type Panel = 'reverse' | 'shim' | 'lift' | 'fold';
const PANELS: readonly { readonly value: Panel; readonly label: string }[] = [
  { value: 'lift', label: 'Lift the spine' },
  { value: 'reverse', label: 'Angle of a projection' },
  { value: 'shim', label: 'Shim under the back' },
  { value: 'fold', label: 'By eye, with a folded sheet' },
];

/** The vise's second side: where to set the guide for every angle of this edge. */
@Component({
  selector: 'ma-setup-side',
  imports: [
    ButtonDirective,
    ChoiceField,
    FoldingPanel,
    FormsModule,
    GuideDrawing,
    LastSettingNote,
    LiftPanel,
    QuantityField,
    RouterLink,
    SelectButton,
    ShimFigures,
    Why,
  ],
  template: `
    @if (setUp(); as s) {
      <div class="choice">
        <ma-choice
          label="Guide"
          [options]="guideOptions()"
          [value]="s.guide.id"
          (valueChange)="desk.chooseGuide($event)"
        />
        @if (s.seat; as seat) {
          <ma-choice
            label="Seat"
            [options]="seatOptions()"
            [value]="seat.name"
            (valueChange)="desk.chooseGuide(s.guide.id, $event)"
          />
        }
        <a pButton [routerLink]="['/guides', s.guide.id]" severity="secondary" [outlined]="true">
          {{ roller() ? 'Measure or change this guide' : 'Change this guide' }}
        </a>
      </div>
      @if (tight(); as words) {
        <p class="sentence-error">{{ words }}</p>
      }
      <ma-last-setting [tool]="tool()" [setUp]="s" [last]="last()" (again)="asLastTime($event)" />
      <div class="settings">
        <ul aria-label="Settings">
          @for (setting of s.settings; track setting.facet) {
            <li [class.shown]="setting.facet === shown()?.facet">
              <button
                type="button"
                class="pick"
                [attr.aria-pressed]="setting.facet === shown()?.facet"
                (click)="picked.set(setting.facet)"
              >
                <span class="facet">{{ names[setting.facet] }} {{ figures.angle(setting.angleDeg, 2) }}</span>
                @if (setting.projectionMm !== undefined) {
                  <span class="projection figure">
                    {{ figures.setting(setting.projectionMm) }}
                    <small>{{ figures.unitOf('length') }}</small>
                  </span>
                } @else if (setting.gapMm !== undefined) {
                  <span class="projection figure">
                    {{ figures.setting(setting.gapMm) }}
                    <small>{{ figures.unitOf('length') }} from bar to wheel</small>
                  </span>
                } @else if (setting.refusal) {
                  <span class="sentence-error">{{ setting.refusal }}</span>
                }
              </button>
              @if (setting.projectionMm !== undefined) {
                <p class="slip">
                  @if (setting.plusMinusMm !== undefined) {
                    ± {{ figures.length(setting.plusMinusMm) }} by your own readings.
                  }
                  {{ slip(setting) }}
                  <ma-why [of]="names[setting.facet] + ' projection'" [reason]="reason(setting)" />
                </p>
                @if (cams(setting); as words) {
                  <p class="slip">{{ words }}</p>
                }
              } @else if (setting.gapMm !== undefined) {
                <p class="slip">
                  The bar’s centre from the wheel’s rim; measure the wheel again when it has shrunk.
                  <ma-why [of]="names[setting.facet] + ' gap'" [reason]="wheelReason(setting)" />
                </p>
              }
            </li>
          }
        </ul>
        @if (roller(); as guide) {
          @if (shown(); as setting) {
            @if (s.seat; as seat) {
              <ma-guide-drawing [guide]="guide" [seat]="seat" [edge]="tool().edge" [setting]="setting" />
            }
          }
        } @else {
          <p class="told">{{ withoutGuide() }}</p>
        }
      </div>
      <section class="panels" aria-label="More for setting up">
        <p-selectButton
          ariaLabel="What to work out"
          [options]="panels()"
          optionLabel="label"
          optionValue="value"
          [allowEmpty]="false"
          [ngModel]="panel()"
          (ngModelChange)="chosen.set($event)"
        />
        @switch (panel()) {
          @case ('reverse') {
            <div class="reverse">
              <ma-quantity
                label="What angle does a projection give?"
                [value]="measured()"
                (valueChange)="measured.set($event)"
                [sentence]="reverse().refusal"
                hint="Nose of the guide to the edge, along the blade"
              />
              @if (reverse().words; as words) {
                <p role="status" class="figure">{{ words }}</p>
              }
            </div>
          }
          @case ('shim') {
            <ma-shim-figures
              [shimMm]="shim()?.shimMm"
              [shimAtMm]="shim()?.shimAtMm"
              (changed)="tryShim($event)"
              (settled)="keepShim()"
            />
          }
          @case ('lift') {
            @if (tool().edge; as edge) {
              @if (edge.form === 'knife') {
                <ma-lift-panel [knife]="edge" />
              }
            }
          }
          @case ('fold') {
            <ma-folding-panel [angleDeg]="honed()" />
          }
        }
      </section>
    } @else {
      <div class="choice">
        <p>There is no guide on the bench yet.</p>
        <a pButton routerLink="/guides/new">Add a guide</a>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 1rem;
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
    ma-guide-drawing {
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      overflow: hidden;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.6rem;
    }
    li {
      border-left: 6px solid var(--line);
      padding-left: 0.2rem;
    }
    li.shown {
      border-left-color: var(--accent);
    }
    .pick {
      display: grid;
      width: 100%;
      text-align: left;
      background: none;
      border: 0;
      font: inherit;
      color: inherit;
      padding: 0.3rem 0.6rem;
      cursor: pointer;
    }
    .facet {
      font-weight: 700;
    }
    .projection {
      font-size: 2.6rem;
      line-height: 1.05;
    }
    .projection small {
      font-size: 1.2rem;
    }
    .slip {
      color: var(--muted);
      padding-left: 0.6rem;
      font-size: 0.95rem;
    }
    .reverse {
      display: flex;
      gap: 1rem;
      align-items: center;
      flex-wrap: wrap;
    }
    .panels {
      display: grid;
      gap: 0.9rem;
      border-top: 3px solid var(--leather);
      padding-top: 0.9rem;
    }
    .told {
      border-left: 5px solid var(--leather);
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
  protected readonly names = FACET_NAMES;
  private readonly tools = inject(ToolsStore);
  private readonly notices = inject(Notices);
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
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
  private readonly shimTyped = signal<{ readonly shimMm?: number; readonly shimAtMm?: number } | undefined>(
    undefined,
  );

  protected readonly last = computed(() => this.records()[this.tool().id]?.state.lastSetting);
  protected readonly honed = computed(() => honedAtDeg(this.tool().edge));
  protected readonly roller = computed((): RollerGuide | undefined => {
    const guide = this.setUp()?.guide;
    return guide && isRoller(guide) ? guide : undefined;
  });
  protected readonly panels = computed(() => {
    const { edge, family } = this.tool();
    const has: Readonly<Record<Panel, boolean>> = {
      reverse: this.roller() !== undefined,
      shim: backStrategy(family).some(({ back, allowed }) => back === 'shim' && allowed),
      lift: edge.form === 'knife',
      fold: true,
    };
    return PANELS.filter(({ value }) => has[value]);
  });
  protected readonly panel = computed(() => {
    const panels = this.panels();
    return panels.find(({ value }) => value === this.chosen())?.value ?? panels[0]?.value;
  });

  protected readonly shown = computed(() => {
    const settings = this.setUp()?.settings ?? [];
    return settings.find(({ facet }) => facet === this.picked()) ?? settings[1] ?? settings[0];
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
    try {
      const deg = this.angleAt(projectionMm);
      return deg === undefined ? {} : { words: `gives ${this.figures.number(deg, 2, true)}°` };
    } catch (reason) {
      if (reason instanceof Refusal) return { refusal: reason.message };
      throw reason;
    }
  });

  /** The shim as typed here, else as the tool has it. */
  protected readonly shim = computed(() => {
    const { edge } = this.tool();
    return (
      this.shimTyped() ?? (isSingleBevel(edge) ? { shimMm: edge.shimMm, shimAtMm: edge.shimAtMm } : undefined)
    );
  });

  /** How much a millimetre’s slip (1/32 in) matters, from the guide itself. */
  protected slip({ projectionMm = 0, angleDeg }: FacetSetting): string {
    const inches = this.figures.units() === 'inch';
    const further = this.angleAt(projectionMm + (inches ? MM_PER_INCH / 32 : 1));
    if (further === undefined) return '';
    const change = this.figures.number(further - angleDeg, 2, true);
    return `${inches ? '1/32 in' : '1 mm'} too far out makes it ${this.figures.number(further, 2, true)}° (${change}°).`;
  }

  /** What each step of the micro-bevel cam makes of a setting. */
  protected cams({ projectionMm = 0, facet }: FacetSetting): string {
    const [guide, seat] = [this.roller(), this.setUp()?.seat];
    const rises = guide?.camRisesMm ?? [];
    if (!guide || !seat || rises.length === 0 || facet === 'micro') return '';
    const steps = rises.flatMap((rise, i) => {
      try {
        const { angleDeg } = guideAngle({
          ...bladeGeometry(this.tool().edge, guide, seat, rise),
          projectionMm,
        });
        return [`cam step ${i + 1} makes it ${this.figures.number(angleDeg, 1)}°`];
      } catch (reason) {
        if (reason instanceof Refusal) return [];
        throw reason;
      }
    });
    return steps.length === 0 ? '' : `Left so, ${steps.join(', ')}.`;
  }

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
    const changed: Tool = { ...contentOf<Tool>(tool), edge: { ...edge, back: 'shim', ...shim } };
    this.tools.change(tool.id, tool.version, changed).subscribe({
      next: () => {
        this.shimTyped.set(undefined);
        this.notices.done(`${tool.name}: its back is bevelled over this shim.`);
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected reason({ angleDeg, projectionMm = 0, degPerMm = 0, plusMinusMm }: FacetSetting): Reason {
    const [guide, seat] = [this.roller(), this.setUp()?.seat];
    if (!guide || !seat) return { formula: '', inputs: [], source: '', sure: '' };
    const { guide: geometry, thicknessMm } = bladeGeometry(this.tool().edge, guide, seat);
    const mm = (length: number): string => this.figures.length(length);
    const inches = this.figures.units() === 'inch';
    const further = inches ? MM_PER_INCH / 32 : 1;
    return {
      formula: '(p + a) · sin θ − H · cos θ = r + c − k: the stone lies tangent to the roller.',
      inputs: [
        `θ = ${this.figures.angle(angleDeg)}, the angle wanted`,
        `H = ${mm(backHeightMm(geometry, thicknessMm))}, back of the blade above the axle (${seat.name})`,
        `a = ${mm(geometry.noseMm)}, nose ahead of the axle`,
        `r + c − k = ${mm(axleClearanceMm(geometry))}, axle above the stone`,
        `p = ${mm(projectionMm)}, and ${this.figures.number(degPerMm * further, 3)}° for each further ${inches ? '1/32 in' : 'mm'}`,
      ],
      source:
        'Plane geometry, derived in docs/formulas.md and checked against the usual projections of the trade.',
      sure:
        plusMinusMm === undefined
          ? 'As exact as the guide’s own measurements: measure the seat with a protractor to know how exact. The same setting every time matters more than the last hundredth.'
          : `± ${mm(plusMinusMm)}: a 95 % interval from your own readings. The same setting every time matters more.`,
    };
  }

  protected wheelReason({ angleDeg, gapMm = 0 }: FacetSetting): Reason {
    const guide = this.setUp()?.guide;
    if (guide?.form !== 'wet-wheel-jig') return { formula: '', inputs: [], source: '', sure: '' };
    const mm = (length: number): string => this.figures.length(length);
    return {
      formula: 'Bar to wheel’s centre D = √(P² + c² + R² + 2R(P sin θ − c cos θ)); gap = D − R.',
      inputs: [
        `θ = ${this.figures.angle(angleDeg)}, back to the wheel’s tangent at the edge`,
        `P = ${mm(guide.jigProjectionMm)}, c = ${mm(guide.offsetMm)}, R = ${mm(guide.wheelRadiusMm)}`,
        `gap = ${mm(gapMm)}`,
      ],
      source: 'Plane geometry; tangency checked numerically.',
      sure: 'As exact as P, c and R. Wheels shrink: measure R again.',
    };
  }

  private angleAt(projectionMm: number): number | undefined {
    const [guide, seat] = [this.roller(), this.setUp()?.seat];
    return (
      guide && seat && guideAngle({ ...bladeGeometry(this.tool().edge, guide, seat), projectionMm }).angleDeg
    );
  }
}
