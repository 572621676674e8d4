import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Edge } from '@mellow-anvil/core/blade';
import { planHoning } from '@mellow-anvil/core/plan';
import { edgeAtFirst } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Desk } from '../../data/desk';
import { Checks } from '../../ui/checks';
import { Undo } from '../../platform/undo.store';
import { ToolsStore } from '../../data/tools.store';
import { atRest, inputOf, press, textOf, typeInto } from '../../testing/host';
import { GUIDE, IRON, answer, page, playServer, stone, stored } from '../../testing/page';
import { PlansStore } from '../../data/plans.store';
import { PlanSide } from './plan-side';

describe('PlanSide', () => {
  const bench = [stone('s400', '400'), stone('s1000', '1000'), stone('s8000', '8000')];
  let server: HttpTestingController;
  let fixture: ComponentFixture<PlanSide>;
  const strokes = (): string[] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('.hone .strokes')].map(
      (each) => /\d+/.exec(each.textContent ?? '')?.[0] ?? '',
    );

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(PlanSide);
    fixture.componentRef.setInput('tool', stored(IRON, 'iron'));
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    answer(server, '/api/guides', page([stored(GUIDE, 'guide')]));
    answer(server, '/api/abrasives', page(bench));
    answer(server, '/api/records', {});
    answer(server, '/api/plans', page([]));
    TestBed.inject(Desk).takeUp('iron');
    await fixture.whenStable();
  });

  it('shows core’s steps, and says why a stone is left out', async () => {
    const plan = planHoning(IRON, bench, {
      condition: { kind: 'very-dull' },
      finishUm: 2,
      forceN: 20,
      lighter: true,
      strokesPerMin: 40,
      maxRatio: 10,
      mostStrokes: 60,
      laidAside: [],
    });
    await press(fixture, 'Very dull');
    expect(strokes()).toEqual(plan.steps.map((step) => String(step.strokes)));
    expect(textOf(fixture, '.left')).toContain('Stone 400');
    expect(textOf(fixture, 'p.steel')).toContain('the land grows from 0.5 mm');
  });

  it('loads the contract only once something is asked: what nobody asks is as core asks it', async () => {
    const checked = spyOn(TestBed.inject(Checks), 'sentencesFor').and.callThrough();
    await atRest();
    expect(strokes().length).toBeGreaterThan(0);
    expect(checked).not.toHaveBeenCalled();
    await press(fixture, 'Very dull');
    expect(checked).toHaveBeenCalledWith('planDraftSchema', jasmine.objectContaining({ toolId: 'iron' }));
  });

  it('asks how deep a nick is, and plans for it', async () => {
    const before = textOf(fixture, '.total .figure');
    await press(fixture, 'Nicked');
    await typeInto(fixture, 'Depth of the nick', '0,5');
    expect(textOf(fixture, '.total .figure')).not.toBe(before);
    expect(strokes().length).toBeGreaterThanOrEqual(2);
  });

  it('holds the plan back, in words at the field, while a figure is out of reach or unread', async () => {
    await typeInto(fixture, 'Finish at least', '0.5');
    expect(textOf(fixture)).toContain('the finest is 1.2 µm');
    expect(fixture.nativeElement.querySelector('.plan')).toBeNull();
    await typeInto(fixture, 'Finish at least', 'shiny');
    expect(fixture.nativeElement.querySelector('.plan')).toBeNull();
    await typeInto(fixture, 'Finish at least', '2');
    await atRest();
    expect(fixture.nativeElement.querySelector('.plan')).not.toBeNull();
    await typeInto(fixture, 'Land now', '7');
    expect(textOf(fixture)).toContain('at most 6.00 mm');
  });

  it('forgets what stood against one tool’s figures when another is taken up', async () => {
    await typeInto(fixture, 'Finish at least', '0.5');
    expect(fixture.nativeElement.querySelector('.plan')).toBeNull();
    const other = stored({ ...IRON, name: 'Other' }, 'other');
    TestBed.inject(ToolsStore).load();
    answer(server, '/api/tools', page([stored(IRON, 'iron'), other]));
    TestBed.inject(Desk).takeUp('other');
    fixture.componentRef.setInput('tool', other);
    await atRest();
    expect(fixture.nativeElement.querySelector('.plan')).not.toBeNull();
    expect(inputOf(fixture, 'Finish at least').value).toBe('2');
  });

  it('asks a kept plan again whole, whatever was asked since', async () => {
    const request = {
      condition: { kind: 'fading' },
      finishUm: 12,
      forceN: 15,
      strokesPerMin: 50,
      laidAside: [],
    } as const;
    const result = planHoning(IRON, bench, request);
    TestBed.inject(PlansStore).load();
    answer(server, '/api/plans', page([stored({ name: 'Quick', toolId: 'iron', request, result }, 'p')]));
    await typeInto(fixture, 'Land now', '2');
    await press(fixture, 'Ask this again');
    expect(inputOf(fixture, 'Finish at least').value).toBe('12');
    expect(inputOf(fixture, 'Land now').value).toBe('0.5');
    expect(strokes()).toEqual(result.steps.map((step) => String(step.strokes)));
  });

  it('keeps what was asked, without working the result out for the server', async () => {
    await press(fixture, 'Keep this plan');
    const post = server.expectOne({ method: 'POST', url: '/api/plans' });
    expect(post.request.body).toEqual(
      jasmine.objectContaining({
        name: 'Dull, to 2 µm',
        toolId: 'iron',
        guideId: 'guide',
        seatName: 'Iron jaws',
      }),
    );
    expect(post.request.body.result).toBeUndefined();
    expect(post.request.body.request.condition).toEqual({ kind: 'dull' });
  });

  it('plans with the land as the record has it, says why it is more, and takes it to the bench', async () => {
    const first = strokes()[0];
    const state = {
      ...edgeAtFirst({ ...IRON, edge: { ...IRON.edge, landMm: 1.2 } as Edge }),
      landThenMm: 0.5,
      honings: 3,
      honingsSinceThen: 3,
    };
    TestBed.inject(Undo).refresh();
    answer(server, '/api/records', { iron: { entries: 3, state } });
    await fixture.whenStable();
    expect(Number(strokes()[0])).toBeGreaterThan(Number(first));
    expect(textOf(fixture, '.since')).toMatch(
      /grown to 1\.2 mm over 3 honings since it was 0\.5 mm, as entered/,
    );
    await press(fixture, 'Take it to the bench');
    const post = server.expectOne(
      (each) => each.method === 'POST' && /^\/api\/runs\/.+\/events$/.test(each.url),
    );
    const [begun] = post.request.body.events;
    expect([begun.kind, begun.seq]).toEqual(['begun', 0]);
    expect(begun.plan).toEqual(
      jasmine.objectContaining({
        toolId: 'iron',
        condition: { kind: 'dull' },
        setting: jasmine.objectContaining({ guideId: 'guide', seatName: 'Iron jaws', angleDeg: 30 }),
        steps: strokes().map((count, i) => ({
          abrasiveId: ['s1000', 's8000'][i],
          strokes: Number(count),
          forceN: jasmine.any(Number),
          facet: 'secondary',
        })),
      }),
    );
  });

  it('asks once on which stones a tool is sharpened, and remembers it with the tool', async () => {
    const which = (): string => textOf(fixture, '.which');
    expect(which()).toBe('');
    TestBed.inject(AbrasivesStore).load();
    answer(
      server,
      '/api/abrasives',
      page([
        { ...stone('s1000', '1000'), sets: ['Shed'] },
        { ...stone('s8000', '8000'), sets: ['Shed', 'Van'] },
      ]),
    );
    await fixture.whenStable();
    expect(which()).toContain('On which stones');
    await press(fixture, 'Van');
    const put = server.expectOne(({ method, url }) => method === 'PUT' && url === '/api/tools/iron');
    expect(put.request.body.stoneSet).toBe('Van');
    const chosen = { ...stored(IRON, 'iron'), stoneSet: 'Van', version: 2 };
    put.flush(chosen);
    fixture.componentRef.setInput('tool', chosen);
    await fixture.whenStable();
    expect(which()).toBe('');
  });
});
