import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { MultiSelect } from 'primeng/multiselect';
import { isWheel, kindFacts, servesShape, type SizedAbrasive, standsIn } from '@mellow-anvil/core/abrasive';
import { ASSUMED_LAND_MM, includedDeg, shapeOfEdge, type Tool } from '@mellow-anvil/core/blade';
import { GRINDING_PUSH_N, STOP_SHORT_MM } from '@mellow-anvil/core/grinding';
import { ALONG, isLongOn, isStropped, type PlanRequest, type School, SCHOOLS } from '@mellow-anvil/core/plan';
import { type EdgeState, landPmMm } from '@mellow-anvil/core/record';
import { isFlatGround, mayBeUnsharpened, WAYS } from '@mellow-anvil/core/work';
import { LAND_FROM } from '../../words/land-words';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { ConditionAsk } from './condition-ask';
import { ALONG_WORDS, SCHOOL_WORDS, WAY_WORDS } from '../../words/condition-words';
import type { FieldChange } from '../../platform/change';

/** What a plan asks of the person: how dull, how fine, and at what pace. */
@Component({
  selector: 'ma-plan-asks',
  imports: [Checkbox, ChoiceField, ConditionAsk, FormsModule, MultiSelect, QuantityField],
  templateUrl: './plan-asks.html',
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
      align-content: start;
    }
    .asks {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(7.5rem, 1fr));
      gap: 0.6rem 0.9rem;
      align-items: start;
    }
    ma-choice,
    .order {
      grid-column: 1 / -1;
    }
    .order label {
      display: block;
      font-weight: 700;
      font-size: 0.95rem;
    }
    .check {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      grid-column: 1 / -1;
      min-height: 36px;
    }
    details .asks {
      padding-top: 0.4rem;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanAsks {
  readonly request = input.required<PlanRequest>();
  readonly tool = input.required<Tool>();
  readonly state = input<EdgeState>();
  readonly stones = input.required<readonly SizedAbrasive[]>();
  /** The sentence about a part of the request, or nothing. */
  readonly said = input.required<(part: string) => string>();
  /** The stones of the plan as it stands, by id. */
  readonly planned = input<readonly string[]>([]);
  readonly asked = output<FieldChange<PlanRequest>>();

  private readonly figures = inject(Figures);
  protected readonly unread = NaN;
  protected readonly schools = SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value].label }));
  protected readonly ways = WAYS.map((value) => ({ value, label: WAY_WORDS[value] }));
  protected readonly groundDeg = computed(() => {
    const { edge } = this.tool();
    return edge.form === 'single-bevel' ? edge.primaryDeg : includedDeg(edge);
  });
  protected readonly alongs = ALONG.map((value) => ({ value, label: ALONG_WORDS[value] }));
  /** Longer than a stone of the plan is wide: its strokes are laid along it. */
  protected readonly isLong = computed(() => {
    const { edge } = this.tool();
    return (
      edge.form === 'single-bevel' &&
      this.stones().some(
        ({ id, widthMm }) =>
          this.planned().includes(id) && widthMm !== undefined && isLongOn(edge.widthMm, widthMm),
      )
    );
  });
  /** A flat ground knife steeper at its edge than its blade tapers: it grows thicker as it is honed. */
  protected readonly mayThin = computed(() => {
    const { edge } = this.tool();
    return isFlatGround(edge) && mayBeUnsharpened(edge);
  });
  protected readonly isStropped = computed(() => isStropped(this.tool()));
  protected readonly hasStrop = computed(() => this.stones().some(({ kind }) => kind === 'strop'));
  /** What hones this edge, coarse to fine. */
  private readonly honing = computed(() => {
    const shape = shapeOfEdge(this.tool().edge);
    return this.stones().filter(
      (stone) =>
        servesShape(stone, shape) && !kindFacts(stone.kind).strop && standsIn(stone, this.request().set),
    );
  });
  protected readonly orderable = computed(() =>
    this.honing().map(({ id, name }) => ({ value: id, label: name })),
  );

  /** Only an edge with a secondary has a land. */
  protected readonly land = computed(() => {
    const { edge } = this.tool();
    if (edge.form !== 'single-bevel' || edge.secondaryDeg === undefined) return undefined;
    const state = this.state();
    const mm = state?.landMm === undefined ? edge.landMm : Number(state.landMm.toFixed(3));
    if (this.request().landMm !== undefined) return { mm, hint: 'As you measured it for this plan' };
    if (mm === undefined)
      return { mm, hint: `Not measured: ${this.figures.length(ASSUMED_LAND_MM)} is assumed` };
    const hint =
      state && state.honingsSinceThen > 0
        ? `Reckoned, ± ${this.figures.length(landPmMm(state))}: ${LAND_FROM[state.landFrom].toLowerCase()}, ${state.honingsSinceThen} honed since`
        : LAND_FROM[state?.landFrom ?? 'entered'];
    return { mm, hint };
  });

  protected readonly finestHint = computed(() => {
    const finest = this.honing().at(-1);
    return finest ? `Your finest is ${this.figures.number(finest.sizeUm, 1)} µm` : '';
  });

  protected readonly wheels = computed(() => [
    { value: '', label: 'No, hone only' },
    ...this.stones()
      .filter(isWheel)
      .map(({ id, name }) => ({ value: id, label: name })),
  ]);

  protected chooseWheel(wheelId: string): void {
    const { stopShortMm = STOP_SHORT_MM, pushN = GRINDING_PUSH_N } = this.request().grind ?? {};
    this.asked.emit({ grind: wheelId ? { wheelId, stopShortMm, pushN } : undefined });
  }

  /** An exact order begins with the stones of the plan as it is. */
  protected chooseSchool(school: School): void {
    const order = this.request().order ?? this.planned();
    this.asked.emit(school === 'exact' ? { school, order } : { school });
  }

  /** Whatever order they were ticked in, stones go from coarse to fine. */
  protected chooseOrder(ids: readonly string[]): void {
    this.asked.emit({ order: this.orderable().flatMap(({ value }) => (ids.includes(value) ? [value] : [])) });
  }
}
