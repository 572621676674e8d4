import type { Tool } from '../blade/tool.js';
import { toolRecord, type ToolRecord } from '../record/tool-record.js';
import type { RecordedSession } from '../record/edge-state.js';
import { puzzleShop } from '../simulate/puzzle-cases.js';
import { chances } from '../testing/chances.js';
import { EDGES } from '../testing/edges.js';
import { CAUSE_NAMES, type CauseName } from './causes.js';
import { beforehand, impossibleOf, likelierBy } from './from-record.js';
import { rankCauses, type Seen } from './ranking.js';
import { SYMPTOM_NAMES } from './signs.js';

const tools = EDGES.map(([name, family, edge]): Tool => ({ name, family, edge, steel: 'high-carbon' }));
const KNIFE = tools.find(({ edge }) => edge.form === 'knife') as Tool;
const record = (...kinds: (Partial<RecordedSession> & Pick<RecordedSession, 'kind'>)[]): ToolRecord =>
  toolRecord(
    KNIFE,
    kinds.map((each, i) => ({
      ...{ id: `s${String(i)}`, toolId: 'k', startedAt: new Date(Date.UTC(2026, 2, 1, i)).toISOString() },
      ...each,
    })),
    [],
  );
const share = (cause: CauseName, seen: Seen): number =>
  rankCauses(seen).find((each) => each.cause === cause)?.share ?? NaN;

describe('what a record says before anything is seen', () => {
  it('never blames a tool for what it does not have, whatever is seen, and still ranks the rest', () => {
    for (const tool of tools) {
      const likelier = likelierBy({ tool });
      for (const symptom of SYMPTOM_NAMES) {
        const ranked = rankCauses({ symptoms: [symptom], looks: {}, likelier });
        expect(ranked.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1, 9);
        for (const cause of impossibleOf(tool))
          expect(ranked.find((each) => each.cause === cause)?.share).toBe(0);
      }
      expect(impossibleOf(tool).length)
        .withContext(tool.name)
        .toBeLessThan(CAUSE_NAMES.length / 3);
    }
    expect(impossibleOf(KNIFE)).toContain('breaker-off');
  });

  it('makes chips, strops, the wheel and a dished stone likelier, and what never was less likely', () => {
    const seen: Seen = { symptoms: ['skates-on-nail', 'lines-in-cut'], looks: {} };
    const by = (of: ToolRecord): Seen => ({ ...seen, likelier: likelierBy({ tool: KNIFE, record: of }) });
    const honed = record({ kind: 'honing' });
    const chipped = record({ kind: 'honing' }, { kind: 'use', use: { minutes: 9 }, chips: { count: 2 } });
    expect(share('nicked', by(chipped))).toBeGreaterThan(share('nicked', by(honed)));
    const strops = [1, 2, 3].map(() => ({ kind: 'stropping' }) as const);
    expect(share('rolled-on-strop', by(record({ kind: 'honing' }, ...strops)))).toBeGreaterThan(
      share('rolled-on-strop', by(honed)),
    );
    const ground = record({ kind: 'grinding' }, { kind: 'honing' });
    expect(share('overheated', by(ground))).toBeGreaterThan(share('overheated', by(honed)));
    expect(beforehand({ tool: KNIFE, record: honed }).map(({ why }) => why)).toContain(
      'no wheel in its record',
    );
    expect(beforehand({ tool: KNIFE })).toEqual([]);
    expect(beforehand({ tool: KNIFE, record: record() })).toEqual([]);
  });

  it('is right first oftener for knowing the tool, in shops of other habits', () => {
    const out = new Set(impossibleOf(KNIFE));
    let [cases, without, known] = [0, 0, 0];
    for (let shop = 0; shop < 6; shop++) {
      for (const { cause, symptoms } of puzzleShop(chances(900 + shop)).casesOf(200)) {
        if (out.has(cause)) continue;
        cases += 1;
        const first = (likelier?: Seen['likelier']): CauseName | undefined =>
          rankCauses({ symptoms, looks: {}, ...(likelier && { likelier }) })[0]?.cause;
        if (first() === cause) without += 1;
        if (first(likelierBy({ tool: KNIFE })) === cause) known += 1;
      }
    }
    expect(cases).toBeGreaterThan(600);
    expect(known)
      .withContext(`${String(without)} and ${String(known)} of ${String(cases)}`)
      .toBeGreaterThan(without);
  });
});
