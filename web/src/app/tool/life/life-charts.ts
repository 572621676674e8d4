import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import 'chartjs-adapter-date-fns';
import { UIChart } from 'primeng/chart';
import { formatDay } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { amount, measureOf } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import type { Entry, Life } from '../../data/records.store';
import { inkNow, type Ink } from '../../ui/chart-ink';
import { Figures } from '../../ui/figures';
import { ThemeService } from '../../ui/theme/theme.service';
import { MEASURE_WORDS } from '../../words/entry-words';
import {
  barOptions,
  goneAndMarks,
  goneOptions,
  landAndAngle,
  landOptions,
  strokesByStone,
  timeLine,
  timeLineOptions,
  useBetweenHonings,
} from './life-series';

const MONTH_MS = 30 * 86_400_000;

/** The life of a tool drawn: when what was done, land and angle, how long edges lasted, strokes by stone. */
@Component({
  selector: 'ma-life-charts',
  imports: [UIChart],
  templateUrl: './life-charts.html',
  styles: `
    :host {
      display: grid;
      gap: 1.1rem;
    }
    figure {
      margin: 0;
      min-width: 0;
    }
    figcaption {
      font-weight: 700;
    }
    p {
      margin: 0.2rem 0 0;
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LifeCharts {
  readonly tool = input.required<Tool>();
  readonly life = input.required<Life>();

  private readonly figures = inject(Figures);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  private readonly still = matchMedia('(prefers-reduced-motion: reduce)').matches;

  private readonly ink = computed((): Ink => {
    this.dark();
    return inkNow();
  });

  private readonly entries = computed(() => this.life().entries);
  protected readonly honings = computed(() =>
    this.entries().filter(({ session }) => session.kind === 'honing'),
  );
  /** The stretch of time all charts over time share. */
  private readonly span = computed((): [number, number] => {
    const times = this.entries().map(({ session }) => Date.parse(session.startedAt));
    const [from, to] = [Math.min(...times), Math.max(...times)];
    const margin = Math.max((to - from) * 0.01, to === from ? MONTH_MS : 0);
    return [from - margin, to + margin];
  });

  private readonly drawn = computed(() => ({
    ink: this.ink(),
    figures: this.figures,
    span: this.span(),
    still: this.still,
  }));

  protected readonly line = computed(() => timeLine(this.entries(), this.ink()));
  protected readonly lineOptions = computed(() => timeLineOptions(this.ink(), this.span(), this.still));
  protected readonly lineWords = computed(
    () =>
      `Time line of ${this.entries().length} entries, ${this.honings().length} honings; all are in the list below.`,
  );

  protected readonly landed = computed(() => this.life().record.state.landMm !== undefined);
  protected readonly setOrLanded = computed(
    () => this.landed() || this.honings().some(({ session }) => session.setting),
  );
  protected readonly land = computed(() => landAndAngle(this.entries(), this.ink()));
  protected readonly landing = computed(() => {
    const options = landOptions(this.drawn());
    if (!this.landed()) delete options.scales?.['land'];
    return options;
  });
  protected readonly landWords = computed(() => {
    const { landMm } = this.life().record.state;
    const angles = this.honings().flatMap(({ session }) =>
      session.setting ? [session.setting.angleDeg, session.setting.rightDeg ?? []].flat() : [],
    );
    const angle =
      angles.length > 0
        ? `angle set between ${this.figures.angle(Math.min(...angles))} and ${this.figures.angle(Math.max(...angles))}`
        : 'no angle put down';
    return `${landMm === undefined ? '' : `Land now ${this.figures.length(landMm)}; `}${angle}.`;
  });

  protected readonly gone = computed(() => goneAndMarks(this.entries(), this.ink()));
  protected readonly going = computed(() => goneOptions(this.drawn()));
  protected readonly goneWords = computed(() => {
    const { backMm, steelMm3 } = this.life().record.state;
    return `Gone back ${this.figures.length(backMm)} in all, ${this.figures.number(steelMm3, 1)} mm³ of steel.`;
  });

  private readonly measure = computed(() => measureOf(this.tool(), this.entries()));
  protected readonly lives = computed(() => useBetweenHonings(this.entries(), this.measure(), this.ink()));
  protected readonly lifeOptions = computed(() =>
    barOptions(
      this.ink(),
      MEASURE_WORDS[this.measure()],
      this.lives().data.datasets[0]?.data.map((_, i) => `Edge ${i + 1}`) ?? [],
      this.still,
      (value) => amount(value, this.measure(), this.figures.hand()),
    ),
  );
  protected readonly lifeWords = computed(() => {
    const { life } = this.life().record;
    const { dull, cutting } = this.lives();
    const usual = life ? ` Usually ${amount(life.amount, life.measure, this.figures.hand())}.` : '';
    return `${dull} edges used until they no longer cut, ${cutting} honed before.${usual}`;
  });

  protected readonly strokes = computed(() => strokesByStone(this.entries(), this.stones(), this.ink()));
  protected readonly strokeOptions = computed(() =>
    barOptions(this.ink(), 'Strokes', this.honings().map(dayOf), this.still, (value) => String(value)),
  );
  protected readonly strokeWords = computed(() => {
    const total = (entry: Entry | undefined): number =>
      entry?.session.steps?.reduce((sum, { strokes }) => sum + strokes, 0) ?? 0;
    const honings = this.honings();
    return `Strokes of ${honings.length} honings: ${total(honings[0])} in the first, ${total(honings.at(-1))} in the last.`;
  });
}

const dayOf = ({ session }: Entry): string => formatDay(session.startedAt);
