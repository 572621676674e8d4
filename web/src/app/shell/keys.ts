import { Injectable, signal } from '@angular/core';
import { SIDES } from './rooms';

/** What a key asks for. */
export type KeyAsk = 'go-to' | 'keys' | 'undo' | 'redo' | { readonly side: string };

/** The keys, as the sheet lists them. */
export const KEY_SHEET: readonly { readonly keys: string; readonly does: string; readonly single?: true }[] =
  [
    { keys: '/', does: 'Go to a tool, a stone, a guide or a room by a few letters', single: true },
    {
      keys: '1 … 5',
      does: `The sides of the tool in hand: ${SIDES.map(({ label }) => label).join(', ')}`,
      single: true,
    },
    { keys: '?', does: 'This sheet', single: true },
    { keys: 'Ctrl Z', does: 'Undo' },
    { keys: 'Ctrl Shift Z', does: 'Do again' },
    {
      keys: 'Space, Enter, Page Down',
      does: 'At the bench: a stroke counted, or done; a foot pedal sends one of these',
    },
    { keys: 'Arrow keys', does: 'On a handle of a drawing: its figure up or down' },
  ];

const KEY = 'mellow-anvil.single-keys';

/** Keys that work wherever one is. Single letters can be switched off, for those whose speech or hands set them off. */
@Injectable({ providedIn: 'root' })
export class Keys {
  readonly single = signal(localStorage.getItem(KEY) !== 'off');

  chooseSingle(on: boolean): void {
    localStorage.setItem(KEY, on ? 'on' : 'off');
    this.single.set(on);
  }

  /** What a pressed key asks for; nothing while something is typed, or a dialog is open. */
  asked(event: KeyboardEvent): KeyAsk | undefined {
    if (event.altKey || event.defaultPrevented || isTaken(event.target)) return undefined;
    const key = event.key.toLowerCase();
    if (event.ctrlKey || event.metaKey) {
      if (key === 'z') return event.shiftKey ? 'redo' : 'undo';
      return undefined;
    }
    if (!this.single()) return undefined;
    if (key === '/') return 'go-to';
    if (key === '?') return 'keys';
    const side = SIDES[Number(key) - 1];
    return side && { side: side.path };
  }
}

/** Whether keys are for what has the focus: a field, or a dialog over the room. */
function isTaken(target: EventTarget | null): boolean {
  if (!(target instanceof Element)) return false;
  return (
    target.closest(
      'input, textarea, select, [contenteditable], [role=combobox], [role=dialog], [role=slider]',
    ) !== null
  );
}
