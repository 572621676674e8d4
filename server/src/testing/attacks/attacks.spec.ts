import { attackByDamage } from './damage.js';
import type { Outcome } from './folders.js';
import { attackByRequests } from './requests.js';
import { attackByRestores } from './restores.js';
import { attackUpgradesBrokenOff, attackUpgradesByFullDisks, attackUpgradesByKills } from './upgrades.js';
import { walkThroughEverything } from './walk.js';
import { attackByKills } from './writes.js';

/** The attacks of `npm run attack`, small. */
describe('nothing is lost when', () => {
  const nothing = (outcome: Outcome): void => {
    expect(outcome.failures).withContext(outcome.tried).toEqual([]);
  };

  it('an upgrade, or a first start, is killed', async () => nothing(await attackUpgradesByKills(7)));

  it('an upgrade of 0.7.0 was broken off, wherever', async () => nothing(await attackUpgradesBrokenOff(8)));

  it('the disk is full during an upgrade', async () => {
    const outcome = await attackUpgradesByFullDisks(7);
    if (outcome) nothing(outcome);
    else pending('no disk of its own can be mounted here');
  });

  it('the program is killed amid writes of every kind', async () => nothing(await attackByKills(3)));

  it('backups are restored under writers, one by one and two at once', async () =>
    nothing(await attackByRestores(8, 8)));

  it('files are damaged: it is told, or harmless', async () => nothing(await attackByDamage(4)));

  it('requests of every bad kind are sent: none fails on the server’s side, none stops it', async () =>
    nothing(await attackByRequests(250)));

  it('everything that can be stored is stored, changed, removed, run, undone and opened again', async () =>
    expectAsync(walkThroughEverything(150, 1)).toBeResolved());
});
