import type { Abrasive } from '../abrasive/abrasive.js';
import type { Condition } from '../blade/dulling.js';
import { EDGE_SHAPES } from '../blade/edge-shape.js';
import { asPlanned } from '../run/as-planned.js';
import { takenToBench } from '../run/run-plan.js';
import { sessionsOfRun } from '../run/run-record.js';
import type { RunEvent } from '../run/events.js';
import { afterEvent, beginRun } from '../run/run.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { EDGES } from '../testing/edges.js';
import { familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import { unworked } from '../work/edge-at-work.js';
import type { Facet } from '../work/facet.js';
import { byTurns } from '../work/sides.js';
import { worked } from '../work/worked.js';
import { liftOf } from './held.js';
import type { HoningPlan } from './honing-plan.js';
import { orderOfWork, type OrderInput, type WorkOrder } from './order-of-work.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import type { Manner } from '../blade/manner.js';
import type { Station } from './station.js';
import { planHoning } from './ways-out.js';
import type { SingleBevelEdge } from '../blade/edge.js';

const all = (id: string, grain: number | string, more: Partial<Abrasive> = {}): OwnedAbrasive =>
  abrasive(id, grain, { serves: EDGE_SHAPES, ...more });
const STROP = all('strop', 3, { kind: 'strop', lubricant: 'compound' });
const BARE = all('bare', 1, { kind: 'strop', lubricant: 'dry' });
const WHEEL = all('wheel', 100, { kind: 'dry-wheel', lubricant: 'dry' });
const BENCH = [all('w400', '400'), all('w1000', '1000'), all('w8000', '8000'), STROP, BARE, WHEEL];
const IRON: Tool = {
  name: 'Iron',
  family: 'plane-iron',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.5 }),
  host: { bedDeg: 45, orientation: 'bevel-down' },
};
const ask = (condition: Condition, more: Partial<PlanRequest> = {}): PlanRequest => ({
  condition,
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  school: 'two-stones',
  laidAside: ['w400'],
  ...more,
});
interface Made extends WorkOrder {
  readonly plan: HoningPlan;
  readonly request: PlanRequest;
}
function made(tool: Tool, request: PlanRequest, more: Partial<OrderInput> = {}, bench = BENCH): Made {
  const plan = planHoning(tool, bench, request);
  const input: OrderInput = {
    plan,
    tool,
    request,
    settingOf: (facet) => ({ angleDeg: facet === 'primary' ? 25 : 30 }),
    stoneOf: (id) => bench.find((each) => each.id === id),
    ...more,
  };
  return { ...orderOfWork(input), plan, request };
}
const words = ({ steps, order }: WorkOrder): string =>
  order.map((each) => (each.kind === 'stone' ? (steps[each.step]?.abrasiveId ?? '') : each.kind)).join(', ');
const ofKind = ({ order }: WorkOrder, kind: Station['kind']): readonly Station[] =>
  order.filter((each) => each.kind === kind);

