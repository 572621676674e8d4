import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  amount,
  amountAt,
  type EdgeLife,
  lastPast,
  nextSpell,
  type ToolRecord,
} from '@mellow-anvil/core/record';
import { Figures } from '../ui/figures';

const VIEW = { width: 640, height: 240 } as const;
const PLOT = { left: 56, right: 620, top: 16, bottom: 186 } as const;
/** The middle of what stands under the drawing lies between these, so that it is whole in large letters too. */
const NOW_WORDS = { left: 226, right: 414 } as const;
const POINTS = 60;
/** The drawing ends where one edge in fifty still cuts, or a little past what is used. */
const LAST_SHARE = 0.02;

/** A step of the share of edges that still cut. */
interface Step {
  readonly minutes: number;
  readonly share: number;
}

/**
 * How many of a tool’s edges still cut after how much use: the law with its doubt as a band, what was really seen as
 * steps, where the edge in use stands, and where honing is due.
 */
@Component({
  selector: 'ma-survival-drawing',
  template: `
    @if (scene(); as s) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="s.told">
        <path class="grid" [attr.d]="s.grid" />
        @for (mark of s.shares; track mark.words) {
          <text class="quiet" x="50" [attr.y]="mark.y + 5" text-anchor="end">{{ mark.words }}</text>
        }
        <path class="band" [attr.d]="s.band" />
        @if (s.steps) {
          <path class="steps" [attr.d]="s.steps" />
        }
        <path class="law" [attr.d]="s.law" />
        @for (mark of s.ticks; track $index) {
          <text
            class="quiet"
            [class.between]="mark.between"
            [attr.x]="mark.x"
            y="204"
            [attr.text-anchor]="mark.anchor"
          >
            {{ mark.words }}
          </text>
        }
        @if (s.due; as due) {
          <path class="due" [attr.d]="'M' + due.x + ' 16V186'" />
          <text class="due-words" [attr.x]="due.x + 6" y="30">{{ due.words }}</text>
        }
        @if (s.spell; as spell) {
          <path class="spell" [attr.d]="spell.path" />
          <circle class="now" [attr.cx]="spell.x" [attr.cy]="spell.y" r="7" />
          <text class="now-words" [attr.x]="spell.under" y="231" text-anchor="middle">{{ spell.words }}</text>
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .grid {
      stroke: var(--line);
      fill: none;
    }
    .band {
      fill: var(--steel);
      fill-opacity: 0.75;
    }
    .law {
      stroke: var(--leather);
      stroke-width: 3;
      fill: none;
    }
    .steps {
      stroke: var(--ink);
      stroke-width: 1.2;
      stroke-dasharray: 3 2;
      fill: none;
    }
    .due {
      stroke: var(--danger);
      stroke-width: 2;
      stroke-dasharray: 6 4;
    }
    .spell {
      stroke: var(--accent);
      stroke-width: 5;
      fill: none;
    }
    .now {
      fill: var(--accent);
      stroke: var(--raised);
      stroke-width: 2;
    }
    text {
      fill: var(--ink);
      font-size: 15px;
    }
    .due-words {
      paint-order: stroke;
      stroke: var(--surface);
      stroke-width: 5;
    }
    .now-words {
      font-weight: 700;
    }
    .quiet {
      fill: var(--muted);
      font-size: 13px;
    }
    /* Drawn small, it is written large. */
    @media (max-width: 40rem) {
      text,
      .quiet {
        font-size: 23px;
      }
      .between {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SurvivalDrawing {
  readonly life = input.required<EdgeLife>();
  /** The record the edge in use is read from; without it only the law is drawn. */
  readonly record = input<ToolRecord>();
  /** What was seen, as shares of edges still cutting. */
  readonly seen = input<readonly Step[]>([]);

  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly scene = computed(() => {
    const life = this.life();
    const record = this.record();
    const next = record && nextSpell({ ...record, life });
    const used = next ? next.used + next.spell : 0;
    const most = Math.max(amountAt(life, LAST_SHARE), 1.1 * used);
    const x = (of: number): number => PLOT.left + ((PLOT.right - PLOT.left) * Math.min(of, most)) / most;
    const y = (share: number): number => PLOT.bottom - (PLOT.bottom - PLOT.top) * share;
    const at = (of: number, share: number): string => `${x(of).toFixed(1)} ${y(share).toFixed(1)}`;
    const along = Array.from({ length: POINTS + 1 }, (_, i) => (most * i) / POINTS);
    const words = (of: number): string => amount(of, life.measure, this.figures.hand());
    // The law as it would be were the usual life at either end of its range.
    const scaled = (by: number) => ({
      shape: life.shape,
      scale: (life.scale * by) / life.amount,
      worth: 1e6,
    });
    const [low, high] = [scaled(life.low), scaled(life.high)];
    const curve = (law: Parameters<typeof lastPast>[0]): readonly string[] =>
      along.map((of) => at(of, lastPast(law, of)));
    const quarters = [0, 0.5, 1];
    const ticks = [0.25, 0.5, 0.75, 1].map((share) => share * most);
    const usual = `${words(life.amount)} (${words(life.low)} to ${words(life.high)})`;
    return {
      grid: quarters.map((share) => `M${PLOT.left} ${y(share)}H${PLOT.right}`).join(''),
      shares: quarters.map((share) => ({
        y: y(share),
        words: share === 1 ? 'all' : share === 0 ? 'none' : 'half',
      })),
      ticks: ticks.map((of, i) => ({
        x: x(of),
        words: words(Math.round(of)),
        anchor: i === ticks.length - 1 ? 'end' : 'middle',
        between: i % 2 === 0,
      })),
      band: `M${curve(high).join('L')}L${curve(low).toReversed().join('L')}Z`,
      law: `M${curve(life).join('L')}`,
      steps: stepsPath(this.seen(), most, at),
      ...(next?.dueAt !== undefined &&
        next.dueAt < most && {
          due: { x: x(next.dueAt), words: `hone by ${words(Math.round(next.dueAt))}` },
        }),
      ...(next && {
        spell: {
          x: x(next.used),
          y: y(lastPast(life, next.used)),
          path: `M${along
            .map((_, i) => next.used + (next.spell * i) / POINTS)
            .map((of) => at(of, lastPast(life, of)))
            .join('L')}`,
          words: `now ${words(next.used)}, the next spell ${words(next.spell)}`,
          under: Math.min(NOW_WORDS.right, Math.max(NOW_WORDS.left, x(next.used))),
        },
      }),
      told: `How many edges still cut after how much use: half of them after ${usual}.`,
    };
  });
}

/** Steps down at each end that was seen; past the last one nothing was. */
function stepsPath(
  seen: readonly Step[],
  most: number,
  at: (of: number, share: number) => string,
): string | undefined {
  if (seen.length === 0) return undefined;
  let share = 1;
  const lines = seen
    .filter(({ minutes }) => minutes <= most)
    .map((step) => {
      const down = `L${at(step.minutes, share)}L${at(step.minutes, step.share)}`;
      share = step.share;
      return down;
    });
  return `M${at(0, 1)}${lines.join('')}`;
}
