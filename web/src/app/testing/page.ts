import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import type { Stored } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { SingleBevelEdge, Tool } from '@mellow-anvil/core/blade';
import type { RollerGuide } from '@mellow-anvil/core/guide';

/** Sets up the page's own providers with a server that the test plays. */
export function playServer(): HttpTestingController {
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      provideHttpClient(),
      provideHttpClientTesting(),
      providePrimeNG({}),
      MessageService,
    ],
  });
  return TestBed.inject(HttpTestingController);
}

/** Answers every request waiting at a path, whatever its query. */
export function answer(server: HttpTestingController, path: string, body: object): void {
  for (const waiting of server.match((request) => request.url === path && request.method === 'GET'))
    waiting.flush(body);
}

/** A list as the server pages it. */
export const page = (items: readonly unknown[]): object => ({
  items,
  page: 1,
  pageSize: 500,
  total: items.length,
});

export const stored = <T extends object>(thing: T, id: string, version = 1): Stored<T> =>
  ({
    ...thing,
    id,
    version,
    createdAt: '2026-11-02T09:00:00Z',
    updatedAt: '2026-11-02T09:00:00Z',
  }) as Stored<T>;

export const EDGE: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 45,
  thicknessMm: 3,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.5,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};

export const IRON: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge: EDGE };

export const GUIDE: RollerGuide = {
  name: 'Guide',
  form: 'side-clamping-roller',
  rollerRadiusMm: 9,
  noseMm: 16.25,
  seats: [
    { name: 'Chisel jaws', registers: 'back', heightMm: 16.25, maxWidthMm: 38 },
    { name: 'Iron jaws', registers: 'back', heightMm: 21, minWidthMm: 35 },
  ],
};

export const stone = (id: string, grade: string): Stored<Abrasive> =>
  stored<Abrasive>(
    {
      name: `Stone ${grade}`,
      kind: 'water-stone',
      grade: { standard: 'JIS', grade },
      lubricant: 'water',
      strokeMm: 150,
      overheadMin: 0.5,
    },
    id,
  );
