import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ChartData, ChartOptions } from 'chart.js';
import 'chartjs-adapter-date-fns';
import { Button } from 'primeng/button';
import { UIChart } from 'primeng/chart';
import { switchMap } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import {
  USUAL_STONE_MM,
  assumedRate,
  caresOf,
  equalGrades,
  formatDay,
  kindFacts,
  type Abrasive,
  type Care,
  type CareKind,
  type RateReading,
} from '@mellow-anvil/core';
import { inkNow } from '../shared/chart-ink';
import { Figures } from '../shared/figures';
import { Notices } from '../shared/notices';
import { QuantityField } from '../shared/quantity-field';
import { Why, type Reason } from '../shared/why';
import { ThemeService } from '../theme/theme.service';
import { ToolsStore } from '../tools/tools.store';
import { BenchStore } from './bench.store';
import { CareOfStones } from './care-of-stones';
import { CARE_DONE, CARE_WORDS, careSentence, stateWord } from './care-words';

const BY_WORDS: Readonly<Record<RateReading['by'], string>> = {
  measured: 'recession measured',
  nick: 'a nick of known depth gone',
  land: 'land measured before and after',
  burr: 'a burr from a known tip',
};
const SHOWN_CARES = 6;
const GRADE_NAMES = { 'FEPA-P': 'P', 'FEPA-F': 'F', ANSI: 'ANSI ', JIS: 'JIS #', UM: '' } as const;

