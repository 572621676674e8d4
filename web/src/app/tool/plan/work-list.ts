import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { CareKind, SizedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import type { SessionSetting } from '@mellow-anvil/core/guide';
import {
  type BackHollow,
  type HoningPlan,
  type PlanPart,
  type PlanStep,
  type Station,
  strokesOfEach,
  type StropStep,
  visitsOf,
  type WorkOrder,
} from '@mellow-anvil/core/plan';
import type { Facet } from '@mellow-anvil/core/work';
import { CARE_WORDS } from '../../words/care-words';
import type { AtWheel } from '../../data/wheel-passes';
import { StoneGlyph } from '../../drawings/stone-glyph';
import { GrindingStepCard } from './grinding-step';
import { alongWords, liftWords, sideNamesOf, stationName } from '../../words/station-words';
import { Figures } from '../../ui/figures';

/** Strokes of the plan on one abrasive. */
interface StepRow {
  readonly row: 'step';
  readonly what: PlanPart['what'];
  readonly stone?: SizedAbrasive | undefined;
  readonly lead: string;
  readonly strokes: number;
  /** Strokes in four of five cases. */
  readonly range: string;
  readonly minutes: number;
  readonly why: string;
}
interface CareRow {
  readonly row: 'care';
  readonly lead: string;
  readonly why: string;
  readonly care: { readonly id: string; readonly kind: CareKind };
}
/** What is done and asked between strokes, in its order. */
interface BetweenRow {
  readonly row: 'between';
  readonly items: readonly { readonly lead: string; readonly why: string }[];
}
type Row = StepRow | CareRow | BetweenRow | { readonly row: 'grind' };

/** The plan as it is worked, line by line. */
@Component({
  selector: 'ma-work-list',
  imports: [Button, GrindingStepCard, StoneGlyph],
  templateUrl: './work-list.html',
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
      border-left: var(--mark) solid var(--line);
      min-height: 34px;
    }
    .between span {
      color: var(--muted);
    }
    .item b {
      color: var(--ink);
    }
    .item + .item::before {
      content: '→ ';
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
  /** Its order of work, as it is walked. */
  readonly work = input.required<WorkOrder>();
  readonly tool = input.required<Tool>();
  readonly stones = input.required<readonly SizedAbrasive[]>();
  readonly record = input<StonesRecord>({});
  /** The guide it is set in. */
  readonly guideName = input('');
  /** The wheel’s part of it. */
  readonly atWheel = input<AtWheel>();
  readonly cared = output<{ readonly id: string; readonly kind: CareKind }>();

  protected readonly figures = inject(Figures);
  private readonly byId = computed(() => new Map(this.stones().map((stone) => [stone.id, stone])));

  protected readonly rows = computed((): readonly Row[] => {
    const { steps, order } = this.work();
    const rows: Row[] = [];
    const told = new Set<unknown>();
    for (const station of order) {
      if (station.kind === 'stone') {
        const step = steps[station.step];
        // One line for a stone, whichever side its strokes are on.
        if (step && !told.has(step.part.of)) rows.push(this.stepRow(step.part));
        told.add(step?.part.of);
      } else if (station.kind === 'grind') rows.push({ row: 'grind' });
      else if (station.kind === 'care' && !station.after) {
        const care = this.careRow(station.abrasiveId, station.care);
        if (care) rows.push(care);
      } else {
        const item = this.itemOf(station);
        const last = rows.at(-1);
        if (last?.row === 'between') rows[rows.length - 1] = { ...last, items: [...last.items, item] };
        else rows.push({ row: 'between', items: [item] });
      }
    }
    return rows;
  });

  private careRow(id: string, kind: CareKind): CareRow | undefined {
    const care = this.plan().care?.find((each) => each.id === id && each.kind === kind);
    return (
      care && {
        row: 'care',
        lead: `First, ${this.byId().get(id)?.name ?? ''}: ${CARE_WORDS[kind].toLowerCase()}`,
        why: this.figures.minutes(care.minutes),
        care: { id, kind },
      }
    );
  }

  /** What is done or asked at a station, named as on every list, and what there is to say beside it. */
  private itemOf(station: Station): BetweenRow['items'][number] {
    const { edge } = this.tool();
    const nameOf = (id: string): string => this.byId().get(id)?.name ?? '';
    const lead = stationName(station, edge, nameOf, (index) => this.work().steps[index]);
    switch (station.kind) {
      case 'template':
        return {
          lead,
          why: `${this.figures.length(this.plan().curveToGrind?.wantedMm ?? 0)} at the corners: too deep to hone; the template is printed under Camber, Make.`,
        };
      case 'joint':
        return { lead, why: `${this.figures.length(station.nickMm)} back` };
      case 'hollow':
        return { lead, why: this.hollowWhy(station.hollowing) };
      case 'set':
        return { lead: this.setWords(station.setting, station.facet), why: '' };
      case 'lift':
        return {
          lead,
          why: `by hand, ${liftWords(station.lift, this.figures)}`,
        };
      case 'wash':
        return { lead, why: station.oil ? 'the oil wiped off first, with soap' : '' };
      case 'burr-off': {
        const name = nameOf(station.abrasiveId ?? '');
        return { lead, why: name === '' ? '' : `about ${String(station.strokes)} strokes, ${name}` };
      }
      default:
        return { lead, why: '' };
    }
  }

  /** Where the guide is set, by which stop. */
  private setWords({ stop, projectionMm, angleDeg }: SessionSetting, facet: Facet | undefined): string {
    const guide = this.guideName() || 'guide';
    const primary = facet === 'primary' ? ' to the primary' : facet === 'micro' ? ' to the micro-bevel' : '';
    const deg = this.figures.angle(angleDeg, 2);
    if (projectionMm === undefined) return `Set the ${guide}${primary}: ${deg}`;
    const figures = `${this.figures.patternHand().setting(projectionMm)} · ${deg}`;
    return stop
      ? `Set it in the ${guide}${primary} by ${stop.board}: stop ${stop.label} · ${figures}`
      : `Set it in the ${guide}${primary}: ${figures}`;
  }

  private stepRow(part: PlanPart): StepRow {
    const { id, strokes, minutes } = part.of;
    const row = {
      row: 'step',
      what: part.what,
      stone: this.byId().get(id),
      strokes,
      minutes,
      range: '',
    } as const;
    switch (part.what) {
      case 'back':
        return {
          ...row,
          ...this.likely(part.of),
          lead: `${this.eachKnife(part.of)}the back, flat on the stone`,
          why: `${this.backWhy(id)}${alongWords(part.of, this.figures)}`,
        };
      case 'evening':
        return {
          ...row,
          lead: `what stands ahead, by part: ${part.of.places.join(' · ')}`,
          why: `${this.tool().edge.form === 'v' ? 'Left wing, right wing, keel.' : 'From its left corner to its right one.'} Each part goes back by what it stands ahead, and no other is touched.`,
        };
      case 'body':
        return {
          ...row,
          lead: 'the body, flat on the stone, half on each side',
          why: 'It has grown thick behind its edge: this takes off what honing added there, as much as one honing should.',
        };
      case 'inside':
        return {
          ...row,
          lead: `the small bevel inside, push ${this.figures.number(part.of.forceN, 0)} N`,
          why: 'The tool held still, the slip rolled from corner to corner in its hollow: it keeps the bevel there, and the burr goes with it.',
        };
      case 'shape': {
        const { edge } = this.tool();
        const deg = edge.form === 'single-bevel' ? edge.primaryDeg : 0;
        return {
          ...row,
          ...this.likely(part.of),
          lead: `the primary, at ${this.figures.angle(deg)}`,
          why: 'The guide set to the primary: on until only a narrow strip of the old bevel is left at the edge.',
        };
      }
      case 'hone': {
        const { forceN, places } = part.of;
        const push = forceN === undefined ? '' : `, push ${this.figures.number(forceN, 0)} N`;
        return {
          ...row,
          ...this.likely(part.of),
          lead: `${this.eachKnife(part.of)}${this.sides(part)}${this.facet(part.of)}${this.figures.number(row.stone?.sizeUm ?? 0, 1)} µm${push}${places ? `, by place ${places.join(' · ')}` : ''}`,
          minutes: minutes - (this.plan().care?.find((care) => care.id === id)?.minutes ?? 0),
          why: [
            alongWords(part.of, this.figures),
            this.plan().verdicts.find((verdict) => verdict.id === id)?.why ?? '',
            this.learned(id),
          ]
            .join(' ')
            .trim(),
        };
      }
      case 'curve': {
        const { places, comesToMm, before } = part.of;
        return {
          ...row,
          lead: `the curve, by place: ${places.join(' · ')}`,
          why: `Press at each place in turn, left to right. It comes to about ${this.figures.sliver(comesToMm)} of light at the corners.${before ? ' On the coarser stone, ahead of the others: it is more than they should take.' : ''}`,
        };
      }
      case 'strop':
        return {
          ...row,
          lead: `edge trailing, both sides${this.pushes(part.of)}${this.lower(part.of.lowerDeg)}`,
          why: this.stropWhy(part.of),
        };
    }
  }

  /** Of an edge worked on two sides: one, the other, then by turns with falling counts. */
  private sides(part: PlanPart): string {
    const steps = this.work().steps.filter((step) => step.part.of === part.of);
    if (steps.length < 2) return steps[0]?.count === 'half' ? 'half on each side · ' : '';
    const names = sideNamesOf(this.tool().edge);
    return `${steps
      .map(({ side, strokes, count }) =>
        side === undefined
          ? `then in turn ${visitsOf(count ?? 'through', strokes)
              .map((visit) => visit.strokes)
              .join('-')}`
          : `${names[side] ?? ''} ${String(strokes)}`,
      )
      .join(', ')} · `;
  }

  /** Strokes in four of five cases, as they are told. */
  private likely({ low, high }: { readonly low?: number; readonly high?: number }): Pick<StepRow, 'range'> {
    return { range: low === undefined || high === undefined ? '' : `${String(low)}–${String(high)}` };
  }

  /** The hollow of an old back, at the wheel. */
  private hollowWhy({ wheelId, hollows, depthMm, rimMm }: BackHollow): string {
    const wheel = this.byId().get(wheelId)?.name ?? 'the wheel';
    const minutes = this.figures.minutes(this.plan().hollowing?.minutes ?? 0);
    const times = hollows === 1 ? 'one hollow' : `${String(hollows)} hollows`;
    return `${times} ${this.figures.length(depthMm)} deep on the ${wheel}, ${this.figures.length(rimMm)} left flat at the edge: ${minutes}`;
  }

  /** What of a new back is polished, and, told once, what that spares. */
  private backWhy(id: string): string {
    const { edge } = this.tool();
    const { back = [], wholeBackMin } = this.plan();
    if (edge.form === 'knife-set')
      return 'Backs first, through every paper: what was ground rolls over to them. One knife after the other.';
    const part =
      edge.form === 'single-bevel' && edge.back === 'shim'
        ? 'A blade new to the bench: over the shim, polished at the very edge.'
        : edge.form === 'single-bevel' && edge.back === 'hollowed'
          ? 'Its rims alone, corner to corner: the hollow between them stays.'
          : 'A blade new to the bench: polish the first millimetres of its back, corner to corner.';
    return wholeBackMin === undefined || back[0]?.id !== id
      ? part
      : `${part} The whole back would take ${this.figures.minutes(wholeBackMin)}.`;
  }

  /** Of a set of machine knives every one gets the same. */
  private eachKnife({
    strokes,
    rounds,
  }: {
    readonly strokes: number;
    readonly rounds?: readonly (readonly number[])[];
  }): string {
    const { edge } = this.tool();
    if (edge.form !== 'knife-set' || !rounds || edge.count < 2) return '';
    const together = rounds.map((round) => round.join('+')).join(', ');
    return `${String(strokesOfEach(strokes, rounds))} on each of ${String(edge.count)} knives: ${together} · `;
  }

  /** A blade of several facets is honed on the one at its edge, or on its secondary before that: which it is. */
  private facet({ facet = 'micro' }: PlanStep): string {
    const { edge } = this.tool();
    if (edge.form !== 'single-bevel' || edge.microDeg === undefined) return '';
    return facet === 'micro'
      ? `the micro-bevel, ${this.figures.angle(edge.microDeg)} · `
      : `the secondary, ${this.figures.angle(edge.secondaryDeg ?? edge.primaryDeg)} · `;
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
      case 'draws':
        return 'The last stone used as a strop, once the burr is off: ever lighter, down to the blade’s own weight.';
      default:
        return 'Only lays the tip straight: heavier to lighter, never lifted at the end.';
    }
  }
}
