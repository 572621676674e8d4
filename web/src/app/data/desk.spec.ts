import { TestBed } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { planHoning } from '@mellow-anvil/core/plan';
import { AbrasivesStore } from './abrasives.store';
import { GUIDE, IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { Desk, type Answer, type SetUp } from './desk';

describe('Desk', () => {
  let server: HttpTestingController;
  let desk: Desk;
  let plan: Answer | undefined;
  let setUp: SetUp | undefined;
  const bench = [stone('s400', '400'), stone('s1000', '1000'), stone('s8000', '8000')];

  beforeEach(() => {
    server = playServer();
    desk = TestBed.inject(Desk);
    desk.answer$.subscribe((now) => (plan = now));
    desk.setUp$.subscribe((now) => (setUp = now));
    answer(server, '/api/tools', page([stored(IRON, 'iron'), stored({ ...IRON, name: 'Other' }, 'other')]));
    answer(server, '/api/guides', page([stored(GUIDE, 'guide')]));
    answer(server, '/api/abrasives', page(bench));
    answer(server, '/api/records', {});
    desk.takeUp('iron');
  });

  it('plans the tool in the vise on the stones at hand, as core does', () => {
    expect(plan?.plan).toEqual(planHoning(IRON, bench, plan?.request as Answer['request']));
    expect(plan?.plan?.steps.map(({ id }) => id)).toEqual(['s1000', 's8000']);
  });

  it('sets the tool up in the seat its width fits, until another is chosen', () => {
    expect(setUp?.seat?.name).toBe('Iron jaws');
    expect(setUp?.settings[1]?.projectionMm).toBeCloseTo(38.123, 3);
    desk.chooseGuide('guide', 'Chisel jaws');
    expect(setUp?.settings[1]?.projectionMm).toBeCloseTo(29.896, 3);
  });

  it('lays a stone aside for this tool only, and takes it back', () => {
    desk.toggle('s1000');
    expect(plan?.plan?.steps.map(({ id }) => id)).toEqual(['s8000']);
    desk.takeUp('other');
    expect(plan?.request.laidAside).toEqual([]);
    desk.takeUp('iron');
    desk.toggle('s1000');
    expect(plan?.request.laidAside).toEqual([]);
  });

  it('strops what only fades, grinds what is nicked deep, and asks anew with another condition', () => {
    const all = [
      ...bench,
      stored<Abrasive>({ ...stone('x', '8000'), kind: 'strop', lubricant: 'compound' }, 'strop'),
    ];
    const wheel = stored<Abrasive>({ ...stone('x', '400'), kind: 'dry-wheel', lubricant: 'dry' }, 'wheel');
    TestBed.inject(AbrasivesStore).load();
    answer(server, '/api/abrasives', page([...all, wheel]));
    desk.ask({ condition: { kind: 'fading' } });
    expect([plan?.request.stropOnly, plan?.plan?.steps.length]).toEqual([true, 0]);
    desk.ask({ stropOnly: false });
    expect(plan?.plan?.steps.length).toBeGreaterThan(0);
    desk.ask({ condition: { kind: 'nicked', nickMm: 0.6 } });
    expect(plan?.request.grind?.wheelId).toBe('wheel');
    desk.ask({ grind: undefined });
    expect(plan?.plan?.grinding).toBeUndefined();
    desk.ask({ condition: { kind: 'dull' } });
    expect([plan?.request.grind, plan?.request.stropOnly]).toEqual([undefined, undefined]);
  });

  it('answers an impossible wish with its sentence', () => {
    desk.ask({ finishUm: 0.5 });
    expect(plan?.plan).toBeUndefined();
    expect(plan?.refusal).toEqual(jasmine.objectContaining({ field: 'finishUm' }));
  });
});
