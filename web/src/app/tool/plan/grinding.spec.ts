import { TestBed } from '@angular/core/testing';
import { filter, firstValueFrom, map, of, throwError, type Observable } from 'rxjs';
import { type Abrasive, USUAL_RPM } from '@mellow-anvil/core/abrasive';
import { Refusal } from '@mellow-anvil/core/base';
import type { SingleBevelEdge } from '@mellow-anvil/core/blade';
import { wedgeHeat, type WedgeHeat, type WedgeHeatInput, wheelAtWork } from '@mellow-anvil/core/grinding';
import { type GrindingStep, inPasses, passHeat } from '@mellow-anvil/core/plan';
import type { AtWheel } from '../../data/wheel-passes';
import { WheelFields } from '../../parts/wheel-fields';
import { HeavyWork } from '../../platform/heavy-work';
import { press, textOf, typeInto, until } from '../../testing/host';
import { playServer } from '../../testing/page';
import { GrindingStepCard } from './grinding-step';
import { HeatPanel } from '../../parts/heat-panel';

const EDGE: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 19,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};
const WHEEL: Abrasive = {
  name: 'Dry wheel',
  kind: 'dry-wheel',
  grade: { standard: 'UM', grade: '260' },
  lubricant: 'dry',
  strokeMm: 100,
  overheadMin: 2,
  wheel: { widthMm: 25, rpm: USUAL_RPM['dry-wheel'], readings: [{ on: '2026-10-19', diameterMm: 146 }] },
};
const TOOL = { steel: 'high-carbon' } as const;

/** The worker's place taken by the same work on this thread, and what was asked of it. */
function playWorker(
  answer: (input: WedgeHeatInput) => Observable<WedgeHeat> = (input) => of(wedgeHeat(input)),
): WedgeHeatInput[] {
  const asked: WedgeHeatInput[] = [];
  const heavy: Partial<HeavyWork> = {
    run: ((_task: string, input: WedgeHeatInput) => {
      asked.push(input);
      return answer(input).pipe(map((value) => ({ value })));
    }) as never,
  };
  TestBed.overrideProvider(HeavyWork, { useValue: heavy });
  return asked;
}

const INPUT: WedgeHeatInput = {
  bevelDeg: 25,
  thicknessMm: 3.5,
  widthMm: 19,
  stopShortMm: 0.7,
  pushN: 5,
  rimMs: 22,
  steel: 'high-carbon',
  limitC: 120,
};

describe('the web worker', () => {
  it('answers with what core says, and with its refusal in words', async () => {
    const heavy = TestBed.inject(HeavyWork);
    const worked = await new Promise<WedgeHeat>((resolve, reject) =>
      heavy.run('wedgeHeat', INPUT).subscribe({
        next: (news) => 'value' in news && resolve(news.value),
        error: reject,
      }),
    );
    expect(worked).toEqual(wedgeHeat(INPUT));
    const refused = await new Promise<unknown>((resolve) =>
      heavy.run('wedgeHeat', { ...INPUT, stopShortMm: 99 }).subscribe({ error: resolve }),
    );
    expect(refused).toBeInstanceOf(Refusal);
    expect((refused as Refusal).field).toBe('stopShortMm');
  });

  it('tells how far a long work is, and stops it for whoever no longer waits; the others are answered', async () => {
    const heavy = TestBed.inject(HeavyWork);
    // Very fine cells: minutes, were it not stopped.
    const long: WedgeHeatInput = { ...INPUT, limitC: 5000, longestS: 600, cellMm: 0.02 };
    const share = await new Promise<number>((resolve, reject) => {
      const working = heavy.run('wedgeHeat', long).subscribe({
        next: (news) => {
          if (!('share' in news)) return;
          working.unsubscribe();
          resolve(news.share);
        },
        error: reject,
      });
    });
    expect(share).toBeGreaterThan(0);
    expect(share).toBeLessThan(0.5);
    const after = await firstValueFrom(heavy.run('wedgeHeat', INPUT).pipe(filter((news) => 'value' in news)));
    expect(after.value).toEqual(wedgeHeat(INPUT));
  });
});

