import { TestBed } from '@angular/core/testing';
import { Keys, type KeyAsk } from './keys';

describe('Keys', () => {
  let keys: Keys;
  const press = (
    key: string,
    more: KeyboardEventInit = {},
    on: Element = document.body,
  ): KeyAsk | undefined => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, ...more });
    on.dispatchEvent(event);
    return keys.asked(event);
  };
  beforeEach(() => {
    localStorage.removeItem('mellow-anvil.single-keys');
    keys = TestBed.inject(Keys);
  });
  afterEach(() => localStorage.removeItem('mellow-anvil.single-keys'));

  it('ask for places, sides, undo and their own sheet', () => {
    expect(press('/')).toBe('go-to');
    expect(press('?')).toBe('keys');
    expect(press('4')).toEqual({ side: 'plan' });
    expect(press('z', { ctrlKey: true })).toBe('undo');
    expect(press('Z', { metaKey: true, shiftKey: true })).toBe('redo');
    expect([press('9'), press('k'), press('/', { altKey: true }), press('p', { ctrlKey: true })]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
  });

  it('leave what is typed, and what a dialog is asked, alone', () => {
    for (const markup of [
      '<input>',
      '<textarea></textarea>',
      '<div role="dialog"><button>Close</button></div>',
    ]) {
      const host = document.createElement('div');
      host.innerHTML = markup;
      document.body.append(host);
      expect(press('/', {}, host.querySelector('input, textarea, button') as Element)).toBeUndefined();
      expect(
        press('z', { ctrlKey: true }, host.querySelector('input, textarea, button') as Element),
      ).toBeUndefined();
      host.remove();
    }
  });

  it('switched off, keep only what is held with Ctrl, on this device', () => {
    keys.chooseSingle(false);
    expect([press('/'), press('1')]).toEqual([undefined, undefined]);
    expect(press('z', { ctrlKey: true })).toBe('undo');
    TestBed.resetTestingModule();
    expect(TestBed.inject(Keys).single()).toBeFalse();
  });
});
