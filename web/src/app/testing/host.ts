import { ApplicationRef } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';

/** The text of a component as a reader has it: no markup, single spaces. */
export const textOf = (fixture: ComponentFixture<unknown>, selector?: string): string => {
  const host: HTMLElement = fixture.nativeElement;
  const at = selector ? host.querySelector(selector) : host;
  return at?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
};

/** The input whose label reads so. */
export function inputOf(fixture: ComponentFixture<unknown>, label: string): HTMLInputElement {
  const host: HTMLElement = fixture.nativeElement;
  const found = [...host.querySelectorAll('label')].find((each) => each.textContent?.trim() === label);
  const input = found && host.querySelector<HTMLInputElement>(`#${found.htmlFor}`);
  if (!input) throw new Error(`No field is labelled “${label}”`);
  return input;
}

/** Types into a labelled field, and leaves it unless told to stay. */
export async function typeInto(
  fixture: ComponentFixture<unknown>,
  label: string,
  text: string,
  leave = true,
): Promise<void> {
  const input = inputOf(fixture, label);
  input.value = text;
  input.dispatchEvent(new Event('input'));
  if (leave) input.dispatchEvent(new Event('blur'));
  await fixture.whenStable();
}

/** Presses the button that reads so. */
export async function press(fixture: ComponentFixture<unknown>, words: string): Promise<void> {
  const host: HTMLElement = fixture.nativeElement;
  const found = [...host.querySelectorAll<HTMLElement>('button, [role=button]')].find((each) =>
    (each.getAttribute('aria-label') ?? each.textContent ?? '').includes(words),
  );
  if (!found) throw new Error(`No button reads “${words}”`);
  found.click();
  await fixture.whenStable();
}

/** Once nothing is under way any more that the page knows of: checks, and what is sent after them. */
export async function atRest(): Promise<void> {
  // What an answer sets off begins after whoever gave it is done.
  await new Promise((resolve) => setTimeout(resolve));
  await TestBed.inject(ApplicationRef).whenStable();
}

/** Waits until something holds, as a reader would, for at most half a minute: the machine is shared. */
export async function until(holds: () => boolean, what: string): Promise<void> {
  for (let i = 0; i < 1500; i++) {
    if (holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  throw new Error(`It never came to this: ${what}`);
}
