import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import 'chartjs-adapter-date-fns';
import type { ChartData, ChartOptions } from 'chart.js';
import { UIChart } from 'primeng/chart';
import { distinctUntilChanged, map, switchMap } from 'rxjs';
import { formatDay } from '@mellow-anvil/core/base';
import { cornerBackMm } from '@mellow-anvil/core/camber';
import { camberWords } from '../../words/entry-words';
import { RecordsStore } from '../../data/records.store';
import { inkNow } from '../../ui/chart-ink';
import { Figures } from '../../ui/figures';
import { ThemeService } from '../../ui/theme/theme.service';
import type { Iron } from './camber-draft';

interface Dot {
  readonly x: number;
  readonly y: number;
}

/** The curve over the tool's life: what it was reckoned to be, and each reading of it. */
@Component({
  selector: 'ma-camber-track',
  imports: [UIChart],
  template: `
    @if (reads().length) {
      <p>{{ words() }}</p>
      <p-chart type="line" height="300px" [data]="data()" [options]="options()" [ariaLabel]="words()" />
      <h3>Every reading</h3>
      <ol>
        @for (read of reads(); track read.id) {
          <li>
            <b>{{ read.day }}</b>
            {{ read.says }}
          </li>
        }
      </ol>
    } @else if (life()) {
      <p class="muted">
        No reading of this edge yet: take one under Read, after a honing by place or before the next.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
      columns: 2 20rem;
    }
    li {
      padding: 0.15rem 0;
      break-inside: avoid;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrackPanel {
  readonly iron = input.required<Iron & { readonly id: string }>();
  private readonly records = inject(RecordsStore);
  private readonly figures = inject(Figures);
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  private readonly still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  protected readonly life = toSignal(
    toObservable(this.iron).pipe(
      map(({ id }) => id),
      distinctUntilChanged(),
      switchMap((id) => this.records.life(id)),
    ),
  );
  private readonly wantedMm = computed(() => cornerBackMm(this.iron().edge.front, this.iron().edge.widthMm));
  private readonly curved = computed(() =>
    (this.life()?.entries ?? []).filter(({ camberMm }) => camberMm !== undefined),
  );
  protected readonly reads = computed(() =>
    this.curved()
      .flatMap(({ session }) =>
        session.camber
          ? [
              {
                id: session.id,
                day: formatDay(session.startedAt),
                says: camberWords(session.camber, this.figures),
              },
            ]
          : [],
      )
      .reverse(),
  );
  protected readonly words = computed(() => {
    const [first, last] = [this.curved()[0], this.curved().at(-1)];
    const count = this.reads().length;
    return `${count} ${count === 1 ? 'reading' : 'readings'}; ${this.figures.sliver(first?.camberMm ?? 0)} at first, ${this.figures.sliver(last?.camberMm ?? 0)} now, ${this.figures.sliver(this.wantedMm())} wanted.`;
  });
  private readonly um = (mm: number): number =>
    this.figures.units() === 'mm' ? mm * 1000 : (mm / 25.4) * 1000;
  protected readonly data = computed((): ChartData<'line', Dot[]> => {
    this.dark();
    const ink = inkNow();
    const entries = this.curved();
    const at = (entry: (typeof entries)[number]): number => Date.parse(entry.session.startedAt);
    const reckoned = entries.map((entry) => ({ x: at(entry), y: this.um(entry.camberMm ?? 0) }));
    const read = entries.flatMap((entry) =>
      entry.session.camber && !entry.session.camber.atMost
        ? [{ x: at(entry), y: this.um(entry.session.camber.camberMm) }]
        : [],
    );
    const [from, to] = [reckoned[0]?.x ?? 0, reckoned.at(-1)?.x ?? 0];
    const wanted = this.um(this.wantedMm());
    return {
      datasets: [
        {
          label: 'As reckoned',
          data: reckoned,
          borderColor: ink.leather,
          backgroundColor: ink.leather,
          borderWidth: 2.5,
          pointRadius: 0,
          stepped: 'before',
        },
        {
          label: 'As read',
          data: read,
          showLine: false,
          borderColor: ink.accent,
          backgroundColor: ink.accent,
          pointRadius: 5,
          pointStyle: 'rectRot',
        },
        {
          label: 'Wanted',
          data: [
            { x: from, y: wanted },
            { x: to, y: wanted },
          ],
          borderColor: ink.water,
          backgroundColor: ink.water,
          borderDash: [6, 5],
          borderWidth: 2,
          pointRadius: 0,
        },
      ],
    };
  });
  protected readonly options = computed((): ChartOptions<'line'> => {
    this.dark();
    const ink = inkNow();
    return {
      responsive: true,
      maintainAspectRatio: false,
      animation: this.still ? false : { duration: 250 },
      plugins: {
        legend: {
          position: 'top',
          align: 'start',
          labels: { color: ink.ink, usePointStyle: true, boxHeight: 8, font: { size: 14 } },
        },
      },
      scales: {
        x: {
          type: 'time',
          time: {
            minUnit: 'day',
            tooltipFormat: 'd MMM yyyy',
            displayFormats: { month: 'MMM yy', day: 'd MMM' },
          },
          ticks: { color: ink.muted, maxRotation: 0, autoSkipPadding: 24, font: { size: 13 } },
          grid: { color: ink.line },
        },
        y: {
          beginAtZero: true,
          title: {
            display: true,
            text: `Light at the corners, ${this.figures.units() === 'mm' ? 'µm' : 'thou'}`,
            color: ink.ink,
          },
          ticks: { color: ink.muted, font: { size: 13 } },
          grid: { color: ink.line },
        },
      },
    };
  });
}
