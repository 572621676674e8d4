import { join } from 'node:path';
import { TOOLS } from '../fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../workshop.js';
import { idsIn, type Outcome } from './folders.js';

const WRITERS = 4;

/**
 * Restores backups while writers write, one at a time and two at once: whatever was acknowledged is in the
 * workshop or in a copy made before a restore, and the workshop is never empty.
 */
export async function attackByRestores(restores: number, pairs: number): Promise<Outcome> {
  const shop = await openTestWorkshop();
  const failures: string[] = [];
  const acknowledged = new Set<string>();
  const copies: string[] = [];
  let writing = true;
  const refused: string[] = [];
  try {
    for (const tool of Object.values(TOOLS))
      acknowledged.add((await shop.ask('POST', '/api/tools', tool)).body.id);
    const backup = (await shop.ask('POST', '/api/backups')).body.name as string;
    const writers = Array.from({ length: WRITERS }, async () => {
      while (writing) {
        const { status, body } = await shop.ask('POST', '/api/tools', TOOLS.gouge);
        if (status === 201) acknowledged.add(body.id as string);
        else refused.push(`${status} ${String(body.detail)}`);
      }
    });
    const restore = async (): Promise<void> => {
      const { status, body } = await shop.ask('POST', '/api/backups/restore', { name: backup });
      if (status === 200) copies.push(body.before as string);
      else if (status !== 409) failures.push(`a restore: ${status} ${String(body.detail)}`);
      if ((await rackSize(shop)) < Object.keys(TOOLS).length)
        failures.push('the rack is emptier than the backup');
    };
    for (let i = 0; i < restores; i++) await restore();
    for (let i = 0; i < pairs; i++) await Promise.all([restore(), restore()]);
    writing = false;
    await Promise.all(writers);
    const found = await idsIn(shop.database.file, 'tools');
    for (const copy of new Set(copies)) {
      for (const id of await idsIn(join(shop.folder, 'backups', copy), 'tools')) found.add(id);
    }
    const lost = [...acknowledged].filter((id) => !found.has(id)).length;
    if (lost > 0) failures.push(`${lost} of ${acknowledged.size} acknowledged writes are in neither place`);
    if (refused.length > 0) failures.push(`a write was refused: ${refused[0]}`);
    return {
      what: 'restores under writers',
      tried: `${restores} restores and ${pairs} pairs at once, ${copies.length} done, ${acknowledged.size} writes acknowledged`,
      failures,
    };
  } finally {
    writing = false;
    await shop.close();
  }
}

const rackSize = async (shop: TestWorkshop): Promise<number> =>
  (await shop.ask('GET', '/api/tools?pageSize=1')).body.total as number;