describe('HeatPanel', () => {
  const show = async () => {
    playServer();
    const fixture = TestBed.createComponent(HeatPanel);
    fixture.componentRef.setInput('tool', TOOL);
    fixture.componentRef.setInput('edge', EDGE);
    fixture.componentRef.setInput('wheel', wheelAtWork(WHEEL, 5));
    await fixture.whenStable();
    await until(() => /\d s/.test(textOf(fixture, '[role=status]')), 'the pass is worked out');
    return fixture;
  };

  it('says how long a pass may last, and shortens it with the push; the wheel decides', async () => {
    const asked = playWorker();
    const fixture = await show();
    const before = Number.parseFloat(textOf(fixture, '.pass'));
    await typeInto(fixture, 'Push (N)', '10');
    await until(() => asked.at(-1)?.pushN === 10, 'the new push is worked out');
    await until(() => Number.parseFloat(textOf(fixture, '.pass')) < before / 1.8, 'the pass is shorter');
    expect(textOf(fixture)).toContain('the wheel decides, not the screen');
  });

  it('shows a refusal in words in place of a figure', async () => {
    playWorker((input) =>
      input.stopShortMm > 8
        ? throwError(() => new Refusal('stopShortMm', 'That is the whole bevel: stop nearer the edge.'))
        : of(wedgeHeat(input)),
    );
    const fixture = await show();
    await typeInto(fixture, 'Stop short of the edge', '9');
    await until(() => textOf(fixture, '[role=status]').includes('whole bevel'), 'the refusal');
    expect(textOf(fixture, '.pass')).toBe('');
  });
});

describe('GrindingStepCard', () => {
  const grinding: GrindingStep = {
    wheelId: 'wheel',
    stopShortMm: 0.7,
    pushN: 5,
    removeMm3: 60,
    minutes: 3,
    landBeforeMm: 1.9,
  };
  const show = async (wheel: Abrasive, heat?: WedgeHeat) => {
    playServer();
    const fixture = TestBed.createComponent(GrindingStepCard);
    const work = wheelAtWork(wheel, grinding.pushN);
    const run = inPasses(grinding, work, heat);
    fixture.componentRef.setInput('at', { wheel, grinding, work, run } satisfies AtWheel);
    await fixture.whenStable();
    return { fixture, run };
  };

  it('shows the passes that go to the bench, the plan’s minutes and the dip', async () => {
    const heat = passHeat(EDGE, TOOL.steel, grinding, wheelAtWork(WHEEL, grinding.pushN));
    const { fixture, run } = await show(WHEEL, wedgeHeat(heat as WedgeHeatInput));
    expect(textOf(fixture, '.passes')).toContain(String(run.passes));
    expect(textOf(fixture)).toContain('about 3 min in all');
    expect(textOf(fixture)).toContain('tip and corners last');
  });

  it('on a wet wheel speaks of no dips', async () => {
    const { fixture, run } = await show({ ...(({ wheel: _, ...rest }) => rest)(WHEEL), kind: 'wet-wheel' });
    expect(run.dipS).toBeUndefined();
    expect(textOf(fixture)).toContain('Fill the trough');
    expect(textOf(fixture)).not.toContain('a dip');
  });
});

describe('WheelFields', () => {
  it('notes a diameter and a dressing, and tells the wear', async () => {
    playServer();
    const fixture = TestBed.createComponent(WheelFields);
    fixture.componentRef.setInput('wheel', WHEEL.wheel);
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('No dressing noted yet');
    await typeInto(fixture, 'Diameter today', '144.5');
    (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('#dressed')?.click();
    await fixture.whenStable();
    await press(fixture, 'Note it');
    expect(fixture.componentInstance.wheel()?.readings.at(-1)).toEqual({
      on: jasmine.stringMatching(/^\d{4}-\d\d-\d\d$/) as never,
      diameterMm: 144.5,
      dressed: true,
    });
    expect(textOf(fixture)).toContain('It has lost 1.5 mm in 2 readings. Dressed once');
  });
});
