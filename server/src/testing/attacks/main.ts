import { walkThroughEverything } from './walk.js';
import { attackByDamage } from './damage.js';
import type { Outcome } from './folders.js';
import { attackByRequests } from './requests.js';
import { attackByRestores } from './restores.js';
import { attackUpgradesBrokenOff, attackUpgradesByFullDisks, attackUpgradesByKills } from './upgrades.js';
import { attackByKills } from './writes.js';

// The whole of the attacks that the specs run small; `npm run attack`, or some of them by name.
const ATTACKS: Readonly<Record<string, () => Promise<Outcome | undefined>>> = {
  'upgrade-kills': () => attackUpgradesByKills(200),
  'upgrade-pieces': () => attackUpgradesBrokenOff(1),
  'upgrade-disks': () => attackUpgradesByFullDisks(50),
  kills: () => attackByKills(200),
  restores: () => attackByRestores(100, 200),
  damage: () => attackByDamage(30),
  requests: () => attackByRequests(20_000, 200),
  walk: async () => {
    const failures = await walkThroughEverything(1000, 3).then(
      () => [],
      (reason: unknown) => [(reason as Error).message],
    );
    return { what: 'walks through everything', tried: '3 of 1,000 steps', failures };
  },
};

const say = (words: string): boolean => process.stdout.write(`${words}\n`);
const wanted = process.argv.slice(2);
let failed = 0;
for (const [name, attack] of Object.entries(ATTACKS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const started = Date.now();
  const outcome = await attack();
  const seconds = ((Date.now() - started) / 1000).toFixed(0);
  if (!outcome) {
    say(`${name}: not tried, no disk of its own can be mounted here`);
    continue;
  }
  const { what, tried, failures } = outcome;
  failed += failures.length;
  say(`${what}: ${tried}; ${failures.length} did not hold (${seconds} s)`);
  for (const each of failures.slice(0, 10)) say(`  ${each.slice(0, 600)}`);
}
process.exit(failed === 0 ? 0 : 1);
