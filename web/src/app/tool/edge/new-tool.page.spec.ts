import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { HttpTestingController } from '@angular/common/http/testing';
import { atRest, inputOf, press, textOf, typeInto } from '../../testing/host';
import { GUIDE, IRON, answer, page, playServer, stone, stored } from '../../testing/page';
import { NewToolPage } from './new-tool.page';

describe('NewToolPage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<NewToolPage>;
  let went: jasmine.Spy;

  const show = async (tools: object[]): Promise<void> => {
    server = playServer();
    went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    fixture = TestBed.createComponent(NewToolPage);
    answer(server, '/api/tools', page(tools));
    answer(server, '/api/guides', page([stored(GUIDE, 'g')]));
    answer(server, '/api/abrasives', page([stone('a', '1000'), stone('b', '8000')]));
    await fixture.whenStable();
  };
  const submit = async (): Promise<void> => {
    await press(fixture, 'Put it on the rack');
    (fixture.nativeElement as HTMLElement)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
  };
  const sent = async () => {
    await atRest();
    return server.expectOne({ method: 'POST', url: '/api/tools' });
  };

  it('begins with a family’s usual figures, and sends what was typed', async () => {
    await show([stored(IRON, 'other')]);
    expect(inputOf(fixture, 'Secondary angle').value).toBe('30');
    await typeInto(fixture, 'Name', 'My chisel');
    await typeInto(fixture, 'Width', '3/4 in');
    await typeInto(fixture, 'Secondary angle', '');
    await submit();
    const post = await sent();
    expect(post.request.body.name).toBe('My chisel');
    expect(post.request.body.edge.widthMm).toBeCloseTo(19.05, 9);
    expect(post.request.body.edge.secondaryDeg).toBeUndefined();
    post.flush(stored({ ...IRON, name: 'My chisel' }, 'new-one'));
    await atRest();
    expect(went).toHaveBeenCalledWith(['/tools', 'new-one', 'edge']);
  });

  it('asks for a name only once the tool is meant to be kept, and then sends nothing', async () => {
    await show([stored(IRON, 'other')]);
    await typeInto(fixture, 'Width', '25');
    expect(textOf(fixture)).not.toContain('Name is empty');
    await submit();
    await atRest();
    expect(textOf(fixture)).toContain('Name is empty');
    server.expectNone({ method: 'POST', url: '/api/tools' });
  });

  it('goes to the tool with nothing else in the workshop too', async () => {
    await show([]);
    await typeInto(fixture, 'Name', 'First');
    await submit();
    (await sent()).flush(stored({ ...IRON, name: 'First' }, 'first'));
    await atRest();
    expect(went).toHaveBeenCalledWith(['/tools', 'first', 'edge']);
  });
});
