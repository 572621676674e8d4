import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { press, textOf, until } from '../testing/host';
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

  it('sends a file as it is, shows how far it has come, and stops it on request', async () => {
    choose('shed.json', 'milk, eggs');
    const put = server.expectOne({ method: 'PUT', url: '/api/workshop' });
    expect(put.request.body instanceof File).toBeTrue();
    expect(put.request.headers.get('Content-Type')).toBe('application/json');
    await until(
      () => server.match('/api/work').map((asked) => asked.flush([{ what: '', done: 3, of: 6 }])).length > 0,
      'it is asked how far it is',
    );
    await until(() => {
      fixture.detectChanges();
      return (
        fixture.nativeElement.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') === '50'
      );
    }, 'half of it is shown');
    await press(fixture, 'Stop');
    expect(put.cancelled).toBeTrue();
    await says('Stopped. Nothing was changed.');
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
