import { Injectable, inject } from '@angular/core';
import {
  BehaviorSubject,
  combineLatest,
  EMPTY,
  distinctUntilChanged,
  map,
  shareReplay,
  switchMap,
  take,
  type Observable,
} from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import type { StonesRecord } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Edge, Tool } from '@mellow-anvil/core/blade';
import {
  clampedWidthMm,
  type FacetSetting,
  facetSettings,
  type Guide,
  type GuideSeat,
  isRoller,
  onItsWheel,
  seatForWidth,
  type SessionSetting,
  type SettingBoard,
  stopFor,
  type StopFound,
  usualGuide,
} from '@mellow-anvil/core/guide';
import {
  defaultRequest,
  type HoningPlan,
  landReason,
  planHoning,
  type PlanRequest,
  usualSet,
} from '@mellow-anvil/core/plan';
import { asItStands, type EdgeState, type Hand } from '@mellow-anvil/core/record';
import { type Facet, FACETS } from '@mellow-anvil/core/work';
import { AbrasivesStore } from './abrasives.store';
import { StonesStore } from './stones.store';
import { ChosenSet } from './chosen-set';
import { GuidesStore } from './guides.store';
import { BoardsStore } from './boards.store';
import { RecordsStore } from './records.store';
import { Notices } from '../platform/notices';
import { ToolsStore } from './tools.store';
import type { FieldChange } from '../platform/change';

export interface SetUp {
  readonly guide: Stored<Guide>;
  /** Where the blade is held, in a roller guide. */
  readonly seat?: GuideSeat | undefined;
  readonly settings: readonly StoppedSetting[];
}

/** A facet's setting, with the stop of a setting board that gives it. */
export type StoppedSetting = FacetSetting & { readonly stop?: StopFound };

/** What the bench maths made of the request: a plan, or the sentence why there is none. */
export interface Answer {
  readonly request: PlanRequest;
  /** The edge as its record has it; absent until that is known. */
  readonly state?: EdgeState | undefined;
  readonly plan?: HoningPlan;
  readonly refusal?: { readonly field: string; readonly message: string };
}

interface Choices {
  readonly toolId?: string | undefined;
  readonly guides: Readonly<
    Record<string, { readonly guideId: string; readonly seatName?: string | undefined }>
  >;
  readonly requests: Readonly<Record<string, Partial<PlanRequest>>>;
}

/**
 * What is on the bench now: the tool in the vise, the guide it is set up on, and the plan. Choices
 * are remembered per tool while the page is open.
 */
@Injectable({ providedIn: 'root' })
export class Desk {
  private readonly tools = inject(ToolsStore);
  private readonly guides = inject(GuidesStore);
  private readonly abrasives = inject(AbrasivesStore);
  private readonly boards = inject(BoardsStore);
  private readonly records = inject(RecordsStore);
  private readonly stones = inject(StonesStore);
  private readonly set = inject(ChosenSet);
  private readonly notices = inject(Notices);
  private readonly choices = new BehaviorSubject<Choices>({ guides: {}, requests: {} });

