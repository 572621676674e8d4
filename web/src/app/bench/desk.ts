import { Injectable, inject } from '@angular/core';
import {
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  map,
  shareReplay,
  type Observable,
} from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import {
  familyFacts,
  intake,
  servesShape,
  shapeOfEdge,
  standsIn,
  type Abrasive,
  type BenchRecord,
  ASSUMED_LAND_MM,
  FACETS,
  GRINDING_PUSH_N,
  PLAN_DEFAULTS,
  Refusal,
  STOP_SHORT_MM,
  clampedWidthMm,
  facetSettings,
  grindingWork,
  setBackMm,
  isWheel,
  readiness,
  unlessRefused,
  CURVED_FAMILIES,
  isNear,
  kindFacts,
  planHoning,
  isRoller,
  seatForWidth,
  usualGuide,
  asItStands,
  landReason,
  onItsWheel,
  stopFor,
  type CamberRequest,
  type Condition,
  type Edge,
  type EdgeState,
  type FacetSetting,
  type Guide,
  type GuideSeat,
  type HoningPlan,
  type Hand,
  type PlanRequest,
  type SessionSetting,
  type SettingBoard,
  type StopFound,
  type Tool,
  type ToolRecord,
  attempt,
} from '@mellow-anvil/core';
import { AbrasivesStore } from '../abrasives/abrasives.store';
import { BenchStore } from '../abrasives/bench.store';
import { ChosenSet } from '../abrasives/chosen-set';
import { GuidesStore } from '../guides/guides.store';
import { BoardsStore } from '../patterns/boards.store';
import { RecordsStore } from '../records/records.store';
import { ToolsStore } from '../tools/tools.store';

export interface SetUp {
  readonly guide: Stored<Guide>;
  /** Where the blade is held, in a roller guide. */
  readonly seat?: GuideSeat;
  readonly settings: readonly StoppedSetting[];
}

/** A facet's setting, with the stop of a setting board that gives it. */
export type StoppedSetting = FacetSetting & { readonly stop?: StopFound };

/** What the bench maths made of the request: a plan, or the sentence why there is none. */
export interface Answer {
  readonly request: PlanRequest;
  /** The edge as its record has it; absent until that is known. */
  readonly state?: EdgeState;
  readonly plan?: HoningPlan;
  readonly refusal?: { readonly field: string; readonly message: string };
}

interface Choices {
  readonly toolId?: string;
  readonly guides: Readonly<Record<string, { readonly guideId: string; readonly seatName?: string }>>;
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
  private readonly stones = inject(BenchStore);
  private readonly set = inject(ChosenSet);
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

