import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import {
  TIP_RADIUS_UM,
  kindFacts,
  type Condition,
  type ConditionKind,
  type Plan,
  type PlanRequest,
  type Tool,
} from '@mellow-anvil/core';
import { AbrasivesStore } from '../abrasives/abrasives.store';
import { StoneGlyph } from '../abrasives/stone-glyph';
import { Desk } from '../bench/desk';
import { sentencesFor, type Sentences } from '../shared/checks';
import { Figures } from '../shared/figures';
import { Notices } from '../shared/notices';
import { QuantityField } from '../shared/quantity-field';
import { Why, type Reason } from '../shared/why';
import { PlansStore } from './plans.store';

const CONDITION_WORDS: Readonly<Record<ConditionKind, string>> = {
  fading: 'Fading',
  dull: 'Dull',
  'very-dull': 'Very dull',
  nicked: 'Nicked',
};
const NEW_NICK_MM = 0.2;

/** The vise's third side: how dull it is, and what to do about it on the stones at hand. */
@Component({
  selector: 'ma-plan-side',
  imports: [Button, ButtonDirective, FormsModule, QuantityField, RouterLink, SelectButton, StoneGlyph, Why],
  template: `
    @if (answer(); as a) {
      <div class="asks">
        <div class="ask dull">
          <span id="dull-label" class="label">How dull is it?</span>
          <p-selectButton
            ariaLabelledBy="dull-label"
            [options]="conditions"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="a.request.condition.kind"
            (ngModelChange)="condition($event)"
          />
        </div>
        @if (a.request.condition.kind === 'nicked') {
          <ma-quantity
            label="Depth of the nick"
            [value]="a.request.condition.nickMm"
            (valueChange)="askNick($event)"
            [sentence]="said('request.condition.nickMm')"
          />
        }
        @if (hasLand()) {
          <ma-quantity
            label="Land now"
            [value]="a.request.landMm ?? measuredLand()"
            (valueChange)="ask({ landMm: $event })"
            [sentence]="said('request.landMm')"
            [hint]="landHint()"
          />
        }
        <ma-quantity
          label="Finish at least"
          quantity="micron"
          [value]="a.request.finishUm"
          (valueChange)="ask({ finishUm: $event ?? NaN })"
          [sentence]="said('request.finishUm')"
          [hint]="finishHint()"
        />
      </div>
      <details>
        <summary>Pace and push</summary>
        <div class="asks">
          <ma-quantity
            label="Push on the blade (N)"
            quantity="number"
            [value]="a.request.forceN"
            (valueChange)="ask({ forceN: $event ?? NaN })"
            [sentence]="said('request.forceN')"
            hint="20 N is about the weight of two kilos"
          />
          <ma-quantity
            label="Strokes a minute"
            quantity="number"
            [value]="a.request.strokesPerMin"
            (valueChange)="ask({ strokesPerMin: $event ?? NaN })"
            [sentence]="said('request.strokesPerMin')"
          />
          <ma-quantity
            label="Largest jump (times finer)"
            quantity="number"
            [value]="a.request.maxRatio"
            (valueChange)="ask({ maxRatio: $event })"
            [sentence]="said('request.maxRatio')"
            hint="10 lets 1000 be followed by 8000; empty for no limit"
          />
        </div>
      </details>

      @if (refusal(); as words) {
        <div class="refused" role="alert">
          <p class="sentence-error">{{ words }}</p>
          @if (stones().length === 0) {
            <a pButton routerLink="/stones/new">Add a stone</a>
          }
        </div>
      } @else if (a.plan; as plan) {
        <section class="plan" aria-label="The plan">
          <header>
            <p class="total">
              <span class="figure">{{ figures.minutes(plan.totalMin) }}</span>
              <span>{{ steel() }}</span>
              <ma-why of="this plan" [reason]="reason()" />
            </p>
            <div class="actions">
              <p-button label="Keep this plan" (onClick)="keep()" [loading]="keeping()" />
            </div>
          </header>
          <ol>
            @for (step of steps(); track step.id) {
              <li class="step">
                <ma-stone-glyph [kind]="step.stone.kind" [lubricant]="step.stone.lubricant" />
                <span class="name">
                  {{ step.stone.name }}
                  <small>{{ figures.number(step.stone.sizeUm, 1) }} µm</small>
                </span>
                <span class="strokes figure">
                  {{ step.strokes }}
                  <small>strokes</small>
                </span>
                <span class="minutes figure">{{ figures.minutes(step.minutes) }}</span>
                <span class="why">{{ step.why }}</span>
              </li>
            }
          </ol>
          @if (left().length) {
            <h3>Left out</h3>
            <ul class="left">
              @for (item of left(); track item.id) {
                <li>
                  <b>{{ item.stone.name }}</b>
                  {{ item.why }}
                </li>
              }
              @if (notFlat()) {
                <li class="muted">{{ notFlat() }}</li>
              }
            </ul>
          }
          <p class="muted small">
            Strokes and minutes are estimates, good to perhaps a factor of two, until your own stones teach
            better: a stone is done when the marks of the one before are gone. Sharp edges cut: wipe away from
            the edge, feel across it and never along it. What the makers of your tools and stones say comes
            first.
          </p>
        </section>
      }
      @if (kept().length) {
        <section class="kept" aria-label="Plans kept for this tool">
          <h3>Kept for this tool</h3>
          <ul>
            @for (plan of kept(); track plan.id) {
              <li>
                <span>
                  <b>{{ plan.name }}</b>
                  · {{ figures.minutes(plan.result.totalMin) }}, {{ words(plan) }}
                </span>
                <p-button
                  label="Ask this again"
                  severity="secondary"
                  [outlined]="true"
                  size="small"
                  (onClick)="again(plan)"
                />
                <p-button
                  label="Remove"
                  [ariaLabel]="'Remove ' + plan.name"
                  severity="secondary"
                  [text]="true"
                  size="small"
                  (onClick)="remove(plan)"
                />
              </li>
            }
          </ul>
        </section>
      }
    }
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
    .plan {
      display: grid;
      gap: 0.5rem;
    }
    .plan > header {
      display: flex;
      justify-content: space-between;
      align-items: center;
      flex-wrap: wrap;
      border-top: 3px solid var(--leather);
      padding-top: 0.5rem;
    }
    .total {
      display: flex;
      align-items: baseline;
      gap: 0.8rem;
      flex-wrap: wrap;
    }
    .total .figure {
      font-size: 2.4rem;
      line-height: 1;
    }
    ol,
    .left,
    .kept ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    .step {
      display: grid;
      grid-template-columns: 56px minmax(7rem, 1.2fr) 8.5rem 5rem minmax(0, 2fr);
      gap: 0.4rem 0.9rem;
      align-items: center;
      padding: 0.45rem 0;
      border-bottom: 1px solid var(--line);
    }
    .name {
      font-weight: 700;
      display: grid;
    }
    .name small,
    .strokes small {
      font-weight: 400;
      color: var(--muted);
    }
    .strokes {
      font-size: 1.9rem;
      line-height: 1.1;
    }
    .strokes small {
      font-size: 1rem;
    }
    .minutes {
      font-size: 1.1rem;
    }
    .why,
    .left li {
      font-size: 0.95rem;
    }
    .left {
      display: grid;
      gap: 0.3rem;
    }
    .left li:has(b) {
      display: grid;
      grid-template-columns: minmax(8rem, 14rem) 1fr;
      gap: 0.9rem;
    }
    .small {
      font-size: 0.92rem;
    }
    .kept li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
      padding: 0.2rem 0;
    }
    .kept li > span {
      flex: 1 1 16rem;
    }
    .refused {
      display: grid;
      gap: 0.8rem;
      justify-items: start;
    }
    @media (max-width: 60rem) {
      .step {
        grid-template-columns: 56px 1fr auto auto;
      }
      .why {
        grid-column: 1 / -1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanSide {
  readonly tool = input.required<Stored<Tool>>();
  protected readonly NaN = NaN;
  protected readonly figures = inject(Figures);
  private readonly desk = inject(Desk);
  private readonly plans = inject(PlansStore);
  private readonly notices = inject(Notices);

  protected readonly conditions = (Object.keys(CONDITION_WORDS) as ConditionKind[]).map((value) => ({
    value,
    label: CONDITION_WORDS[value],
  }));
  protected readonly answer = toSignal(this.desk.answer$);
  private readonly setUp = toSignal(this.desk.setUp$);
  protected readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly allPlans = toSignal(this.plans.items$, { initialValue: [] });
  private readonly sentences = signal<Sentences>({});
  protected readonly keeping = signal(false);

  protected readonly kept = computed(() =>
    this.allPlans()
      .filter(({ toolId }) => toolId === this.tool().id)
      .sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)),
  );
  protected readonly hasLand = computed(() => {
    const { edge } = this.tool();
    return edge.form === 'single-bevel' && edge.secondaryDeg !== undefined;
  });
  protected readonly measuredLand = computed(() => {
    const { edge } = this.tool();
    return edge.form === 'single-bevel' ? edge.landMm : undefined;
  });
  protected readonly landHint = computed(() => {
    if (this.measuredLand() !== undefined || this.answer()?.request.landMm !== undefined)
      return 'Length of the honed bevel';
    return `Not measured: ${this.figures.length(this.answer()?.plan?.job.landBeforeMm ?? 0.5)} is assumed`;
  });
  protected readonly finishHint = computed(() => {
    const flat = this.stones().filter(({ kind }) => kindFacts(kind).flat);
    const finest = flat.at(-1);
    return finest ? `Your finest is ${this.figures.number(finest.sizeUm, 1)} µm` : '';
  });
  /** A figure that cannot be read stands in the way of the plan, and says so at its own field. */
  protected readonly refusal = computed(() => {
    const answer = this.answer();
    const wrong = Object.values(this.sentences());
    return wrong[0] ?? answer?.refusal?.message ?? '';
  });
  protected readonly steps = computed(
    () => this.answer()?.plan?.steps.map((step) => this.withStone(step)) ?? [],
  );
  protected readonly left = computed(() =>
    (this.answer()?.plan?.verdicts ?? [])
      .map((verdict) => ({ ...verdict, stone: this.stone(verdict.id) }))
      .filter(({ used, stone }) => !used && stone && kindFacts(stone.kind).flat),
  );
  protected readonly notFlat = computed(() => {
    const names = this.stones()
      .filter(({ kind }) => !kindFacts(kind).flat)
      .map(({ name }) => name);
    return names.length ? `Not for a flat bevel in a guide: ${names.join(', ')}.` : '';
  });
  protected readonly steel = computed(() => {
    const job = this.answer()?.plan?.job;
    if (!job) return '';
    const back = `The edge goes back ${this.figures.sliver(job.recessionMm)}`;
    return job.wholeBevel
      ? `${back}, over the whole bevel.`
      : `${back}; the land grows from ${this.figures.length(job.landBeforeMm)} to ${this.figures.length(job.landAfterMm)}.`;
  });

  protected readonly reason = computed((): Reason => {
    const answer = this.answer();
    const job = answer?.plan?.job;
    if (!answer || !job) return { formula: '', inputs: [], source: '', sure: '' };
    const { condition } = answer.request;
    const tip = condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind];
    return {
      formula:
        'The order of stones that takes the least minutes: the first removes the worn steel, each next one the scratches of the one before. Strokes = volume ÷ (K · push · stroke ÷ steel).',
      inputs: [
        `tip taken as ${this.figures.number(tip, 1)} µm round (${CONDITION_WORDS[condition.kind].toLowerCase()}), so the edge goes back ${this.figures.sliver(job.recessionMm)}`,
        `steel to remove ${this.figures.number(job.removeMm3, 3)} mm³ from ${this.figures.number(job.contactMm2, 1)} mm²`,
        `push ${this.figures.number(answer.request.forceN, 0)} N, ${this.figures.number(answer.request.strokesPerMin, 0)} strokes a minute`,
        'K = 0.0056 · (grain ÷ 14 µm)^0.8 · kind, mm³ per N·m; scratches 0.12 of the grain',
      ],
      source:
        'Archard’s wear law and a shortest path over the stones, in docs/formulas.md; K and scratches are estimates.',
      sure: 'The order is reliable, strokes to perhaps a factor of two.',
    };
  });

  constructor() {
    // The first check loads the contract; after that a figure out of range is told before it is drawn.
    void sentencesFor('planDraftSchema', {});
  }

  protected said(field: string): string {
    const answer = this.answer();
    const { [field]: sentence } = this.sentences();
    return (
      sentence ??
      (answer?.refusal && `request.${answer.refusal.field}` === field ? answer.refusal.message : '')
    );
  }

  protected words({ result, request }: Plan): string {
    return `${CONDITION_WORDS[request.condition.kind].toLowerCase()}, ${result.steps.length} stones, ${result.steps.reduce((sum, { strokes }) => sum + strokes, 0)} strokes`;
  }

  protected condition(kind: ConditionKind): void {
    const condition: Condition = kind === 'nicked' ? { kind, nickMm: NEW_NICK_MM } : { kind };
    this.ask({ condition });
  }

  protected askNick(nickMm: number | undefined): void {
    this.ask({ condition: { kind: 'nicked', nickMm } });
  }

  protected async ask(change: Partial<PlanRequest>): Promise<void> {
    this.desk.ask(change);
    const draft = this.draft();
    if (draft) this.sentences.set(await sentencesFor('planDraftSchema', draft));
  }

  protected keep(): void {
    const draft = this.draft();
    if (!draft) return;
    this.keeping.set(true);
    this.plans.create(draft).subscribe({
      next: ({ name }) => {
        this.keeping.set(false);
        this.notices.done(`Kept: ${name}.`);
      },
      error: (reason: unknown) => {
        this.keeping.set(false);
        this.notices.refused(reason);
      },
    });
  }

  protected again(plan: Plan): void {
    void this.ask(plan.request);
  }

  protected remove(plan: Stored<Plan>): void {
    this.plans.remove(plan).subscribe({
      next: () => this.notices.done(`Removed: ${plan.name}. Undo brings it back.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  private draft(): Omit<Plan, 'result'> | undefined {
    const request = this.currentRequest();
    if (!request) return undefined;
    const setUp = this.setUp();
    const name = `${CONDITION_WORDS[request.condition.kind]}, to ${this.figures.number(request.finishUm, 1)} µm`;
    return {
      name,
      toolId: this.tool().id,
      ...(setUp && { guideId: setUp.guide.id, seatName: setUp.seat.name }),
      request,
    };
  }

  private currentRequest(): PlanRequest | undefined {
    const request = this.answer()?.request;
    // An empty field leaves its part of the request out, rather than sending it as nothing.
    return (
      request &&
      (Object.fromEntries(
        Object.entries(request).filter(([, value]) => value !== undefined),
      ) as unknown as PlanRequest)
    );
  }

  private stone(id: string) {
    return this.stones().find((stone) => stone.id === id) as ReturnType<typeof this.stones>[number];
  }

  private withStone<S extends { readonly id: string }>(step: S) {
    const why = this.answer()?.plan?.verdicts.find(({ id }) => id === step.id)?.why ?? '';
    return { ...step, why, stone: this.stone(step.id) };
  }
}
