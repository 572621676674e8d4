import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { wedgeHeat, type WedgeHeat, type WedgeHeatInput } from '@mellow-anvil/core/grinding';
import { type BackHollow, inPasses, type RunGrinding } from '@mellow-anvil/core/plan';
import { HeavyWork } from '../platform/heavy-work';
import { answer, EDGE, GUIDE, IRON, page, playServer, stone, stored } from '../testing/page';
import { Desk } from './desk';
import { type AtWheel, WheelPasses } from './wheel-passes';

const WHEEL: Abrasive = { ...stone('wheel', '400'), kind: 'dry-wheel', lubricant: 'dry' };

describe('WheelPasses', () => {
  it('tells the wheel’s part at once, its passes when the heat model has answered, and nothing once it is left out', () => {
    const asked: WedgeHeatInput[] = [];
    const answers = new Subject<{ value: WedgeHeat }>();
    TestBed.overrideProvider(HeavyWork, {
      useValue: { run: (_task: string, input: WedgeHeatInput) => (asked.push(input), answers) },
    });
    const server = playServer();
    const seen: (AtWheel | undefined)[] = [];
    TestBed.inject(WheelPasses).atWheel$.subscribe((at) => seen.push(at));
    const desk = TestBed.inject(Desk);
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    answer(server, '/api/guides', page([stored(GUIDE, 'guide')]));
    answer(server, '/api/abrasives', page([stone('s1000', '1000'), stored(WHEEL, 'wheel')]));
    answer(server, '/api/records', {});
    desk.takeUp('iron');
    desk.ask({ landMm: 2.5, grind: { wheelId: 'wheel', stopShortMm: 0.5, pushN: 5 } });
    const run = (): RunGrinding | undefined => seen.at(-1)?.run;
    expect(run()).toEqual({ wheelId: 'wheel', stopShortMm: 0.5 });
    const [heat] = asked;
    if (!heat || asked.length !== 1) throw new Error('the heat model is asked once');
    answers.next({ value: wedgeHeat(heat) });
    const at = seen.at(-1) as AtWheel;
    expect(at.run).toEqual(inPasses(at.grinding, at.work, wedgeHeat(heat)));
    expect(at.run.passes).toBeGreaterThan(1);
    desk.ask({ grind: undefined });
    expect(run()).toBeUndefined();
  });

  it('takes the hollow of an old back to the bench in passes by the heat at its rim', () => {
    const asked: WedgeHeatInput[] = [];
    const answers = new Subject<{ value: WedgeHeat }>();
    TestBed.overrideProvider(HeavyWork, {
      useValue: { run: (_task: string, input: WedgeHeatInput) => (asked.push(input), answers) },
    });
    const server = playServer();
    const seen: (BackHollow | undefined)[] = [];
    TestBed.inject(WheelPasses).hollow$.subscribe((hollow) => seen.push(hollow));
    const desk = TestBed.inject(Desk);
    const old = { ...IRON, edge: { ...EDGE, back: 'hollowed', polishedMm: 4, hollowMm: 20, hollows: 2 } };
    answer(server, '/api/tools', page([stored(old, 'iron')]));
    answer(server, '/api/guides', page([stored(GUIDE, 'guide')]));
    answer(server, '/api/abrasives', page([stone('s1000', '1000'), stored(WHEEL, 'wheel')]));
    answer(server, '/api/records', {});
    desk.takeUp('iron');
    desk.ask({ oldBack: { pitsMm: 0.05, wheelId: 'wheel' } });
    const [heat] = asked;
    if (!heat) throw new Error('the heat model is asked');
    expect(heat.stopShortMm).toBe(4);
    const { passS = NaN, dipS } = wedgeHeat(heat);
    answers.next({ value: wedgeHeat(heat) });
    const taken = seen.at(-1);
    expect(taken).toEqual(jasmine.objectContaining({ rimMm: 4, hollows: 2, chordMm: 10 }));
    expect(taken?.passes).toBeGreaterThan(1);
    expect(taken?.passS).toBeLessThanOrEqual(passS + 0.05);
    expect(taken?.dipS).toBeCloseTo(dipS, 1);
    desk.ask({ oldBack: undefined });
    expect(seen.at(-1)).toBeUndefined();
  });
});
