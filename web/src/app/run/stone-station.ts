import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import type { SizedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Count, COUNTS } from '@mellow-anvil/core/blade';
import { visitAt, visitsOf } from '@mellow-anvil/core/plan';
import { knivesMade, knivesOwed, roundAt, type Run, type RunStep, strokesLeft } from '@mellow-anvil/core/run';
import { FingerDrawing } from '../drawings/finger-drawing';
import { type EndOnEdge, endOnOf, partName, PartsDrawing } from '../drawings/parts-drawing';
import type { Figures } from '../ui/figures';
import { Beat } from '../platform/beat';
import { changeWords, COUNT_WORDS, feelFor, knivesWords, sideNamesOf } from '../words/station-words';

/** A stone's step as the bench shows it. */
interface StoneView {
  readonly index: number;
  readonly name: string;
  readonly grain: string;
  readonly left: number;
  readonly over: number;
  readonly target: number;
  readonly strokes: number;
  readonly count: Count;
  readonly feel: string;
  readonly perMin: number;
  /** One side alone, or by the knives of a set: however else it could be counted. */
  readonly fixed: boolean;
  /** Strokes by place, and the place at hand. */
  readonly places?: readonly number[];
  readonly at?: number;
  /** The edge that the places are parts of, where it is drawn from its end. */
  readonly parts?: EndOnEdge;
  /** The side or place being worked, and how many are left of this visit. */
  readonly visit?: { readonly words: string; readonly left: number };
  /** Of a set: what is done with the knives before the next stroke, and which round that is. */
  readonly change?: { readonly words: string; readonly then: string; readonly round: string };
  /** Of a set: what each knife has had of what it is owed. */
  readonly tally?: readonly {
    readonly knife: number;
    readonly made: number;
    readonly of: number;
    readonly in: boolean;
  }[];
}

export function stoneView(
  run: Run,
  index: number,
  stones: readonly SizedAbrasive[],
  nameOf: (id: string) => string,
  tool: Tool | undefined,
  figures: Figures,
): StoneView | undefined {
  const step = run.steps[index];
  if (!step) return undefined;
  const stone = stones.find(({ id }) => id === step.abrasiveId);
  const sides = sideNamesOf(tool?.edge);
  const named = sides.length === 2 ? sides : ['bevel', 'back'];
  const visits = visitsOf(step.count, step.planned, { places: step.places, along: step.along });
  const visit = step.strokes < step.target ? visitAt(visits, step.strokes) : undefined;
  const planned = run.plan.steps[step.like ?? index];
  const parts = endOnOf(tool?.edge, step.places?.length ?? 0);
  const place = visit?.place;
  // A step of one side alone names that side through all its visits.
  const side = planned?.side ?? visit?.side;
  const words =
    place === undefined
      ? (partWords(visit?.part, step) ?? named[side ?? -1] ?? '')
      : partName(parts, step.places?.length ?? 5, place);
  return {
    index,
    name: nameOf(step.abrasiveId),
    grain: stone ? `${figures.number(stone.sizeUm, 1)} µm` : '',
    left: strokesLeft(step),
    over: step.strokes - step.target,
    target: step.target,
    strokes: step.strokes,
    count: step.count,
    feel: feelFor(stone, planned, run.plan.steps, figures, tool?.edge),
    fixed: planned?.side !== undefined || step.rounds !== undefined || (step.along?.visits ?? 1) > 1,
    perMin: run.plan.strokesPerMin,
    ...(step.places && { places: step.places }),
    ...(parts && { parts }),
    ...(visit?.place !== undefined && { at: visit.place }),
    ...(visit && words && { visit: { words, left: visit.left } }),
    ...(step.rounds && setView(step, roundAt(run, index), index, planned?.facet === 'back')),
  };
}

/** Which part of an edge longer than its stone, or about which end, has its turn. */
function partWords(part: number | undefined, { along }: RunStep): string | undefined {
  if (part === undefined || !along) return undefined;
  if (along.way === 'half-circles') return part === 0 ? 'about the left end' : 'about the right end';
  if (along.way === 'swung') return part === 0 ? 'the straight part' : 'round the heel';
  if (along.way === 'swept') return sweptPart(part, along);
  return `part ${String(part + 1)} of ${String(along.visits)} from the left`;
}

/** Of an edge swept up to its tip: straight on the stone, and at its end with the handle lifted. */
function sweptPart(part: number, { visits, tipFirst }: NonNullable<RunStep['along']>): string {
  if (part === visits - 1) return tipFirst ? 'the tip, handle lifted' : 'on to the tip, handle lifted';
  return visits === 2
    ? tipFirst
      ? 'from before the middle back to the heel'
      : 'heel to past the middle'
    : `part ${String(part + 1)} of ${String(visits)} from the heel`;
}

/** The part of the view that goes by the knives of a set. */
function setView(
  step: RunStep,
  round: ReturnType<typeof roundAt>,
  index: number,
  back: boolean,
): Pick<StoneView, 'visit' | 'change' | 'tally'> {
  const made = knivesMade(step);
  const owed = knivesOwed(step);
  const change = round?.change && changeWords(round.change, round.knives, back);
  return {
    ...(round && { visit: { words: knivesWords(round.knives), left: round.left } }),
    ...(round && change && { change: { ...change, round: `${index} ${round.index}` } }),
    tally: made.map((strokes, i) => ({
      knife: i + 1,
      made: strokes,
      of: strokes + (owed[i] ?? 0),
      in: round?.knives.includes(i + 1) ?? false,
    })),
  };
}

const TEN = 10;

/** Strokes on a stone: how many are left, whose turn it is, and what corrects a lost count. */
@Component({
  selector: 'ma-stone-station',
  imports: [Beat, Button, FingerDrawing, FormsModule, PartsDrawing, Select],
  templateUrl: './stone-station.html',
  styleUrl: './stone-station.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneStation {
  readonly step = input.required<StoneView>();
  readonly counted = output<number>();
  readonly countedBy = output<Count>();
  /** The knives are to be changed before the next stroke. */
  readonly changing = input(false);
  protected readonly ten = TEN;
  protected readonly counts = COUNTS.map((value) => ({ value, label: COUNT_WORDS[value] }));
}
