import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ChartData, ChartOptions } from 'chart.js';
import { UIChart } from 'primeng/chart';
import { Subject, catchError, debounceTime, map, of, startWith, switchMap } from 'rxjs';
import {
  type AbrasiveKind,
  kindFacts,
  type OwnedAbrasive,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { bestOf, BUYABLE_KINDS, type PlanRequest, type StoneSweep } from '@mellow-anvil/core/plan';
import { inkNow } from '../../ui/chart-ink';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { HeavyWork, stoppedBy } from '../../platform/heavy-work';
import { Working } from '../../ui/working';
import { ThemeService } from '../../ui/theme/theme.service';

const SIZES = 200;

interface Found {
  readonly sweep?: StoneSweep;
  /** How far it is. */
  readonly share?: number;
  readonly refusal?: string;
}

/** What one more stone would save this job, for every size: drawn, and said in a sentence. */
@Component({
  selector: 'ma-sweep',
  imports: [ChoiceField, UIChart, Working],
  template: `
    <div class="asked">
      <ma-choice
        label="A stone of this kind"
        [options]="kinds"
        [value]="kind()"
        (valueChange)="kind.set($event)"
      />
      <div class="told" role="status">
        @if (found().share; as share) {
          <ma-working what="Trying every size" [share]="share" (stop)="stopped.next()" />
        } @else {
          <p>{{ words() }}</p>
        }
      </div>
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
export class SweepPanel {
  /** The tool as it stands. */
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});
  /** How often a year this tool is honed, where its record tells. */
  readonly perYear = input<number | undefined>();

  protected readonly figures = inject(Figures);
  private readonly heavy = inject(HeavyWork);
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  protected readonly kinds = BUYABLE_KINDS;
  protected readonly kind = signal<AbrasiveKind>('water-stone');

  private readonly wanted = computed(() => ({
    tool: this.tool(),
    bench: this.stones(),
    request: this.request(),
    record: this.record(),
    kind: this.kind(),
    sizes: SIZES,
  }));
  protected readonly stopped = new Subject<void>();
  protected readonly found = toSignal(
    toObservable(this.wanted).pipe(
      debounceTime(150),
      switchMap((wanted) =>
        this.heavy.run('stoneSweep', wanted).pipe(
          map((news): Found => ('value' in news ? { sweep: news.value } : news)),
          catchError((reason: unknown) => of<Found>({ refusal: (reason as Error).message })),
          startWith<Found>({ share: Number.EPSILON }),
          stoppedBy(this.stopped, { refusal: 'Stopped. Choose a kind to try its sizes.' } as Found),
        ),
      ),
    ),
    { initialValue: {} as Found },
  );

  protected readonly words = computed(() => {
    const { sweep, refusal } = this.found();
    if (refusal) return refusal;
    if (!sweep) return 'Trying every size …';
    const best = bestOf(sweep);
    const kind = kindFacts(this.kind()).label.toLowerCase();
    if (!best) {
      return `No ${kind} of any size would save this job a second: what you have does it as quickly.`;
    }
    const year = this.perYear();
    const yearly = year
      ? ` Honed about ${this.figures.number(year, 0)} times a year, that is ${this.figures.minutes(best.savedMin * year)}.`
      : '';
    return `A ${kind} of about ${this.figures.number(best.sizeUm, best.sizeUm < 3 ? 1 : 0)} µm would save this job ${this.figures.minutes(best.savedMin)} of ${this.figures.minutes(sweep.totalMin)} on the stones.${yearly} By the estimates: it has to pay for itself.`;
  });

  protected readonly data = computed((): ChartData<'line'> | undefined => {
    const { sweep } = this.found();
    this.dark();
    const ink = inkNow();
    return (
      sweep && {
        datasets: [
          {
            data: sweep.swept.map(({ sizeUm, savedMin }) => ({ x: sizeUm, y: savedMin })),
            borderColor: ink.accent,
            backgroundColor: `color-mix(in srgb, ${ink.accent} 18%, transparent)`,
            fill: 'origin',
            pointRadius: 0,
            borderWidth: 3,
          },
        ],
      }
    );
  });

  protected readonly options = computed((): ChartOptions<'line'> => {
    this.dark();
    const ink = inkNow();
    const axis = { ticks: { color: ink.ink }, grid: { color: ink.line } };
    return {
      animation: false,
      maintainAspectRatio: false,
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
      scales: {
        x: {
          type: 'logarithmic',
          reverse: true,
          min: 0.5,
          max: 120,
          title: { display: true, text: 'Grain of one more stone, µm: coarse to fine', color: ink.ink },
          ...axis,
          ticks: {
            color: ink.ink,
            autoSkip: false,
            callback: (value) =>
              [100, 50, 20, 10, 5, 2, 1, 0.5].includes(Number(value)) ? String(value) : '',
          },
        },
        y: {
          min: 0,
          suggestedMax: 1,
          title: { display: true, text: 'Minutes saved', color: ink.ink },
          ...axis,
        },
      },
    };
  });
}