/** How one stone stands, what was done for it, and what its own record taught of its rate. */
@Component({
  selector: 'ma-stone-life',
  imports: [Button, QuantityField, UIChart, Why],
  template: `
    <p class="grades">
      @for (grade of grades(); track grade) {
        <span>{{ grade }}</span>
      }
    </p>
    @if (life(); as l) {
      <div class="two">
        <section class="care" aria-labelledby="care-title">
          <h2 id="care-title">
            How it stands
            @if (word()) {
              ·
              <b [class.due]="l.care.due">{{ word() }}</b>
            }
          </h2>
          <p>{{ says() }}</p>
          @if (drawn(); as d) {
            <svg viewBox="0 0 420 74" role="img" [attr.aria-label]="d.words">
              <path class="stone" [attr.d]="d.stone" />
              <path class="edge" d="M6 14H414" />
              <text x="210" y="66" text-anchor="middle">{{ d.words }}</text>
            </svg>
          }
          <div class="doing">
            @for (kind of cares(); track kind) {
              @if (kind === 'straightedge') {
                <ma-quantity
                  label="Hollow under a straightedge"
                  [value]="hollowMm()"
                  (valueChange)="hollowMm.set($event)"
                  hint="By feeler, across the stone"
                />
                <p-button
                  label="Note what it shows"
                  severity="secondary"
                  [outlined]="true"
                  [disabled]="!hollowRead()"
                  (onClick)="noteHollow()"
                />
              } @else {
                <p-button
                  [label]="doneWords[kind] + ' just now'"
                  [severity]="l.care.due?.kind === kind ? 'primary' : 'secondary'"
                  [outlined]="l.care.due?.kind !== kind"
                  (onClick)="care.done(stone(), kind)"
                />
              }
            }
          </div>
          @if (l.cares.length) {
            <ul>
              @for (each of shownCares(); track each.id) {
                <li>
                  <span>{{ day(each.at) }}</span>
                  <span>{{ careWords(each) }}</span>
                  <p-button
                    label="Take back"
                    [ariaLabel]="'Take back: ' + careWords(each) + ' ' + day(each.at)"
                    severity="secondary"
                    [text]="true"
                    size="small"
                    (onClick)="takeBack(each)"
                  />
                </li>
              }
            </ul>
            @if (l.cares.length > shown) {
              <p class="muted">And {{ l.cares.length - shown }} before.</p>
            }
          }
        </section>
        @if (planned()) {
          <section aria-labelledby="rate-title">
            <h2 id="rate-title">How fast it cuts</h2>
            @if (l.rate.readings) {
              <p>
                <b class="figure">{{ figures.number(l.rate.factor, 2) }} ×</b>
                as fast as assumed, from {{ l.rate.readings }} reading{{ l.rate.readings === 1 ? '' : 's' }};
                four times in five it lies between {{ figures.number(l.rate.low, 2) }} and
                {{ figures.number(l.rate.high, 2) }}.
                <ma-why of="this rate" [reason]="reason()" />
              </p>
              @if (l.slowedTo) {
                <p class="warning">
                  Its latest readings are {{ figures.number(l.slowedTo * 100, 0) }} % of those before:
                  {{ slowWords() }}
                </p>
              }
              <p-chart
                type="scatter"
                height="230px"
                [data]="chart()"
                [options]="options()"
                [ariaLabel]="chartWords()"
              />
              <p-button
                label="Forget these readings"
                severity="secondary"
                [outlined]="true"
                (onClick)="forget.emit()"
              />
            } @else {
              <p>
                No reading yet: {{ figures.number(assumed(), 5) }} mm³ per N·m is assumed, good to perhaps a
                factor of two. A honing teaches it when a recession, a nick’s depth or the land before and
                after is put down.
              </p>
            }
          </section>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 25rem), 1fr));
      gap: 0.9rem 2rem;
      align-items: start;
    }
    svg {
      width: 100%;
      max-width: 30rem;
    }
    .stone {
      fill: color-mix(in srgb, var(--water) 25%, var(--panel));
      stroke: var(--water);
      stroke-width: 1.5;
    }
    .edge {
      stroke: var(--ink);
      stroke-dasharray: 5 4;
    }
    text {
      fill: var(--muted);
      font-size: 15px;
    }
    section {
      border-top: 3px solid var(--leather);
      padding-top: 0.4rem;
      display: grid;
      gap: 0.5rem;
    }
    h2 {
      font-size: 1.15rem;
      margin: 0;
    }
    p {
      margin: 0;
    }
    .grades {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.4rem;
      font-variant-numeric: tabular-nums;
    }
    .due {
      color: var(--danger);
    }
    .doing {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem;
      align-items: end;
    }
    .whole {
      flex: 1 1 100%;
    }
    .doing ma-quantity + p-button {
      padding-bottom: 1.55rem;
    }
    .warning {
      border-left: 5px solid var(--danger);
      padding-left: 0.8rem;
    }
    .figure {
      font-size: 1.5rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      max-width: 34rem;
    }
    li {
      display: grid;
      grid-template-columns: 8rem 1fr auto;
      align-items: center;
      border-bottom: 1px solid var(--line);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneLifePanel {
  readonly stone = input.required<Stored<Abrasive> & { readonly sizeUm: number }>();
  readonly forget = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly care = inject(CareOfStones);
  private readonly bench = inject(BenchStore);
  private readonly notices = inject(Notices);
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  protected readonly shown = SHOWN_CARES;
  protected readonly day = formatDay;
  protected readonly doneWords = CARE_DONE;
  protected readonly hollowMm = signal<number | undefined>(undefined);
  protected readonly hollowRead = computed(
    () => Number.isFinite(this.hollowMm() ?? NaN) && (this.hollowMm() ?? -1) >= 0,
  );

  private readonly id = computed(() => this.stone().id);
  protected readonly life = toSignal(toObservable(this.id).pipe(switchMap((id) => this.bench.life(id))));
  protected readonly cares = computed(() => caresOf(this.stone()));
  protected readonly planned = computed(() => kindFacts(this.stone().kind).factor !== undefined);
  protected readonly word = computed(() => stateWord(this.stone(), this.life()?.care));
  protected readonly says = computed(() => {
    const care = this.life()?.care;
    return care ? careSentence(this.stone(), care, this.figures) : '';
  });
  protected readonly shownCares = computed(() => this.life()?.cares.slice(0, SHOWN_CARES) ?? []);
  protected readonly assumed = computed(() => assumedRate(this.stone(), this.stone().sizeUm));
  /** The stone end on, its hollow deepened so that it can be seen. */
  protected readonly drawn = computed(() => {
    const across = this.life()?.care.acrossUm;
    if (!across || Math.max(...across) < 1) return undefined;
    const deepest = Math.max(...across);
    const widthMm = this.stone().widthMm ?? USUAL_STONE_MM.widthMm;
    // The deepest place is drawn 22 units down, of 408 across.
    const times = ((22 / deepest) * 1000) / (408 / widthMm);
    const at = across.map(
      (um, i) =>
        `${(6 + (408 * i) / (across.length - 1)).toFixed(1)} ${(14 + (22 * um) / deepest).toFixed(1)}`,
    );
    return {
      stone: `M${at.join('L')}V48H6Z`,
      words: `End on, the hollow ${this.figures.number(Math.round(times / 10) * 10, 0)} times as deep as it is`,
    };
  });
  /** The grades nearest to its grain, all five systems side by side. */
  protected readonly grades = computed(() =>
    equalGrades(this.stone().sizeUm).map(({ standard, grade, sizeUm }) =>
      standard === 'UM'
        ? `${this.figures.number(sizeUm, 1)} µm`
        : `≈ ${GRADE_NAMES[standard]}${grade} (${this.figures.number(sizeUm, 1)} µm)`,
    ),
  );

  protected careWords({ kind, hollowUm, minutes, who }: Care): string {
    const more = [
      ...(hollowUm === undefined ? [] : [this.figures.sliver(hollowUm / 1000)]),
      ...(minutes === undefined ? [] : [this.figures.minutes(minutes)]),
      ...(who === undefined ? [] : [who]),
    ];
    return [CARE_DONE[kind], ...more].join(', ');
  }

  protected slowWords(): string {
    const renew: Partial<Record<CareKind, string>> = CARE_WORDS;
    const [kind] = this.cares();
    const what = kind === undefined ? '' : (renew[kind] ?? '');
    return `it wants seeing to. ${what}, and note it.`;
  }

  protected noteHollow(): void {
    this.care.done(this.stone(), 'straightedge', {
      hollowUm: Math.round((this.hollowMm() ?? 0) * 1e6) / 1000,
    });
    this.hollowMm.set(undefined);
  }

  protected takeBack(care: Stored<Care>): void {
    this.bench.takeBack(care).subscribe({
      next: () => this.notices.done('Taken back. Undo brings it back.'),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  private nameOf(toolId: string): string {
    return this.tools().find(({ id }) => id === toolId)?.name ?? 'a tool since removed';
  }

  protected readonly chart = computed((): ChartData<'scatter'> => {
    this.dark();
    const ink = inkNow();
    const { readings = [], rate } = this.life() ?? {};
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
          data: readings.map(({ at, ratio }) => ({ x: Date.parse(at), y: ratio })),
          backgroundColor: ink.water,
          borderColor: ink.water,
          pointRadius: 5,
        },
        level(rate?.factor ?? 1, [], ink.accent, 'Estimate'),
        level(rate?.low ?? 1, [6, 4], ink.accent, 'Four times in five within'),
        { ...level(rate?.high ?? 1, [6, 4], ink.accent, ''), label: '' },
        level(1, [2, 4], ink.muted, 'As assumed'),
      ],
    };
  });

  protected readonly chartWords = computed(() => {
    const readings = this.life()?.readings ?? [];
    const list = readings
      .slice(-5)
      .map(
        ({ at, ratio, by, toolId }) =>
          `${formatDay(at)} ${this.figures.number(ratio, 2)} times on ${this.nameOf(toolId)}, ${BY_WORDS[by]}`,
      );
    return `${readings.length} readings of the rate over time. The latest: ${list.join('; ')}.`;
  });

  protected readonly options = computed((): ChartOptions<'scatter'> => {
    this.dark();
    const ink = inkNow();
    const readings = this.life()?.readings ?? [];
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
                ? `${this.figures.number(reading.ratio, 2)} ×, ${this.nameOf(reading.toolId)}, ${BY_WORDS[reading.by]}`
                : '';
            },
          },
        },
      },
      scales: {
        x: { type: 'time', ticks: { color: ink.ink }, grid: { color: ink.line } },
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

  protected reason(): Reason {
    const { rate, readings = [] } = this.life() ?? {};
    const by = (kind: RateReading['by']): number => readings.filter((reading) => reading.by === kind).length;
    const counts = (Object.keys(BY_WORDS) as RateReading['by'][]).flatMap((kind) =>
      by(kind) > 0 ? [`${by(kind)} by ${BY_WORDS[kind]}`] : [],
    );
    return {
      formula:
        'ln K is normal: the estimate with sd 0.5, each reading with sd 0.3, from eight readings on with the spread they show themselves.',
      inputs: [
        `assumed ${this.figures.number(this.assumed(), 5)} mm³ per N·m for ${this.figures.number(this.stone().sizeUm, 1)} µm`,
        ...counts,
        ...(rate ? [`sd of ln K now ${this.figures.number(rate.sd, 2)}`] : []),
      ],
      source: 'Two normal laws weighed against each other, in docs/formulas.md.',
      sure: 'The range holds the truth in about four of five simulated shops.',
    };
  }
}
