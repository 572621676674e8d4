import { cp, truncate, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { sizeOf } from '../../storage/finding.js';
import { DATABASE_FILE } from '../../storage/database.js';
import { TOOLS } from '../fixtures.js';
import { openTestWorkshop } from '../workshop.js';
import {
  anyNumber,
  asKilled,
  exported,
  flip,
  inFolder,
  layOut,
  lookIn,
  older,
  type Outcome,
} from './folders.js';

/**
 * Damages a workshop's files, after it was closed and after it was killed, and opens it: damage has to be
 * told, or to have changed nothing; and no backup may be made of what was changed.
 */
export async function attackByDamage(flips: number): Promise<Outcome> {
  const failures: string[] = [];
  let [tried, harmless] = [0, 0];
  await inFolder(async (room) => {
    const [closed, killed, found] = [join(room, 'closed'), join(room, 'killed'), join(room, 'found')];
    const name = (await older()).at(-1) as string;
    await layOut(name, closed);
    const shop = await openTestWorkshop(closed);
    await shop.ask('POST', '/api/backups');
    await shop.database.settle();
    // Writes that lie only in the log.
    for (const tool of Object.values(TOOLS)) await shop.ask('POST', '/api/tools', tool);
    const whole = JSON.stringify(await exported(shop.database));
    await asKilled(closed, killed);
    await shop.close();

    const look = async (
      how: string,
      from: string,
      harm: (folder: string) => Promise<unknown>,
    ): Promise<void> => {
      await asKilled(from, found);
      const where = await harm(found);
      const { told, workshop, backedUp } = await lookIn(found);
      tried += 1;
      if (told === '') harmless += 1;
      if (told === '' && workshop !== whole)
        failures.push(
          `${how} ${String(where as string | number | undefined)}: nothing is told, and something is changed`,
        );
      if (workshop !== whole && backedUp && told === '') failures.push(`${how}: copied into a backup unseen`);
    };
    const file = (folder: string): string => join(folder, DATABASE_FILE);
    for (let i = 0; i < flips; i++) {
      await look('a byte flipped after closing', closed, (folder) => flip(file(folder), anyNumber));
      await look('a byte flipped after a kill', killed, (folder) => flip(file(folder), anyNumber));
      await look('a byte of the log flipped', killed, (folder) => flip(`${file(folder)}-wal`, anyNumber));
      await look('the log cut short', killed, (folder) =>
        truncate(`${file(folder)}-wal`, Math.floor(anyNumber() * sizeOf(`${file(folder)}-wal`))),
      );
      if (i % 5 === 0) {
        await look('a byte of the seal flipped', closed, (folder) => flip(`${file(folder)}-seal`, anyNumber));
        await look('a byte of the tally flipped', killed, (folder) =>
          flip(`${file(folder)}-tally`, anyNumber),
        );
      }
    }
    for (const [how, bytes] of [
      ['no bytes', ''],
      ['one byte', 'x'],
      ['a line of text', 'this is a shopping list'],
    ] as const) {
      for (const from of [closed, killed]) {
        await look(how, from, (folder) => writeFile(file(folder), bytes));
      }
    }
    for (const part of [0.25, 0.5, 0.9]) {
      await look('the file cut short', closed, (folder) =>
        truncate(file(folder), Math.floor(part * sizeOf(file(folder)))),
      );
    }
    await asKilled(killed, found);
    const unharmed = await lookIn(found);
    if (unharmed.told !== '' || unharmed.workshop !== whole) {
      failures.push(`a kill alone: ${unharmed.told || 'something is lost'}`);
    }
    await cp(closed, found, { recursive: true, force: true });
  });
  return { what: 'damaged files', tried: `${tried} tried, ${harmless} changed nothing`, failures };
}