describe('the order of work', () => {
  it('runs from the bench made ready to the stones for next time, charged strop before bare', () => {
    expect(words(made(IRON, ask({ kind: 'dull' })))).toBe(
      'ready, look, set, marker, w1000, burr, wash, w8000, scratch, burr-off, nail, proof, wash, strop, bare, proof, wipe, refit, away, care, care',
    );
  });

  it('asks a practised hand for the setting, the strokes, the burr and the proof alone', () => {
    const brisk = made(IRON, ask({ kind: 'dull' }), { manner: 'brisk' });
    expect(words(brisk)).toBe('set, w1000, burr, w8000, burr-off, strop, bare, proof');
  });

  it('joints a nick that is ground out, and looks at the marker at the wheel too', () => {
    const grind = { wheelId: 'wheel', stopShortMm: 0.7, pushN: 5 };
    const ground = made(IRON, ask({ kind: 'nicked', nickMm: 0.6 }, { grind }));
    expect(words(ground)).toContain('look, joint, marker, grind, heat, set, marker, ');
    expect(ofKind(ground, 'joint')).toEqual([{ kind: 'joint', nickMm: 0.6 }]);
    const wide = made(
      { ...IRON, edge: { ...(IRON.edge as SingleBevelEdge), landMm: 2 } },
      ask({ kind: 'dull' }, { grind }),
    );
    expect(words(wide)).not.toContain('joint');
  });

  it('sets the guide twice where a primary is shaped on a stone: for it, then for the secondary', () => {
    const steep = made(
      IRON,
      ask({ kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 27 }] }, { laidAside: ['wheel'] }),
    );
    expect(steep.plan.shaping).toBeDefined();
    expect(ofKind(steep, 'set')).toEqual([
      { kind: 'set', facet: 'primary', setting: { angleDeg: 25 } },
      { kind: 'set', facet: 'secondary', setting: { angleDeg: 30 } },
    ]);
    expect(words(steep)).toContain(`look, set, ${steep.plan.shaping?.id ?? ''}, wash, set, marker`);
  });

  it('makes a micro-bevel last, at its own setting, once it has grown or where there is none yet', () => {
    const edge = flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.6, microDeg: 33, microLandMm: 0.1 });
    const tool: Tool = { ...IRON, edge };
    const facets = ({ steps }: Made): unknown[] => steps.map(({ facet }) => facet).filter(Boolean);
    const settingOf = (facet: Facet) => ({ angleDeg: { micro: 33, secondary: 30 }[facet as 'micro'] });
    const fresh = made(tool, ask({ kind: 'new' }), { settingOf });
    expect(facets(fresh).filter((facet) => facet !== 'back')).toEqual(['secondary', 'micro']);
    expect(ofKind(fresh, 'set').map((each) => 'facet' in each && each.facet)).toEqual(['secondary', 'micro']);
    expect(words(fresh)).toMatch(/set, marker, w1000, burr, wash, set, w8000/);
    // As long as it is short it is honed as it is; grown to twice its length the edge goes back to the secondary.
    const short = made(tool, ask({ kind: 'dull' }), { settingOf });
    expect(facets(short)).toEqual(['micro', 'micro']);
    const grown = worked(edge, unworked(edge), {
      strokes: 60,
      forceN: 20,
      strokeMm: 150,
      removalMm3PerNm: 0.0048,
      marksUm: 1.4,
      steelFactor: 1,
    });
    const again = made({ ...tool, work: grown } as Tool, ask({ kind: 'dull' }), { settingOf });
    expect(facets(again)).toEqual(['secondary', 'micro']);
    expect(again.plan.steps.at(-1)?.strokes).toBeLessThan(short.plan.steps.at(-1)?.strokes ?? 0);
  });

  it('asks of a new back whether it is polished corner to corner, before the guide is set', () => {
    const bought = words(made(IRON, ask({ kind: 'new' })));
    expect(bought).toMatch(/look, w1000, (wash, w8000, )?polished, wash, set/);
    expect(words(made(IRON, ask({ kind: 'dull' })))).not.toContain('polished');
  });

  it('wipes the oil off after an oil stone, before a strop too, and flushes it for next time', () => {
    const oil = all('oil', 14, { kind: 'oil-stone', lubricant: 'oil' });
    const one = made(IRON, ask({ kind: 'dull' }, { finishUm: 14, school: 'least-time' }), {}, [oil, STROP]);
    expect(ofKind(one, 'wash')).toEqual([{ kind: 'wash', oil: true }]);
    expect(ofKind(one, 'care')).toEqual([{ kind: 'care', abrasiveId: 'oil', care: 'cleaned', after: true }]);
  });

  it('is short where only the strop is wanted', () => {
    const { host: _, ...chisel } = IRON;
    expect(words(made(chisel, ask({ kind: 'fading' }, { stropOnly: true })))).toBe('strop, bare, proof');
  });

  for (const [what, family, edge] of EDGES) {
    const tool: Tool = { name: what, family, steel: 'high-carbon', edge };
    const finishUm = familyFacts(family).finestUm === undefined ? 1.2 : 30;
    const request = (condition: Condition): PlanRequest =>
      ask(condition, { finishUm, school: 'least-time', laidAside: [] });

    for (const condition of [{ kind: 'dull' }, { kind: 'new' }] as const satisfies readonly Condition[]) {
      it(`leaves nothing of the plan of ${what} out, and walks each stroke once: ${condition.kind}`, () => {
        const { plan, steps, order } = made(tool, request(condition), { lift: liftOf(edge) });
        const parts = [
          ...(plan.shaping ? [plan.shaping] : []),
          ...(plan.back ?? []).filter(({ prepares }) => prepares),
          ...(plan.camber ? [plan.camber] : []),
          ...plan.steps,
          ...(plan.strop ? [plan.strop] : []),
          ...(plan.bareStrop ? [plan.bareStrop] : []),
        ];
        for (const part of parts) {
          const strokes = steps
            .filter((step) => step.part.of === part)
            .reduce((sum, each) => sum + each.strokes, 0);
          expect(strokes).withContext(part.id).toBe(part.strokes);
        }
        const walked = order.flatMap((each) => (each.kind === 'stone' ? [each.step] : []));
        expect(walked).toEqual(steps.map((_, i) => i));
        expect(order.filter(({ kind }) => kind === 'burr').length).toBe(byTurns(edge) ? 2 : 1);
      });
    }

    for (const manner of ['thorough', 'brisk'] as const satisfies readonly Manner[]) {
      it(`is what the run of ${what} walks and its record keeps, ${manner}`, () => {
        const work = made(tool, request({ kind: 'new' }), { lift: liftOf(edge), manner });
        const taken = takenToBench({ toolId: 't', request: work.request, work, manner });
        if (!taken) return fail('there is work in it');
        const at = (seq: number): string => new Date(Date.UTC(2026, 10, 28, 9, 0, seq)).toISOString();
        let run = beginRun(taken, at(0));
        const passed: Station['kind'][] = [];
        for (let seq = 1; !run.ended && seq < 300;) {
          passed.push(run.stations[run.at]?.kind ?? 'ready');
          for (const fact of asPlanned(run)) {
            run = afterEvent(run, { ...fact, id: `e${seq}`, seq, at: at(seq) } as RunEvent);
            seq += 1;
          }
        }
        expect(run.ended).toBe('finished');
        expect(passed).toEqual(work.order.map(({ kind }) => kind));
        const [session] = sessionsOfRun(run);
        expect(session?.steps?.map((step) => [step.abrasiveId, step.strokes, step.facet])).toEqual(
          work.steps.map((step) => [step.abrasiveId, step.strokes, step.facet]),
        );
        if (edge.form === 'knife-set') expect(passed).toContain('isolate');
        if (edge.form === 'scraping') {
          expect(passed).not.toContain('burr-off');
          // Its burr up, it is held against the light.
          expect(passed.lastIndexOf('straight')).toBeGreaterThan(passed.lastIndexOf('burr'));
        }
      });
    }
  }
});
