import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { ChartData, ChartOptions } from 'chart.js';
import 'chartjs-adapter-date-fns';
import { Button } from 'primeng/button';
import { UIChart } from 'primeng/chart';
import { type Abrasive, assumedRate, caresOf } from '@mellow-anvil/core/abrasive';
import { formatDay } from '@mellow-anvil/core/base';
import type { RateReading } from '@mellow-anvil/core/record';
import { inkNow } from '../ui/chart-ink';
import { Figures } from '../ui/figures';
import { afterOneMore } from '@mellow-anvil/core/plan';
import { Why, type Reason } from '../ui/why';
import { ThemeService } from '../ui/theme/theme.service';
import { ToolsStore } from '../data/tools.store';
import type { StoneLife } from '../data/stones.store';
import { CARE_WORDS } from '../words/care-words';

const BY_WORDS: Readonly<Record<RateReading['by'], string>> = {
  measured: 'recession measured',
  nick: 'a nick of known depth gone',
  land: 'land measured before and after',
  burr: 'a burr from a known tip',
};

/** Its burr stood at the first look: it may cut any faster. */
const isAtLeast = ({ looked }: RateReading): boolean => looked !== undefined && looked.upTo === undefined;

/** Where a reading is drawn: between two looks in the middle, else where it was read. */
const middleOf = ({ ratio, looked: { upTo = ratio } = {} }: RateReading): number => Math.sqrt(ratio * upTo);

