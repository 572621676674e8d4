import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Tool } from '@mellow-anvil/core/blade';
import { atRest, press, textOf, typeInto } from '../../testing/host';
import { answer, page, playServer, stone, stored } from '../../testing/page';
import { OldEdgePage } from './old-edge.page';

describe('OldEdgePage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<OldEdgePage>;
  const wheel = {
    ...stone('wheel', '60'),
    name: 'Wheel',
    kind: 'dry-wheel',
    grade: { standard: 'FEPA-F', grade: '60' },
  };

  const show = async (stones: object[]): Promise<void> => {
    server = playServer();
    fixture = TestBed.createComponent(OldEdgePage);
    answer(server, '/api/tools', page([]));
    answer(server, '/api/abrasives', page(stones));
    await fixture.whenStable();
  };

  it('says what an old edge comes to, by what is seen of it', async () => {
    await show([stone('a', '1000'), stone('b', '8000'), wheel]);
    expect(textOf(fixture, '.verdict')).toContain('A project');
    expect(textOf(fixture, '.work')).toMatch(/Rust off 10 min.*Back hollowed at the wheel.*First edge/);
    await press(fixture, 'Hammered');
    expect(textOf(fixture, '.verdict')).toContain('Leave it');
    expect(textOf(fixture, '.rest')).toContain('struck with a hammer');
    await press(fixture, 'Whole');
    await typeInto(fixture, 'Deepest near the edge', '0.2');
    expect(textOf(fixture, '[role=alert]')).toContain('at least as deep');
    await typeInto(fixture, 'Deepest near the edge', '0');
    await typeInto(fixture, 'Deepest pit', '0');
    await typeInto(fixture, 'Deepest nick', '0');
    await press(fixture, 'None');
    expect(textOf(fixture, '.work')).toMatch(/^Back polished [^A-Z]*First edge/);
  });

  it('bought, it hangs on the rack with what was seen, and its plan is asked', async () => {
    await show([stone('a', '1000'), stone('b', '8000'), wheel]);
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press(fixture, 'Bought: put it on the rack');
    const post = server.expectOne({ method: 'POST', url: '/api/tools' });
    const tool = post.request.body as Tool;
    expect(tool.edge).toEqual(jasmine.objectContaining({ back: 'hollowed', polishedMm: 3, hollowMm: 19 }));
    expect(tool.bought).toEqual(jasmine.objectContaining({ verdict: 'project' }));
    expect(tool.bought?.on).toMatch(/^\d{4}-\d\d-\d\d$/);
    post.flush(stored(tool, 'old'));
    await atRest();
    expect(went).toHaveBeenCalledOnceWith(['/tools', 'old', 'plan']);
  });

  it('without a wheel flattens it whole', async () => {
    await show([stone('a', '1000'), stone('b', '8000')]);
    expect(textOf(fixture, '.work')).not.toContain('hollowed');
  });

  it('without a stone says to leave it', async () => {
    await show([]);
    expect(textOf(fixture, '.verdict')).toContain('Leave it');
    expect(textOf(fixture)).not.toContain('put it on the rack');
  });
});
