import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import {
  ASSUMED_LAND_MM,
  GRINDING_PUSH_N,
  STOP_SHORT_MM,
  isWheel,
  kindFacts,
  type Abrasive,
  type Condition,
  type ConditionKind,
  type EdgeState,
  type PlanRequest,
  type Tool,
} from '@mellow-anvil/core';
import { LAND_FROM } from '../records/land-words';
import { ChoiceField } from '../shared/choice-field';
import { Figures } from '../shared/figures';
import { QuantityField } from '../shared/quantity-field';
import { CONDITION_WORDS } from './condition-words';

const NEW_NICK_MM = 0.2;

/** What a plan asks of the person: how dull, how fine, and at what pace. */
@Component({
  selector: 'ma-plan-asks',
  imports: [ChoiceField, FormsModule, QuantityField, SelectButton],
  template: `
    <div class="asks">
      <div class="ask">
        <span id="dull-label" class="label">How dull is it?</span>
        <p-selectButton
          ariaLabelledBy="dull-label"
          [options]="conditions"
          optionLabel="label"
          optionValue="value"
          [allowEmpty]="false"
          [ngModel]="request().condition.kind"
          (ngModelChange)="condition($event)"
        />
      </div>
      @if (request().condition.kind === 'nicked') {
        <ma-quantity
          label="Depth of the nick"
          [value]="request().condition.nickMm"
          (valueChange)="asked.emit({ condition: { kind: 'nicked', nickMm: $event } })"
          [sentence]="said()('condition.nickMm')"
        />
      }
      @if (land(); as l) {
        <ma-quantity
          label="Land now"
          [value]="request().landMm ?? l.mm"
          (valueChange)="asked.emit({ landMm: $event })"
          [sentence]="said()('landMm')"
          [hint]="l.hint"
        />
      }
      <ma-quantity
        label="Finish at least"
        quantity="micron"
        [value]="request().finishUm"
        (valueChange)="asked.emit({ finishUm: $event ?? unread })"
        [sentence]="said()('finishUm')"
        [hint]="finestHint()"
      />
    </div>
    <details [open]="request().grind !== undefined">
      <summary>{{ wheels().length > 1 ? 'Wheel, pace and push' : 'Pace and push' }}</summary>
      @if (wheels().length > 1) {
        <div class="asks">
          <ma-choice
            label="Grind first"
            [options]="wheels()"
            [value]="request().grind?.wheelId ?? ''"
            (valueChange)="chooseWheel($event)"
            [sentence]="said()('grind.wheelId')"
          />
          @if (request().grind; as grind) {
            <ma-quantity
              label="Stop short of the edge"
              [value]="grind.stopShortMm"
              (valueChange)="asked.emit({ grind: { ...grind, stopShortMm: $event ?? unread } })"
              [sentence]="said()('grind.stopShortMm')"
              hint="0.5 to 1 mm where a secondary follows"
            />
            <ma-quantity
              label="Push against the wheel (N)"
              quantity="number"
              [value]="grind.pushN"
              (valueChange)="asked.emit({ grind: { ...grind, pushN: $event ?? unread } })"
              [sentence]="said()('grind.pushN')"
              hint="A light hand is about 5"
            />
          }
        </div>
      }
      <div class="asks">
        <ma-quantity
          label="Push on the blade (N)"
          quantity="number"
          [value]="request().forceN"
          (valueChange)="asked.emit({ forceN: $event ?? unread })"
          [sentence]="said()('forceN')"
          hint="20 N is about the weight of two kilos"
        />
        <ma-quantity
          label="Strokes a minute"
          quantity="number"
          [value]="request().strokesPerMin"
          (valueChange)="asked.emit({ strokesPerMin: $event ?? unread })"
          [sentence]="said()('strokesPerMin')"
        />
        <ma-quantity
          label="Largest jump (times finer)"
          quantity="number"
          [value]="request().maxRatio"
          (valueChange)="asked.emit({ maxRatio: $event })"
          [sentence]="said()('maxRatio')"
          hint="10 lets 1000 be followed by 8000; empty for no limit"
        />
      </div>
    </details>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
    }
    .asks {
      display: flex;
      flex-wrap: wrap;
      gap: 0.7rem 1.4rem;
      align-items: start;
    }
    .ask {
      display: grid;
      gap: 0.2rem;
    }
    .label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    ma-quantity {
      max-width: 15rem;
    }
    details {
      border-top: 1px solid var(--line);
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
  readonly stones =
    input.required<readonly (Abrasive & { readonly id: string; readonly sizeUm: number })[]>();
  /** The sentence about a part of the request, or nothing. */
  readonly said = input.required<(part: string) => string>();
  readonly asked = output<Partial<PlanRequest>>();

  private readonly figures = inject(Figures);
  protected readonly unread = NaN;
  protected readonly conditions = (Object.keys(CONDITION_WORDS) as ConditionKind[]).map((value) => ({
    value,
    label: CONDITION_WORDS[value],
  }));

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
        ? `Reckoned: ${LAND_FROM[state.landFrom].toLowerCase()}, ${state.honingsSinceThen} honed since`
        : LAND_FROM[state?.landFrom ?? 'entered'];
    return { mm, hint };
  });

  protected readonly finestHint = computed(() => {
    const finest = this.stones().findLast(({ kind }) => kindFacts(kind).flat);
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

  protected condition(kind: ConditionKind): void {
    const condition: Condition = kind === 'nicked' ? { kind, nickMm: NEW_NICK_MM } : { kind };
    this.asked.emit({ condition });
  }
}
