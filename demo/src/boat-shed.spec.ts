import { readFile } from 'node:fs/promises';
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
});