  readonly tool$: Observable<Stored<Tool> | undefined> = combineLatest([
    this.tools.items$,
    this.choices,
  ]).pipe(
    map(([items, { toolId }]) => items.find(({ id }) => id === toolId)),
    distinctUntilChanged(),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** The guide chosen, else the one it was last honed in, else the first that can hold its edge. */
  readonly setUp$: Observable<SetUp | undefined> = combineLatest([
    this.tool$,
    this.guides.items$,
    this.choices,
    this.records.records$,
    this.boards.items$,
    this.abrasives.items$,
  ]).pipe(
    map(([tool, guides, choices, records, boards, bench]) => {
      if (!tool) return undefined;
      const last = records[tool.id]?.state.lastSetting;
      const chosen = choices.guides[tool.id] ?? { guideId: last?.guideId, seatName: last?.seatName };
      const picked = guides.find(({ id }) => id === chosen.guideId) ?? usualGuide(tool.edge, guides);
      if (!picked) return undefined;
      const guide = onItsWheel(picked, bench);
      const seat = seatOf(guide, tool.edge, chosen.seatName);
      const settings = facetSettings(tool, guide, seat).map((setting) =>
        stopped(setting, boards, guide, seat, tool.edge),
      );
      return { guide, seat, settings };
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** The set of stones the tool in the vise is sharpened on; without one, the set on the rail. */
  readonly set$: Observable<string | undefined> = combineLatest([
    this.tool$,
    this.abrasives.items$,
    this.set.set$,
  ]).pipe(
    map(([tool, bench, chosen]) => (tool ? usualSet({ tool, bench }) : chosen)),
    distinctUntilChanged(),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly answer$: Observable<Answer | undefined> = combineLatest([
    this.tool$,
    this.abrasives.inOrder$,
    this.choices,
    this.records.known$,
    this.stones.record$,
    this.set$,
  ]).pipe(
    map(([tool, bench, { requests }, records, stones, set]) => {
      if (!tool) return undefined;
      const record = records[tool.id];
      const asked = { ...requests[tool.id], set };
      const request = defaultRequest({ tool: asItStands(tool, record?.state), bench, record, stones }, asked);
      return answerTo(tool, bench, request, record?.state, stones);
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** Whether anything was asked of the plan for the tool in the vise: what nobody asked is as core asks it. */
  readonly isAsked$: Observable<boolean> = combineLatest([this.tool$, this.choices]).pipe(
    map(([tool, { requests }]) => tool !== undefined && requests[tool.id] !== undefined),
    distinctUntilChanged(),
  );

  takeUp(toolId: string | undefined): void {
    if (toolId !== this.choices.value.toolId) this.choices.next({ ...this.choices.value, toolId });
  }

  chooseGuide(guideId: string, seatName?: string): void {
    const { toolId, guides } = this.choices.value;
    if (toolId)
      this.choices.next({ ...this.choices.value, guides: { ...guides, [toolId]: { guideId, seatName } } });
  }

  /** Changes part of what is asked of the plan for the tool in the vise. */
  ask(change: FieldChange<PlanRequest>): void {
    const { toolId, requests } = this.choices.value;
    if (!toolId) return;
    const { grind: _wheel, stropOnly: _strop, ...rest } = requests[toolId] ?? {};
    // Another condition asks anew whether the wheel or the strop is for it.
    const kept = change.condition ? rest : { ...requests[toolId] };
    this.choices.next({
      ...this.choices.value,
      // What is asked to be left out is asked, too: it stands there as undefined.
      requests: { ...requests, [toolId]: { ...kept, ...change } as Partial<PlanRequest> },
    });
  }

  /** Asks all of an earlier request again, in place of what was asked since. */
  askAgain(request: PlanRequest): void {
    this.chooseSet(request.set);
    // What it left out is left out again: not there is an answer too.
    this.ask({ ...UNASKED, ...request });
  }

  /** The stones of the tool in the vise from now on; without one, the set on the rail. Nothing where it is so already. */
  chooseSet(set: string | undefined): void {
    this.set$.pipe(take(1)).subscribe((now) => {
      if (now !== set) this.rememberSet(set);
    });
  }

  /** Remembers with the tool in the vise which stones it is sharpened on; without one, puts the set on the rail. */
  rememberSet(set: string | undefined): void {
    this.tool$
      .pipe(
        take(1),
        switchMap((tool) => {
          if (!tool) this.set.choose(set);
          return tool ? this.tools.amend(tool, { stoneSet: set ?? '' }) : EMPTY;
        }),
      )
      .subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }

  /** Lays an abrasive aside for this tool's plan, or takes it back in. */
  toggle(abrasiveId: string): void {
    const { toolId, requests } = this.choices.value;
    const aside = (toolId && requests[toolId]?.laidAside) || [];
    const without = aside.filter((id) => id !== abrasiveId);
    this.ask({ laidAside: without.length < aside.length ? without : [...aside, abrasiveId] });
  }
}

/** Every part of a request that may be left out, left out. */
const UNASKED: FieldChange<PlanRequest> = {
  landMm: undefined,
  maxRatio: undefined,
  mostStrokes: undefined,
  minStrokes: undefined,
  grind: undefined,
  school: undefined,
  order: undefined,
  lighter: undefined,
  way: undefined,
  stropOnly: undefined,
  strop: undefined,
  thinBody: undefined,
  stropOnStone: undefined,
  camber: undefined,
};

function seatOf(guide: Guide, edge: Edge, name: string | undefined): GuideSeat | undefined {
  if (!isRoller(guide)) return undefined;
  return guide.seats.find((seat) => seat.name === name) ?? seatForWidth(guide, clampedWidthMm(edge));
}

/** The setting of a facet; of the one that meets the edge unless said: the steepest, of two sides the left one. */
export function settingFor({ guide, seat, settings }: SetUp, named?: Facet): SessionSetting | undefined {
  const honed =
    settings.find(({ facet }) => facet === named) ??
    FACETS.flatMap((each) => settings.filter(({ facet }) => facet === each))[0];
  if (!honed) return undefined;
  const { angleDeg, projectionMm, stop } = honed;
  if (guide.form === 'freehand') return { angleDeg };
  const held = { guideId: guide.id, ...(seat && { seatName: seat.name }) };
  if (!stop) return { ...held, angleDeg, ...(projectionMm !== undefined && { projectionMm }) };
  const { boardId, board, label, givesDeg } = stop;
  // What the stop really gives is what the record has to know; a twentieth of a degree is the cutting of it.
  const set = Math.abs(givesDeg - angleDeg) < 0.05 ? angleDeg : Number(givesDeg.toFixed(2));
  return { ...held, angleDeg: set, projectionMm: stop.projectionMm, stop: { boardId, board, label } };
}

/** A setting with the stop that gives it, where a board has one. */
function stopped(
  setting: FacetSetting,
  boards: readonly Stored<SettingBoard>[],
  guide: Stored<Guide>,
  seat: GuideSeat | undefined,
  edge: Edge,
): StoppedSetting {
  if (setting.projectionMm === undefined) return setting;
  const stop = stopFor(boards, guide, seat, edge, setting.angleDeg);
  return stop ? { ...setting, stop } : setting;
}

/** Why the plan is more or less work than the one before it, from the record. */
export function recordReason(tool: Tool, { state, plan, request }: Answer, hand: Hand): string {
  // Ground first, the land that grew is gone before the stones begin.
  if (plan?.grinding) return '';
  return (state && plan && landReason(tool, state, plan, request, hand)) ?? '';
}

function answerTo(
  tool: Tool,
  bench: Parameters<typeof planHoning>[1],
  request: PlanRequest,
  state: EdgeState | undefined,
  stones: StonesRecord,
): Answer {
  const { condition, landMm, finishUm, forceN, strokesPerMin, maxRatio, mostStrokes } = request;
  const reaches = (condition.faults ?? []).flatMap(({ mm, foundDeg }) => [mm, foundDeg]);
  const { stopShortMm, pushN } = request.grind ?? {};
  if (
    [
      ...reaches,
      stopShortMm,
      pushN,
      condition.nickMm,
      landMm,
      finishUm,
      forceN,
      strokesPerMin,
      maxRatio,
      mostStrokes,
    ].some(Number.isNaN)
  ) {
    const message = 'There is a plan as soon as every figure above can be read.';
    return { request, state, refusal: { field: 'unread', message } };
  }
  const result = attempt(() => ({
    request,
    state,
    plan: planHoning(asItStands(tool, state), bench, request, stones),
  }));
  return result instanceof Refusal
    ? { request, state, refusal: { field: result.field, message: result.message } }
    : result;
}
