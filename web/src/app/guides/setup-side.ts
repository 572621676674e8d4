import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import type { Stored } from '@mellow-anvil/contract';
import {
  MM_PER_INCH,
  Refusal,
  axleClearanceMm,
  backHeightMm,
  guideAngle,
  seatGeometry,
  seatTakes,
  type FacetSetting,
  type SingleBevelEdge,
  type Tool,
} from '@mellow-anvil/core';
import { Desk } from '../bench/desk';
import { ChoiceField } from '../shared/choice-field';
import { Figures } from '../shared/figures';
import { QuantityField } from '../shared/quantity-field';
import { Why, type Reason } from '../shared/why';
import { isSingleBevel } from '../tools/blade';
import { GuideDrawing } from './guide-drawing';
import { GuidesStore } from './guides.store';

const FACET_NAMES = { primary: 'Primary', secondary: 'Secondary', micro: 'Micro-bevel' } as const;

/** The vise's second side: where to set the guide for every angle of this edge. */
@Component({
  selector: 'ma-setup-side',
  imports: [ButtonDirective, ChoiceField, GuideDrawing, QuantityField, RouterLink, Why],
  template: `
    @if (!edge()) {
      <p class="muted">
        This release sets up flat-backed blades in roller guides; this tool is worked without one for now.
      </p>
    } @else if (setUp(); as s) {
      <div class="choice">
        <ma-choice
          label="Guide"
          [options]="guideOptions()"
          [value]="s.guide.id"
          (valueChange)="desk.chooseGuide($event)"
        />
        <ma-choice
          label="Seat"
          [options]="seatOptions()"
          [value]="s.seat.name"
          (valueChange)="desk.chooseGuide(s.guide.id, $event)"
        />
        <a pButton [routerLink]="['/guides', s.guide.id]" severity="secondary" [outlined]="true">
          Measure or change this guide
        </a>
      </div>
      @if (tight(); as words) {
        <p class="sentence-error">{{ words }}</p>
      }
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
                <span class="facet">{{ names[setting.facet] }} {{ figures.angle(setting.angleDeg) }}</span>
                @if (setting.projectionMm !== undefined) {
                  <span class="projection figure">
                    {{ figures.setting(setting.projectionMm) }}
                    <small>{{ figures.unitOf('length') }}</small>
                  </span>
                } @else {
                  <span class="sentence-error">{{ setting.refusal }}</span>
                }
              </button>
              @if (setting.projectionMm !== undefined) {
                <p class="slip">
                  {{ slip(setting) }}
                  <ma-why [of]="names[setting.facet] + ' projection'" [reason]="reason(setting)" />
                </p>
              }
            </li>
          }
        </ul>
        @if (shown(); as setting) {
          @if (edge(); as blade) {
            <ma-guide-drawing [guide]="s.guide" [seat]="s.seat" [edge]="blade" [setting]="setting" />
          }
        }
      </div>
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
      border-top: 1px solid var(--line);
      padding-top: 0.9rem;
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
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  protected readonly guideOptions = computed(() =>
    this.guides().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly seatOptions = computed(() =>
    (this.setUp()?.guide.seats ?? []).map(({ name }) => ({ value: name, label: name })),
  );
  protected readonly setUp = toSignal(this.desk.setUp$);
  protected readonly picked = signal<FacetSetting['facet'] | undefined>(undefined);
  protected readonly measured = signal<number | undefined>(undefined);

  protected readonly edge = computed((): SingleBevelEdge | undefined => {
    const { edge } = this.tool();
    return isSingleBevel(edge) ? edge : undefined;
  });

  protected readonly shown = computed(() => {
    const settings = this.setUp()?.settings ?? [];
    return settings.find(({ facet }) => facet === this.picked()) ?? settings[1] ?? settings[0];
  });

  protected readonly tight = computed(() => {
    const [s, edge] = [this.setUp(), this.edge()];
    if (!s || !edge || seatTakes(s.seat, edge.widthMm)) return '';
    const { minWidthMm = 0, maxWidthMm } = s.seat;
    const widest = maxWidthMm === undefined ? 'any width' : this.figures.length(maxWidthMm);
    return `This seat takes blades from ${this.figures.length(minWidthMm)} to ${widest}; this one is ${this.figures.length(edge.widthMm)} wide. Choose another seat or guide.`;
  });

  protected readonly reverse = computed((): { refusal?: string; words?: string } => {
    const [s, edge, projectionMm] = [this.setUp(), this.edge(), this.measured()];
    if (!s || !edge || projectionMm === undefined || Number.isNaN(projectionMm)) return {};
    try {
      const { angleDeg } = guideAngle({
        guide: seatGeometry(s.guide, s.seat),
        thicknessMm: edge.thicknessMm,
        projectionMm,
      });
      return { words: `gives ${this.figures.number(angleDeg, 2, true)}°` };
    } catch (reason) {
      if (reason instanceof Refusal) return { refusal: reason.message };
      throw reason;
    }
  });

  /** How much a millimetre’s slip (1/32 in) matters, from the guide itself. */
  protected slip({ projectionMm = 0, angleDeg }: FacetSetting): string {
    const [s, edge] = [this.setUp(), this.edge()];
    if (!s || !edge) return '';
    const at = (mm: number): number =>
      guideAngle({ guide: seatGeometry(s.guide, s.seat), thicknessMm: edge.thicknessMm, projectionMm: mm })
        .angleDeg;
    const inches = this.figures.units() === 'inch';
    const further = at(projectionMm + (inches ? MM_PER_INCH / 32 : 1));
    const change = this.figures.number(further - angleDeg, 2, true);
    return `${inches ? '1/32 in' : '1 mm'} too far out makes it ${this.figures.number(further, 2, true)}° (${change}°).`;
  }

  protected reason({ angleDeg, projectionMm = 0, degPerMm = 0 }: FacetSetting): Reason {
    const [s, edge] = [this.setUp(), this.edge()];
    if (!s || !edge) return { formula: '', inputs: [], source: '', sure: '' };
    const geometry = seatGeometry(s.guide, s.seat);
    const { length } = this.figures;
    const mm = length.bind(this.figures);
    return {
      formula: '(p + a) · sin θ − H · cos θ = r + c − k: the stone lies tangent to the roller.',
      inputs: [
        `θ = ${this.figures.angle(angleDeg)}, the angle wanted`,
        `H = ${mm(backHeightMm(geometry, edge.thicknessMm))}, back of the blade above the axle (${s.seat.name})`,
        `a = ${mm(geometry.noseMm)}, nose ahead of the axle`,
        `r + c − k = ${mm(axleClearanceMm(geometry))}, axle above the stone`,
        `p = ${mm(projectionMm)}, and ${this.figures.number(degPerMm, 3)}° for each further mm`,
      ],
      source:
        'Plane geometry, derived in docs/formulas.md and checked against the usual projections of the trade.',
      sure: 'As exact as the guide’s own measurements. The same setting every time matters more than the last hundredth.',
    };
  }
}
