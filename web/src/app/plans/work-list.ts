import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import {
  isWheel,
  orderOfWork,
  type Abrasive,
  type BenchRecord,
  type CareKind,
  type HoningPlan,
  type RunGrinding,
  type StropStep,
  type Tool,
  type WorkLine,
} from '@mellow-anvil/core';
import { CARE_WORDS } from '../abrasives/care-words';
import { StoneGlyph } from '../abrasives/stone-glyph';
import { GrindingStepCard } from '../grinding/grinding-step';
import { Figures } from '../shared/figures';

type Stone = Abrasive & { readonly id: string; readonly sizeUm: number };

interface Line {
  readonly key: string;
  readonly what: WorkLine['what'];
  readonly stone?: Stone;
  readonly lead: string;
  readonly strokes?: number;
  /** Strokes in four of five cases. */
  readonly range?: string;
  readonly minutes?: number;
  readonly why: string;
  readonly care?: { readonly id: string; readonly kind: CareKind };
}

/** The plan as it is worked, line by line. */
@Component({
  selector: 'ma-work-list',
  imports: [Button, GrindingStepCard, StoneGlyph],
  template: `
    <ol>
      @for (line of lines(); track line.key) {
        @if (line.what === 'grind') {
          @if (ground(); as g) {
            <li>
              <ma-grinding-step
                [tool]="tool()"
                [edge]="g.edge"
                [grinding]="g.grinding"
                [wheel]="g.wheel"
                (planned)="wheelPlanned.emit($event)"
              />
            </li>
          }
        } @else if (line.strokes !== undefined) {
          <li class="step" [class.hone]="line.what === 'hone'">
            <span class="glyph">
              @if (line.stone; as stone) {
                <ma-stone-glyph [kind]="stone.kind" [lubricant]="stone.lubricant" />
              }
            </span>
            <span class="name">
              {{ line.stone?.name }}
              <small>{{ line.lead }}</small>
            </span>
            <span class="strokes figure">
              {{ line.strokes }}
              <small>strokes</small>
              @if (line.range) {
                <small class="range">{{ line.range }}</small>
              }
            </span>
            <span class="minutes figure">{{ figures.minutes(line.minutes ?? 0) }}</span>
            <span class="why">{{ line.why }}</span>
          </li>
        } @else {
          <li class="between" [class.care]="line.care">
            <b>{{ line.lead }}</b>
            <span>{{ line.why }}</span>
            @if (line.care; as care) {
              <p-button
                label="It is done"
                [ariaLabel]="'It is done: ' + line.lead"
                size="small"
                severity="secondary"
                [outlined]="true"
                (onClick)="cared.emit(care)"
              />
            }
          </li>
        }
      }
    </ol>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    .step {
      display: grid;
      grid-template-columns: 56px minmax(7rem, 1.2fr) 8.5rem 5rem minmax(0, 2fr);
      gap: 0.4rem 0.9rem;
      align-items: center;
      padding: 0.35rem 0;
      border-bottom: 1px solid var(--line);
    }
    .between {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.8rem;
      padding: 0.25rem 0 0.25rem 0.9rem;
      border-bottom: 1px solid var(--line);
      border-left: 5px solid var(--line);
      min-height: 34px;
    }
    .between span {
      color: var(--muted);
    }
    .care {
      border-left-color: var(--accent);
      background: var(--accent-wash);
      padding-right: 0.5rem;
    }
    .care span {
      flex: 1 1 12rem;
      color: var(--ink);
    }
    .name {
      font-weight: 700;
      display: grid;
    }
    small {
      font-weight: 400;
      color: var(--muted);
    }
    .strokes {
      font-size: 1.3rem;
      line-height: 1.1;
    }
    .hone .strokes {
      font-size: 1.9rem;
    }
    .strokes small {
      font-size: 1rem;
    }
    .strokes .range {
      display: block;
      font-size: 0.95rem;
      white-space: nowrap;
    }
    .minutes {
      font-size: 1.1rem;
    }
    .why {
      font-size: 0.95rem;
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
export class WorkList {
  readonly plan = input.required<HoningPlan>();
  readonly tool = input.required<Tool>();
  readonly stones = input.required<readonly Stone[]>();
  readonly record = input<BenchRecord>({});
  /** Where the guide is set, by which stop. */
  readonly setLine = input('');
  readonly wheelPlanned = output<RunGrinding>();
  readonly cared = output<{ readonly id: string; readonly kind: CareKind }>();

  protected readonly figures = inject(Figures);
  private readonly byId = computed(() => new Map(this.stones().map((stone) => [stone.id, stone])));

  protected readonly ground = computed(() => {
    const { edge } = this.tool();
    const { grinding } = this.plan();
    const wheel = grinding && this.byId().get(grinding.wheelId);
    return wheel && isWheel(wheel) && edge.form === 'single-bevel' ? { edge, grinding, wheel } : undefined;
  });

  protected readonly lines = computed((): readonly Line[] =>
    orderOfWork(this.plan(), (id) => this.byId().get(id)?.lubricant).flatMap((line, i) => {
      const said = this.said(line);
      return said ? [{ key: `${i} ${line.what}`, what: line.what, ...said }] : [];
    }),
  );

  private said(line: WorkLine): Omit<Line, 'key' | 'what'> | undefined {
    const stoneOf = (id: string): Stone | undefined => this.byId().get(id);
    switch (line.what) {
      case 'care': {
        const { id, kind, minutes } = line.care;
        const name = stoneOf(id)?.name ?? '';
        return {
          lead: `First, ${name}: ${CARE_WORDS[kind].toLowerCase()}`,
          why: this.figures.minutes(minutes),
          care: { id, kind },
        };
      }
      case 'grind':
        return { lead: '', why: '' };
      case 'set':
        return this.setLine() ? { lead: this.setLine(), why: '' } : undefined;
      case 'back':
        return {
          stone: stoneOf(line.step.id),
          lead: 'the back, flat on the stone',
          ...this.likely(line.step),
          strokes: line.step.strokes,
          minutes: line.step.minutes,
          why: this.backWhy(line.step.id),
        };
      case 'shape': {
        const { edge } = this.tool();
        const deg = edge.form === 'single-bevel' ? edge.primaryDeg : 0;
        return {
          stone: stoneOf(line.step.id),
          lead: `the primary, at ${this.figures.angle(deg)}`,
          ...this.likely(line.step),
          strokes: line.step.strokes,
          minutes: line.step.minutes,
          why: 'The guide set to the primary: on until only a narrow strip of the old bevel is left at the edge.',
        };
      }
      case 'hone': {
        const { id, strokes, minutes, forceN, places } = line.step;
        const stone = stoneOf(id);
        const push = forceN === undefined ? '' : `, push ${this.figures.number(forceN, 0)} N`;
        return {
          stone,
          ...this.likely(line.step),
          lead: `${this.eachKnife(strokes)}${this.facet()}${this.figures.number(stone?.sizeUm ?? 0, 1)} µm${push}${places ? `, by place ${places.join(' · ')}` : ''}`,
          strokes,
          minutes: minutes - (this.plan().care?.find((care) => care.id === id)?.minutes ?? 0),
          why: [this.plan().verdicts.find((verdict) => verdict.id === id)?.why ?? '', this.learned(id)]
            .join(' ')
            .trim(),
        };
      }
      case 'curve':
        return {
          lead: `Grind the curve to its template first: ${this.figures.length(this.plan().curveToGrind?.wantedMm ?? 0)} at the corners`,
          why: 'too deep to hone; the template is printed under Camber, Make.',
        };
      case 'camber': {
        const { id, places, strokes, minutes, comesToMm, before } = line.step;
        return {
          stone: stoneOf(id),
          lead: `the curve, by place: ${places.join(' · ')}`,
          strokes,
          minutes,
          why: `Press at each place in turn, left to right. It comes to about ${this.figures.sliver(comesToMm)} of light at the corners.${before ? ' On the coarser stone, ahead of the others: it is more than they should take.' : ''}`,
        };
      }
      case 'burr':
        return {
          lead: 'Feel for the burr',
          why: 'along the whole edge, on the back; go on until it stands.',
        };
      case 'wash':
        return {
          lead: line.oil ? 'Wipe off all the oil, wash with soap' : 'Wash',
          why: 'stone, guide wheel, blade and hands: one coarse grain ruins the finer stone.',
        };
      case 'burr-off':
        return {
          stone: stoneOf(line.step.id),
          lead: 'the back flat, the burr off',
          strokes: line.step.strokes,
          minutes: line.step.minutes,
          why: 'Back and bevel in turn, lighter each time, until it breaks off. The back never on a coarse stone now.',
        };
      case 'strop':
        return {
          stone: stoneOf(line.step.id),
          lead: `edge trailing, both sides${this.pushes(line.step)}${this.lower(line.step.lowerDeg)}`,
          strokes: line.step.strokes,
          minutes: line.step.minutes,
          why: this.stropWhy(line.step),
        };
      case 'wipe':
        return { lead: 'Wipe, oil, wrap', why: 'away from the edge, never along it.' };
    }
  }

  /** Strokes in four of five cases, as they are told. */
  private likely({ low, high }: { readonly low?: number; readonly high?: number }): Pick<Line, 'range'> {
    return low === undefined || high === undefined ? {} : { range: `${String(low)}–${String(high)}` };
  }

  /** What of a new back is polished, and, told once, what that spares. */
  private backWhy(id: string): string {
    const { edge } = this.tool();
    const { back = [], wholeBackMin } = this.plan();
    const part =
      edge.form === 'single-bevel' && edge.back === 'shim'
        ? 'A blade new to the bench: over the shim, polished at the very edge.'
        : 'A blade new to the bench: polish the first millimetres of its back, corner to corner.';
    return wholeBackMin === undefined || back[0]?.id !== id
      ? part
      : `${part} The whole back would take ${this.figures.minutes(wholeBackMin)}.`;
  }

  /** Of a set of machine knives every one gets the same. */
  private eachKnife(strokes: number): string {
    const { edge } = this.tool();
    if (edge.form !== 'knife-set' || edge.count < 2) return '';
    return `${String(Math.ceil(strokes / edge.count))} on each of ${String(edge.count)} knives · `;
  }

  /** A blade of several facets is honed on the one at its edge: which that is. */
  private facet(): string {
    const { edge } = this.tool();
    return edge.form === 'single-bevel' && edge.microDeg !== undefined
      ? `the micro-bevel, ${this.figures.angle(edge.microDeg)} · `
      : '';
  }

  /** Leather gives, and would round a tip laid at its bevel. */
  private lower(deg: number | undefined): string {
    return deg === undefined ? '' : `, laid about ${this.figures.angle(Math.round(deg))} lower: it gives`;
  }

  /** What the readings say of a stone’s rate. */
  private learned(id: string): string {
    const record = this.record()[id];
    if (!record || record.rate.readings === 0) return '';
    const { factor, readings } = record.rate;
    const slowed =
      record.slowedTo === undefined
        ? ''
        : ` It has slowed to ${this.figures.number(record.slowedTo * 100, 0)} % of what it did: flatten, dress or clean it.`;
    return `Yours cuts ${this.figures.number(factor, 1)} times as fast as assumed, from ${readings} reading${readings === 1 ? '' : 's'}.${slowed}`;
  }

  private pushes({ firstN, lastN }: StropStep): string {
    if (firstN === undefined || lastN === undefined) return '';
    return firstN === lastN
      ? `, push ${this.figures.number(firstN, 0)} N`
      : `, push ${this.figures.number(firstN, 0)} N at first, ${this.figures.number(lastN, 0)} N at the end`;
  }

  /** What this strop is for after that stone. */
  private stropWhy({ purpose }: StropStep): string {
    const last = this.byId().get(this.plan().steps.at(-1)?.id ?? '');
    switch (purpose) {
      case 'polishes':
        return 'Polishes what the last stone left, and takes its burr.';
      case 'tops':
        return `From ${this.figures.number(last?.sizeUm ?? 0, 0)} µm it only polishes the tops of the grooves: a finer stone between would do more.`;
      default:
        return 'Only lays the tip straight: heavier to lighter, never lifted at the end.';
    }
  }
}
