import { readFile } from 'node:fs/promises';
import { edgeSpans, inOrderOfTime, nextSpell, toolRecord } from '@mellow-anvil/core/record';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { demoText } from './boat-shed.js';

const DEMO = new URL('../saltmarsh-boat-shed.workshop.json', import.meta.url);

describe('the boat shed', () => {
  it('has the years its habits make, byte for byte', async () => {
    const text = await readFile(DEMO, 'utf8');
    expect(demoText(JSON.parse(text) as Workshop) === text)
      .withContext('run “npm run demo-years”')
      .toBeTrue();
  });

  it('tells of every tool the same use of its edge by its lives and by its state', async () => {
    const { tools, sessions, abrasives } = JSON.parse(await readFile(DEMO, 'utf8')) as Workshop;
    let worn = 0;
    for (const tool of tools) {
      const own = inOrderOfTime(sessions.filter(({ toolId }) => toolId === tool.id));
      const { state, life } = toolRecord(tool, own, abrasives);
      if (!life) continue;
      const { measure } = life;
      const spans = edgeSpans(measure, own);
      const inUse = spans.at(-1);
      const isUsed = state.sinceHoned[measure] > 0;
      expect([tool.name, spans.length]).toEqual([tool.name, life.blunt + life.unended]);
      if (!isUsed) expect([tool.name, inUse?.ended === 'in-use']).toEqual([tool.name, false]);
      // What was used after it was blunt is no part of its life.
      else if (inUse?.ended === 'in-use') {
        worn += 1;
        expect([tool.name, inUse.amount]).toEqual([tool.name, state.sinceHoned[measure]]);
        expect(nextSpell({ life, state })?.used ?? inUse.amount).toBe(inUse.amount);
      }
    }
    expect(worn).toBeGreaterThan(5);
  });
});