  readonly answer$: Observable<Answer | undefined> = combineLatest([
    this.tool$,
    this.abrasives.inOrder$,
    this.choices,
    this.records.known$,
    this.stones.record$,
    this.set.set$,
  ]).pipe(
    map(([tool, bench, { requests }, records, stones, set]) => {
      if (!tool) return undefined;
      const own = requests[tool.id];
      const condition = own?.condition ?? fromRecord(tool, records[tool.id]);
      const hasStrop = bench.some((stone) => isStrop(stone) && standsIn(stone, set));
      const request: PlanRequest = {
        condition,
        ...wheelFirst(tool, condition, records[tool.id], bench),
        finishUm: usualFinishUm(tool, bench, set),
        forceN: PLAN_DEFAULTS.forceN,
        lighter: true,
        strokesPerMin: PLAN_DEFAULTS.strokesPerMin,
        maxRatio: PLAN_DEFAULTS.maxRatio,
        mostStrokes: PLAN_DEFAULTS.mostStrokes,
        laidAside: [],
        ...own,
        ...curveOf(tool, records[tool.id]?.state, own?.camber?.positions),
        ...(set !== undefined && { set }),
        // A strop where that is enough, unless it is to be honed all the same.
        ...((own?.stropOnly ?? (hasStrop && isFadedOnly(tool, condition))) && { stropOnly: true }),
      };
      return answerTo(tool, bench, request, records[tool.id]?.state, stones);
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
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
  ask(change: Partial<PlanRequest>): void {
    const { toolId, requests } = this.choices.value;
    if (!toolId) return;
    const { grind: _wheel, stropOnly: _strop, ...rest } = requests[toolId] ?? {};
    // Another condition asks anew whether the wheel or the strop is for it.
    const kept = change.condition ? rest : { ...requests[toolId] };
    this.choices.next({
      ...this.choices.value,
      requests: { ...requests, [toolId]: { ...kept, ...change } },
    });
  }

  /** Asks all of an earlier request again, in place of what was asked since. */
  askAgain(request: PlanRequest): void {
    this.set.choose(request.set);
    this.ask({ ...UNASKED, ...request });
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
const UNASKED: Partial<PlanRequest> = {
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
  camber: undefined,
};

const isStrop = ({ kind }: Abrasive): boolean => kind === 'strop';

/** Only fading, with nothing else wrong: what a strop brings back. */
function isFadedOnly(tool: Tool, condition: Condition): boolean {
  return unlessRefused(() => intake(tool.edge, condition).treatment) === 'strop';
}

/** As fine as the tool's family usually asks, or as fine as there is to hone on. */
function usualFinishUm(
  { family, edge }: Tool,
  bench: readonly (Abrasive & { readonly sizeUm: number })[],
  set: string | undefined,
): number {
  const { finishUm, finestUm = 0 } = familyFacts(family);
  const finest = Math.min(
    ...bench
      .filter((stone) => servesShape(stone, shapeOfEdge(edge)) && !kindFacts(stone.kind).strop)
      .filter((stone) => standsIn(stone, set) && stone.sizeUm >= finestUm)
      .map(({ sizeUm }) => sizeUm),
  );
  // To a tenth, upwards: a place by hand has no round figure.
  return Number.isFinite(finest) ? Math.max(Math.ceil(finest * 10) / 10, finishUm) : finishUm;
}

function seatOf(guide: Guide, edge: Edge, name: string | undefined): GuideSeat | undefined {
  if (!isRoller(guide)) return undefined;
  return guide.seats.find((seat) => seat.name === name) ?? seatForWidth(guide, clampedWidthMm(edge));
}

/** The setting of the facet that meets the edge: the steepest, of two sides the left one. */
export function honedSetting({ guide, seat, settings }: SetUp): SessionSetting | undefined {
  const honed = FACETS.flatMap((each) => settings.filter(({ facet }) => facet === each))[0];
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

/** What the record says of the edge before anyone is asked how dull it is. */
function fromRecord(tool: Tool, record: ToolRecord | undefined): Condition {
  const nickMm = record?.state.sinceHoned.deepestMm ?? 0;
  if (nickMm > 0) return { kind: 'nicked', nickMm };
  return { kind: record && readiness(tool, record).state === 'strop' ? 'fading' : 'dull' };
}

/** An iron that is curved, or is to be, has its curve asked of the plan: from what the record says it has now. */
function curveOf(
  { edge, family }: Tool,
  state: EdgeState | undefined,
  positions: CamberRequest['positions'] = 5,
): Pick<PlanRequest, 'camber'> {
  const camber = state?.camber;
  if (!camber || edge.form !== 'single-bevel' || !CURVED_FAMILIES.includes(family)) return {};
  if (edge.front.shape === 'straight' && isNear(camber.camberMm, 0)) return {};
  const { camberMm, leanMm, factor } = camber;
  return { camber: { positions, nowMm: camberMm, leanMm, factor } };
}

/** The wheel first, where the condition or the record asks for it and there is something for it to take. */
function wheelFirst(
  tool: Tool,
  condition: Condition,
  record: ToolRecord | undefined,
  bench: Parameters<typeof planHoning>[1],
): Pick<PlanRequest, 'grind'> {
  const { edge } = tool;
  const wheel = bench.find(isWheel);
  if (!wheel || edge.form !== 'single-bevel') return {};
  const asksOfWheel = (what: string | undefined): boolean => what === 'regrind' || what === 'repair';
  const wanted =
    asksOfWheel(unlessRefused(() => intake(edge, condition).treatment)) ||
    asksOfWheel(record && readiness(tool, record).state);
  const landMm = record?.state.landMm ?? edge.landMm ?? ASSUMED_LAND_MM;
  const nickMm = setBackMm(condition);
  const worth =
    wanted && unlessRefused(() => grindingWork(edge, { landMm, nickMm, stopShortMm: STOP_SHORT_MM }));
  return worth ? { grind: { wheelId: wheel.id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N } } : {};
}

function answerTo(
  tool: Tool,
  bench: Parameters<typeof planHoning>[1],
  request: PlanRequest,
  state: EdgeState | undefined,
  stones: BenchRecord,
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
