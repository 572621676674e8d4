import sqlite3 from 'sqlite3';
import { WORKSHOP_FORMAT, type Identified, type Tool, type Workshop } from '@mellow-anvil/core';
import { openShop } from './shop.js';
import { medianMsOf, ms, times, type Row } from './table.js';

function shopOf(count: number): Workshop {
  const tools = Array.from({ length: count }, (_, i): Identified<Tool> => ({
    id: `tool-${i}`,
    name: `Chisel ${i}`,
    family: 'bench-chisel',
    steel: 'high-carbon',
    edge: {
      form: 'single-bevel',
      widthMm: 6 + (i % 32),
      thicknessMm: 3.5,
      primaryDeg: 25,
      secondaryDeg: 30,
      landMm: 0.5,
      grind: 'flat',
      back: 'flat',
      front: { shape: 'straight' },
    },
    notes: 'One of many.',
  }));
  return {
    format: 'mellow-anvil-workshop',
    version: WORKSHOP_FORMAT,
    name: 'Many',
    tools,
    guides: [],
    abrasives: [],
    plans: [],
    sessions: [],
  };
}

export async function benchServer(): Promise<Row[]> {
  const shop = await openShop();
  await shop.open(shopOf(300));
  const list = async (): Promise<unknown> => (await fetch(`${shop.origin}/api/tools?pageSize=500`)).json();
  const plain = new sqlite3.Database(shop.database.file, sqlite3.OPEN_READONLY);
  const rows = (): Promise<unknown[]> =>
    new Promise((resolve, reject) => {
      plain.all(
        'SELECT * FROM tools WHERE deletedAt IS NULL ORDER BY lower(name), id LIMIT 500',
        (reason: Error | null, found: unknown[]) => (reason ? reject(reason) : resolve(found)),
      );
    });
  const [asked, read] = [await medianMsOf(60, list), await medianMsOf(60, rows)];
  await new Promise((resolve) => plain.close(resolve));
  await shop.close();
  return [
    {
      what: 'tools list over HTTP, 300 tools',
      figure: ms(asked),
      yardstick: `the same rows by plain sqlite3 ${ms(read)}, ${times(asked / read)} as long`,
    },
  ];
}
