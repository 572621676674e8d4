import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import {
  TIP_RADIUS_UM,
  kindFacts,
  type Abrasive,
  type HoningPlan,
  type PlanRequest,
  type RunGrinding,
  type Tool,
} from '@mellow-anvil/core';
import { GrindingStepCard } from '../grinding/grinding-step';
import { StoneGlyph } from '../abrasives/stone-glyph';
import { Figures } from '../shared/figures';
import { Why, type Reason } from '../shared/why';
import { CONDITION_WORDS } from './condition-words';

type Stone = Abrasive & { readonly id: string; readonly sizeUm: number };

/** What to do, stone by stone, and why each is in or out. */
@Component({
  selector: 'ma-plan-result',
  imports: [Button, GrindingStepCard, StoneGlyph, Why],
  template: `
    <section class="plan" aria-label="The plan">
      <header>
        <p class="total">
          <span class="figure">{{ figures.minutes(plan().totalMin + (ground() ? betweenMin() : 0)) }}</span>
          <span>{{ steel() }}</span>
          <ma-why of="this plan" [reason]="reason()" />
        </p>
        <div class="actions">
          <p-button label="Take it to the bench" size="large" (onClick)="toBench.emit()" />
          <p-button
            label="Keep this plan"
            severity="secondary"
            [outlined]="true"
            (onClick)="keep.emit()"
            [loading]="keeping()"
          />
        </div>
      </header>
      @if (since()) {
        <p class="since">{{ since() }}</p>
      }
      @if (ground(); as g) {
        <ma-grinding-step
          [tool]="tool()"
          [edge]="g.edge"
          [grinding]="g.grinding"
          [wheel]="g.wheel"
          (planned)="wheelPlanned.emit($event)"
          (betweenMin)="betweenMin.set($event)"
        />
      }
      @if (setLine()) {
        <p class="set-line">{{ setLine() }}</p>
      }
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
        better: a stone is done when the marks of the one before are gone. Sharp edges cut: wipe away from the
        edge, feel across it and never along it. What the makers of your tools and stones say comes first.
      </p>
    </section>
  `,
  styles: `
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
    .set-line {
      font-weight: 700;
    }
    .since {
      border-left: 5px solid var(--leather);
      padding-left: 0.7rem;
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
    .left {
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
export class PlanResult {
  readonly plan = input.required<HoningPlan>();
  readonly request = input.required<PlanRequest>();
  readonly tool = input.required<Tool>();
  readonly stones = input.required<readonly Stone[]>();
  readonly keeping = input(false);
  /** What the record says about how much work this is. */
  readonly since = input('');
  /** Where the guide is set first, by which stop. */
  readonly setLine = input('');
  readonly keep = output<void>();
  readonly toBench = output<void>();
  readonly wheelPlanned = output<RunGrinding>();

  protected readonly figures = inject(Figures);
  private readonly byId = computed(() => new Map(this.stones().map((stone) => [stone.id, stone])));
  private readonly judged = computed(() =>
    this.plan().verdicts.flatMap((verdict) => {
      const stone = this.byId().get(verdict.id);
      return stone ? [{ ...verdict, stone }] : [];
    }),
  );

  protected readonly steps = computed(() =>
    this.plan().steps.flatMap((step) => {
      const judged = this.judged().find(({ id }) => id === step.id);
      return judged ? [{ ...judged, ...step }] : [];
    }),
  );
  protected readonly left = computed(() =>
    this.judged().filter(({ used, stone }) => !used && kindFacts(stone.kind).flat),
  );
  protected readonly notFlat = computed(() => {
    const names = this.stones()
      .filter(({ kind }) => !kindFacts(kind).flat)
      .map(({ name }) => name);
    return names.length ? `Not for a flat bevel in a guide: ${names.join(', ')}.` : '';
  });

  protected readonly betweenMin = signal(0);
  protected readonly ground = computed(() => {
    const { edge } = this.tool();
    const { grinding } = this.plan();
    const wheel = grinding && this.byId().get(grinding.wheelId);
    return wheel && edge.form === 'single-bevel' ? { edge, grinding, wheel } : undefined;
  });

  protected readonly steel = computed(() => {
    const { job } = this.plan();
    const back = `The edge goes back ${this.figures.sliver(job.recessionMm)}`;
    return job.wholeBevel
      ? `${back}, over the whole bevel.`
      : `${back}; the land grows from ${this.figures.length(job.landBeforeMm)} to ${this.figures.length(job.landAfterMm)}.`;
  });

  protected readonly reason = computed((): Reason => {
    const { job } = this.plan();
    const { condition, forceN, strokesPerMin } = this.request();
    const tip = condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind];
    return {
      formula:
        'The order of stones that takes the least minutes: the first removes the worn steel, each next one the scratches of the one before. Strokes = volume ÷ (K · push · stroke ÷ steel).',
      inputs: [
        `tip taken as ${this.figures.number(tip, 1)} µm round (${CONDITION_WORDS[condition.kind].toLowerCase()}), so the edge goes back ${this.figures.sliver(job.recessionMm)}`,
        `steel to remove ${this.figures.number(job.removeMm3, 3)} mm³ from ${this.figures.number(job.contactMm2, 1)} mm²`,
        `push ${this.figures.number(forceN, 0)} N, ${this.figures.number(strokesPerMin, 0)} strokes a minute`,
        'K = 0.0056 · (grain ÷ 14 µm)^0.8 · kind, mm³ per N·m; scratches 0.12 of the grain',
      ],
      source:
        'Archard’s wear law and a shortest path over the stones, in docs/formulas.md; K and scratches are estimates.',
      sure: 'The order is reliable, strokes to perhaps a factor of two.',
    };
  });
}
