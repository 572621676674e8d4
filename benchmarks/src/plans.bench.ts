import { readFileSync } from 'node:fs';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { type Condition, CONDITIONS } from '@mellow-anvil/core/blade';
import {
  defaultRequest,
  type HoningPlan,
  planHoning,
  SCHOOLS,
  TOO_MANY_STROKES,
} from '@mellow-anvil/core/plan';
import { asItStands, inOrderOfTime, toolRecord } from '@mellow-anvil/core/record';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { median, type Row } from './table.js';

const DEMO = new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
/** Wear that every set serving a tool takes off without a word. */
const ORDINARY: readonly Condition['kind'][] = ['fading', 'dull', 'very-dull', 'rolled'];
const WORST = 10;

interface Asked {
  readonly told: string;
  readonly plan?: HoningPlan;
  readonly refusal?: string;
  readonly most: number;
  readonly ms: number;
}

/** Every tool of the demo, in every condition, by every school, at the rates assumed: the plan, and how long it took. */
function sweep(): readonly Asked[] {
  const { tools, abrasives, sessions } = JSON.parse(readFileSync(DEMO, 'utf8')) as Workshop;
  return tools.flatMap((tool) => {
    const own = inOrderOfTime(sessions.filter(({ toolId }) => toolId === tool.id));
    const record = toolRecord(tool, own, abrasives);
    const standing = asItStands(tool, record.state);
    return CONDITIONS.flatMap((kind) =>
      SCHOOLS.filter((school) => school !== 'exact').map((school): Asked => {
        const condition: Condition = kind === 'nicked' ? { kind, nickMm: 0.4 } : { kind };
        const start = performance.now();
        const plan = attempt(() => {
          const of = { tool: standing, bench: abrasives, record };
          // Honed all the same, where a strop would be enough.
          return planHoning(standing, abrasives, defaultRequest(of, { condition, school, stropOnly: false }));
        });
        const ms = performance.now() - start;
        const told = `${tool.name}, ${kind}, ${school}`;
        if (plan instanceof Refusal) return { told, refusal: plan.message, most: 0, ms };
        const steps = [...(plan.shaping ? [plan.shaping] : []), ...(plan.back ?? []), ...plan.steps];
        return { told, plan, most: Math.max(...steps.map(({ strokes }) => strokes)), ms };
      }),
    );
  });
}

/** What no plan may do, counted; and the ten that ask for most strokes without saying it is too much. */
export function benchPlans(): readonly Row[] {
  const all = sweep();
  const quiet = all.filter(({ plan }) => plan && !plan.tooMuch);
  const ordinary = all.filter(
    ({ told, plan }) => plan?.tooMuch && ORDINARY.some((kind) => told.includes(`, ${kind},`)),
  );
  const refused = all.filter(({ refusal }) => refusal !== undefined);
  const worst = [...quiet].sort((a, b) => b.most - a.most).slice(0, WORST);
  const times = all.map(({ ms }) => ms);
  const count = (some: readonly Asked[]): string =>
    `${String(some.length)} of ${String(all.length)}${some.length > 0 ? `: ${some.map(({ told, refusal }) => refusal ?? told).join('; ')}` : ''}`;
  return [
    { what: 'plans refused', figure: count(refused), aim: '0' },
    {
      what: `over ${String(TOO_MANY_STROKES)} strokes on one stone without a word`,
      figure: count(quiet.filter(({ most }) => most > TOO_MANY_STROKES)),
      aim: '0',
    },
    { what: 'ordinary wear told not to be for these stones', figure: count(ordinary), aim: '0' },
    {
      what: 'said not to be for these stones, with ways out',
      figure: String(all.length - quiet.length - refused.length),
    },
    {
      what: 'request and plan with its ways',
      figure: `${median(times).toFixed(1)} ms, longest ${Math.max(...times).toFixed(0)} ms`,
      aim: '20 ms',
    },
    ...worst.map(({ told, most, plan }) => ({
      what: `most strokes: ${told}`,
      figure: String(most),
      yardstick: (plan?.steps ?? []).map(({ id, strokes }) => `${id} ${String(strokes)}`).join(', '),
    })),
  ];
}
