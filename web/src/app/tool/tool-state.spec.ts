import { TestBed } from '@angular/core/testing';
import { edgeAtFirst, RACK_RULES } from '@mellow-anvil/core/record';
import { press, textOf } from '../testing/host';
import { IRON, answer, page, playServer, stored } from '../testing/page';
import { ToolState } from './tool-state';

describe('ToolState', () => {
  it('says what is asked for and by which rule, and takes the user’s own word', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(ToolState);
    fixture.componentRef.setInput('tool', stored(IRON, 'iron', 4));
    await fixture.whenStable();
    const state = edgeAtFirst(IRON);
    answer(server, '/api/records', {
      iron: { entries: 2, state: { ...state, sinceHoned: { ...state.sinceHoned, spells: 1, chips: 2 } } },
    });
    answer(server, '/api/tools', page([stored(IRON, 'iron', 4)]));
    await fixture.whenStable();
    expect(textOf(fixture, 'ma-state-mark')).toBe('Hone');
    expect(textOf(fixture)).toContain('2 chips');
    await press(fixture, 'Why this state');
    const panel = (): string => document.querySelector('.p-popover')?.textContent ?? '';
    expect(panel()).toContain('2 chips since it was honed.');
    for (const { says } of RACK_RULES) expect(panel()).toContain(says);
    const ready = [...document.querySelectorAll<HTMLElement>('.p-popover button')].find(
      (each) => each.textContent?.trim() === 'Ready',
    );
    ready?.click();
    await fixture.whenStable();
    const put = server.expectOne({ method: 'PUT', url: '/api/tools/iron' });
    expect(put.request.body.overruling.state).toBe('ready');
    expect(put.request.body.version).toBe(4);
  });
});
