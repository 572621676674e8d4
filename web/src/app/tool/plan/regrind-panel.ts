import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { ChartData, ChartOptions } from 'chart.js';
import { UIChart } from 'primeng/chart';
import type { OwnedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { meanHoningMin } from '@mellow-anvil/core/grinding';
import { type HoningPlan, type PlanRequest, regrindAdvice, regrindMin } from '@mellow-anvil/core/plan';
import type { EdgeState } from '@mellow-anvil/core/record';
import { inkNow } from '../../ui/chart-ink';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { ThemeService } from '../../ui/theme/theme.service';

/** Regrind now or later: minutes a honing against honings to a grinding. */
@Component({
  selector: 'ma-regrind',
  imports: [QuantityField, UIChart, Why],
  template: `
    <div class="asked">
      <ma-quantity
        label="One regrinding takes"
        quantity="minutes"
        [value]="minutes()"
        (valueChange)="minutes.set($event)"
        hint="With setting up and dips, by your wheel; an estimate until you time one"
      />
      <p class="told" role="status">
        {{ words() }}
        @if (advice()) {
          <ma-why of="when to regrind" [reason]="reason()" />
        }
      </p>
    </div>
    @if (data(); as d) {
      <p-chart type="line" height="220px" [data]="d" [options]="options()" [ariaLabel]="words()" />
    }
  `,
  styleUrl: '../../ui/panel.css',
  styles: `
    .told {
      flex: 1 1 20rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RegrindPanel {
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly plan = input.required<HoningPlan>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});
  readonly state = input<EdgeState>();

  protected readonly figures = inject(Figures);
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  protected readonly minutes = linkedSignal<number | undefined>(() =>
    Number(regrindMin(this.tool(), this.stones()).toFixed(1)),
  );

  private readonly found = computed(() =>
    attempt(() =>
      regrindAdvice(
        this.tool(),
        this.plan(),
        this.request(),
        this.stones(),
        this.record(),
        Number.isFinite(this.minutes()) ? (this.minutes() ?? 0) : 0,
      ),
    ),
  );
  protected readonly advice = computed(() => {
    const found = this.found();
    return found instanceof Refusal ? undefined : found;
  });

  protected readonly words = computed(() => {
    const found = this.found();
    if (found instanceof Refusal) return found.message;
    const { best, oneBevelMin } = found;
    const so = this.state()?.honings ?? 0;
    const mean = this.figures.minutes(best.meanMin);
    const lead = `Least work: ${best.honings} honings to a regrinding, ${mean} each on the stones, the grinding shared out.${this.oneBevel(oneBevelMin)}`;
    if (so === 0) return lead;
    return so < best.honings
      ? `${lead} Honed ${so} times since it was ground: about ${best.honings - so} to go.`
      : `${lead} Honed ${so} times since it was ground: grind it now.`;
  });

  /** One bevel or two, by the same minutes. */
  private oneBevel(minutes: number | undefined): string {
    return minutes === undefined
      ? ''
      : ` With one bevel from edge to heel every honing would take ${this.figures.minutes(minutes)}, and no grinding.`;
  }

  protected readonly data = computed((): ChartData<'line'> | undefined => {
    const advice = this.advice();
    this.dark();
    const ink = inkNow();
    if (!advice) return undefined;
    const so = this.state()?.honings ?? 0;
    const dot = (honings: number, meanMin: number, color: string): ChartData<'line'>['datasets'][number] => ({
      data: [{ x: honings, y: meanMin }],
      borderColor: color,
      backgroundColor: color,
      pointRadius: 8,
      showLine: false,
    });
    return {
      datasets: [
        {
          ...dot(advice.best.honings, advice.best.meanMin, ink.accent),
          label: `Least: ${advice.best.honings} honings`,
          pointStyle: 'circle',
        },
        ...(so > 0
          ? [
              {
                ...dot(so, meanHoningMin(advice.input, so), ink.leather),
                label: `Now: ${so}`,
                pointStyle: 'rectRot',
              },
            ]
          : []),
        {
          label: 'Minutes a honing',
          data: advice.curve.map(({ honings, meanMin }) => ({ x: honings, y: meanMin })),
          borderColor: ink.water,
          backgroundColor: ink.water,
          pointRadius: 0,
          borderWidth: 3,
        },
      ],
    };
  });

  protected readonly options = computed((): ChartOptions<'line'> => {
    this.dark();
    const ink = inkNow();
    const { best } = this.advice() ?? {};
    return {
      animation: false,
      maintainAspectRatio: false,
      plugins: {
        legend: { labels: { color: ink.ink, usePointStyle: true } },
        tooltip: { enabled: false },
      },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          title: { display: true, text: 'Honings to one regrinding', color: ink.ink },
          ticks: { color: ink.ink },
          grid: { color: ink.line },
        },
        y: {
          min: 0,
          // The first few honings would squeeze the rest flat.
          max: best && Math.ceil(best.meanMin * 4),
          title: { display: true, text: 'Minutes a honing', color: ink.ink },
          ticks: { color: ink.ink },
          grid: { color: ink.line },
        },
      },
    };
  });

  protected reason(): Reason {
    const input = this.advice()?.input;
    return {
      formula:
        'Minutes a honing = regrinding ÷ n + ½·G·n·δ²·width ÷ rate, G = tan θ1·tan θ2 ÷ (tan θ2 − tan θ1), and half of what the finer stones take longer: the land grows with every honing.',
      inputs: input
        ? [
            `θ1 = ${this.figures.angle(input.primaryDeg)}, θ2 = ${this.figures.angle(input.secondaryDeg)}, width ${this.figures.length(input.widthMm)}`,
            `δ = ${this.figures.sliver(input.recessionPerHoningMm)} a honing, by this plan`,
            `rate ${this.figures.number(input.removalMm3PerMin, 2)} mm³ a minute on the first stone`,
            `one regrinding ${this.figures.minutes(input.regrindMin)}`,
          ]
        : [],
      source: 'The land’s growth, in docs/formulas.md.',
      sure: 'The curve is flat near its least: a third more or fewer honings hardly matter.',
    };
  }
}
