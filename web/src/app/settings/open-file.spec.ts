import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { textOf, until } from '../testing/host';
import { playServer } from '../testing/page';
import { OpenFile } from './open-file';

describe('OpenFile', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<OpenFile>;
  const choose = (name: string, content: BlobPart): void => {
    const input: HTMLInputElement = fixture.nativeElement.querySelector('input[type=file]');
    const chosen = new DataTransfer();
    chosen.items.add(new File([content], name));
    input.files = chosen.files;
    input.dispatchEvent(new Event('change'));
  };
  const says = async (words: string): Promise<void> =>
    until(() => {
      fixture.detectChanges();
      return textOf(fixture).includes(words);
    }, words);

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(OpenFile);
    await fixture.whenStable();
  });

  it('does not send what is no JSON', async () => {
    choose('shopping.json', 'milk, eggs');
    await says('shopping.json is not JSON');
    server.expectNone({ method: 'PUT', url: '/api/workshop' });
  });

  it('shows what is wrong with a file, entry by entry, and that nothing was changed', async () => {
    choose('shed.json', '{"format":"recipe"}');
    let put = server.match({ method: 'PUT', url: '/api/workshop' });
    await until(
      () => (put = put.length ? put : server.match({ method: 'PUT', url: '/api/workshop' })).length > 0,
      'it is sent',
    );
    const errors = [{ field: 'tools.3.name', message: 'Name is empty: write something short.' }];
    put[0]?.flush(
      { title: 'No', detail: 'Name is empty.', errors },
      { status: 422, statusText: 'Unprocessable' },
    );
    await says('Not opened, and nothing was changed.');
    expect(textOf(fixture, '[role=alert] li')).toBe('tools.3.name Name is empty: write something short.');
  });

  it('has every store load again once the file is open', async () => {
    choose('shed.json', '{"format":"mellow-anvil-workshop"}');
    let put = server.match({ method: 'PUT', url: '/api/workshop' });
    await until(
      () => (put = put.length ? put : server.match({ method: 'PUT', url: '/api/workshop' })).length > 0,
      'it is sent',
    );
    put[0]?.flush({ name: 'Shed' });
    await until(() => server.match('/api/undo').length > 0, 'the list of changes is asked for again');
  });
});
