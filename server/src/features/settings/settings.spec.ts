import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { isLoopback } from '../../platform/strangers.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

describe('settings', () => {
  let shop: TestWorkshop;
  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());

  it('are the defaults until one is chosen, then kept, and undone to the defaults', async () => {
    expect((await shop.ask('GET', '/api/settings')).body).toEqual({ ...DEFAULT_SETTINGS, version: 0 });
    const chosen = { name: 'Shed', units: 'inch', decimalMark: 'comma' };
    const put = await shop.ask('PUT', '/api/settings', { ...chosen, version: 0 });
    expect(put.body).toEqual(jasmine.objectContaining({ ...chosen, version: 1 }));
    expect((await shop.ask('PUT', '/api/settings', { ...chosen, version: 0 })).status).toBe(409);
    const [{ id }] = (await shop.ask('GET', '/api/undo')).body.undo;
    await shop.ask('POST', '/api/undo/undo', { id });
    expect((await shop.ask('GET', '/api/settings')).body.name).toBe(DEFAULT_SETTINGS.name);
    const again = await shop.ask('PUT', '/api/settings', { ...chosen, version: 0 });
    expect(again.status).toBe(200);
    expect((await shop.ask('GET', '/api/settings')).body.units).toBe('inch');
  });

  it('chosen by thirty at once for the first time are taken once, and the others told', async () => {
    const answers = await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        shop.ask('PUT', '/api/settings', { ...DEFAULT_SETTINGS, name: `Shed ${i}`, version: 0 }),
      ),
    );
    expect(answers.filter(({ status }) => status === 200).length).toBe(1);
    expect(answers.filter(({ status }) => status === 409).length).toBe(29);
  });

  it('refuse units nobody reads', async () => {
    const refused = await shop.ask('PUT', '/api/settings', {
      ...DEFAULT_SETTINGS,
      units: 'ells',
      version: 0,
    });
    expect(refused.body.errors).toEqual([{ field: 'units', message: 'Units: choose mm or inch.' }]);
  });
});

describe('isLoopback', () => {
  it('knows this machine from every other', () => {
    for (const here of ['127.0.0.1', '127.8.9.10', 'localhost', 'LOCALHOST', '::1', '[::1]']) {
      expect(isLoopback(here)).withContext(here).toBeTrue();
    }
    for (const there of [
      '0.0.0.0',
      '::',
      '192.168.1.4',
      'localhost.example',
      '127.0.0.1.example',
      'example',
      '',
    ]) {
      expect(isLoopback(there)).withContext(there).toBeFalse();
    }
  });
});