/** What one stone’s own record taught of its rate: estimate, range and readings, to be forgotten when they no longer hold. */
@Component({
  selector: 'ma-stone-rate',
  imports: [Button, UIChart, Why],
  templateUrl: './stone-rate.html',
  styles: `
    section {
      border-top: 3px solid var(--leather);
      padding-top: 0.4rem;
      display: grid;
      /* A chart never holds its panel wide when the window is made narrow. */
      grid-template-columns: minmax(0, 1fr);
      gap: 0.5rem;
      justify-items: start;
    }
    p-chart {
      width: 100%;
    }
    h2 {
      font-size: 1.15rem;
      margin: 0;
    }
    p {
      margin: 0;
    }
    .warning {
      border-left: var(--mark) solid var(--danger);
      padding-left: 0.8rem;
    }
    .figure {
      font-size: 1.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneRate {
  readonly stone = input.required<Abrasive & { readonly sizeUm: number }>();
  readonly life = input.required<StoneLife>();
  readonly forget = output<void>();

  protected readonly figures = inject(Figures);
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  protected readonly assumed = computed(() => assumedRate(this.stone(), this.stone().sizeUm));

  /** The range after one reading more that says the same. */
  protected oneMore(): string {
    const { factor, sd, high } = this.life().rate;
    const by = Math.pow(high / factor, afterOneMore(sd) / sd);
    return `${this.figures.number(factor / by, 2)} to ${this.figures.number(factor * by, 2)}`;
  }

  protected slowWords(): string {
    const [kind] = caresOf(this.stone());
    return `it wants seeing to. ${kind === undefined ? '' : CARE_WORDS[kind]}, and note it.`;
  }

  private nameOf(toolId: string): string {
    return this.tools().find(({ id }) => id === toolId)?.name ?? 'a tool since removed';
  }

  protected readonly chart = computed((): ChartData<'scatter'> => {
    this.dark();
    const ink = inkNow();
    const { readings, rate } = this.life();
    const times = readings.map(({ at }) => Date.parse(at));
    const [from, to] = [Math.min(...times), Math.max(...times)];
    const level = (
      factor: number,
      dash: number[],
      color: string,
      label: string,
    ): ChartData<'scatter'>['datasets'][number] => ({
      label,
      data: [
        { x: from, y: factor },
        { x: to, y: factor },
      ],
      showLine: true,
      pointRadius: 0,
      borderColor: color,
      borderWidth: 2,
      borderDash: dash,
    });
    return {
      datasets: [
        {
          label: 'One reading',
          data: readings.map((reading) => ({ x: Date.parse(reading.at), y: middleOf(reading) })),
          backgroundColor: ink.water,
          borderColor: ink.water,
          pointStyle: readings.map((reading) => (isAtLeast(reading) ? 'triangle' : 'circle')),
          pointRadius: 5,
        },
        level(rate.factor, [], ink.accent, 'Estimate'),
        level(rate.low, [6, 4], ink.accent, 'Four times in five within'),
        { ...level(rate.high, [6, 4], ink.accent, ''), label: '' },
        level(1, [2, 4], ink.muted, 'As assumed'),
      ],
    };
  });

  protected readonly anyAtLeast = computed(() => this.life().readings.some(isAtLeast));

  protected readonly chartWords = computed(() => {
    const readings = this.life().readings;
    const list = readings
      .slice(-5)
      .map(
        (reading) =>
          `${formatDay(reading.at)} ${this.comesTo(reading)} times on ${this.nameOf(reading.toolId)}, ${BY_WORDS[reading.by]}`,
      );
    return `${readings.length} readings of the rate over time. The latest: ${list.join('; ')}.`;
  });

  protected readonly options = computed((): ChartOptions<'scatter'> => {
    this.dark();
    const ink = inkNow();
    const readings = this.life().readings;
    return {
      animation: false,
      maintainAspectRatio: false,
      plugins: {
        legend: { labels: { color: ink.ink, filter: ({ text }) => text !== '' } },
        tooltip: {
          callbacks: {
            label: ({ datasetIndex, dataIndex }) => {
              const reading = datasetIndex === 0 ? readings[dataIndex] : undefined;
              return reading
                ? `${this.comesTo(reading)} ×, ${this.nameOf(reading.toolId)}, ${BY_WORDS[reading.by]}`
                : '';
            },
          },
        },
      },
      scales: {
        x: {
          type: 'time',
          ticks: { color: ink.ink, maxTicksLimit: 7, maxRotation: 0 },
          grid: { color: ink.line },
        },
        y: {
          type: 'logarithmic',
          suggestedMin: 0.5,
          suggestedMax: 2,
          title: { display: true, text: '× assumed', color: ink.ink },
          ticks: {
            color: ink.ink,
            callback: (value) =>
              [0.25, 0.5, 0.7, 1, 1.5, 2, 3, 4].includes(Number(value)) ? `${value}` : '',
          },
          grid: { color: ink.line },
        },
      },
    };
  });

  /** A figure, or what it lies between. */
  private comesTo(reading: RateReading): string {
    const { ratio, looked } = reading;
    const least = this.figures.number(ratio, 2);
    if (isAtLeast(reading)) return `at least ${least}`;
    return looked?.upTo === undefined ? least : `${least} to ${this.figures.number(looked.upTo, 2)}`;
  }

  protected reason(): Reason {
    const { rate, readings } = this.life();
    const by = (kind: RateReading['by']): number => readings.filter((reading) => reading.by === kind).length;
    const counts = (Object.keys(BY_WORDS) as RateReading['by'][]).flatMap((kind) =>
      by(kind) > 0 ? [`${by(kind)} by ${BY_WORDS[kind]}`] : [],
    );
    return {
      formula:
        'ln K is normal beforehand, sd 0.5; each reading is off by what was measured and by a hand whose scatter is not known; a burr that stood at the first look says only at least so fast.',
      inputs: [
        `assumed ${this.figures.number(this.assumed(), 5)} mm³ per N·m for ${this.figures.number(this.stone().sizeUm, 1)} µm`,
        ...counts,
        `sd of ln K now ${this.figures.number(rate.sd, 2)}`,
      ],
      source: 'Bayes over a net of rates and hands, in docs/formulas.md.',
      sure: 'The range holds the truth in about four of five simulated shops.',
    };
  }
}
