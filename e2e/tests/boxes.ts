import type { Page } from '@playwright/test';

/** What is wrong with the boxes of a page as it stands, a line each. */
const boxFaults = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const faults: string[] = [];
    const named = (each: Element): string =>
      `<${each.tagName.toLowerCase()}> ${(each.getAttribute('aria-label') ?? each.textContent).trim().replace(/\s+/g, ' ').slice(0, 40)}`;
    // Asked of the same boxes again and again, while nothing changes.
    const once = <T>(work: (each: Element) => T): ((each: Element) => T) => {
      const known = new Map<Element, T>();
      return (each) => {
        if (!known.has(each)) known.set(each, work(each));
        return known.get(each) as T;
      };
    };
    const styleOf = once((each) => {
      const { position, overflow, overflowX, overflowY, display, fontSize } = getComputedStyle(each);
      return { position, overflow, overflowX, overflowY, display, fontSize };
    });
    const up = once((each): readonly Element[] =>
      each.parentElement ? [each.parentElement, ...up(each.parentElement)] : [],
    );
    const isSeen = (each: Element): boolean => {
      const { width, height } = each.getBoundingClientRect();
      return (
        width > 1 && height > 1 && each.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true })
      );
    };
    /** Only spoken, or waiting beside the page for the keyboard to reach it. */
    const isSpoken = (each: Element): boolean => each.closest('.visually-hidden, .skip') !== null;
    const scrolls = (each: Element): boolean => /auto|scroll|hidden|clip/.test(styleOf(each).overflowX);
    const floats = (each: Element): Element | null =>
      [each, ...up(each)].find((at) => ['fixed', 'sticky'].includes(styleOf(at).position)) ?? null;
    /** The part of it that is inside every box that cuts it off. */
    const shown = (each: Element): DOMRect => {
      let { left, top, right, bottom } = each.getBoundingClientRect();
      for (const at of up(each)) {
        if (!/auto|scroll|hidden|clip/.test(styleOf(at).overflow)) continue;
        const box = at.getBoundingClientRect();
        [left, top] = [Math.max(left, box.left), Math.max(top, box.top)];
        [right, bottom] = [Math.min(right, box.right), Math.min(bottom, box.bottom)];
      }
      return new DOMRect(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
    };

    const all = [...document.querySelectorAll('body *')].filter((each) => isSeen(each) && !isSpoken(each));

    if (document.documentElement.scrollWidth > innerWidth) faults.push('the page itself is moved sideways');
    if (document.documentElement.scrollHeight > innerHeight)
      faults.push('the page itself is moved up and down');
    for (const each of all) {
      // A wide table, or the bench set, is moved sideways by itself; nothing else is.
      const may = each.closest('.sideways, ma-rail, p-table, .p-datatable') !== null;
      if (!may && /auto|scroll/.test(styleOf(each).overflowX) && each.scrollWidth > each.clientWidth + 1)
        faults.push(`is moved sideways: ${named(each)}`);
    }
    for (const each of all) {
      if (each.closest('svg') && each.tagName !== 'svg') continue;
      const { left, right } = each.getBoundingClientRect();
      if ((right > innerWidth + 1 || left < -1) && !up(each).some(scrolls))
        faults.push(`off sideways: ${named(each)}`);
    }

    for (const each of all) {
      const own = [...each.childNodes].some(
        (node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '',
      );
      if (!own || each.closest('svg, canvas')) continue;
      const { overflowX, overflowY } = styleOf(each);
      const cutX = /hidden|clip/.test(overflowX) && each.scrollWidth > each.clientWidth + 1;
      // Letters reach a little below a tight line; a line that is cut off is more.
      const cutY =
        /hidden|clip/.test(overflowY) &&
        each.scrollHeight > each.clientHeight + 0.4 * parseFloat(styleOf(each).fontSize);
      if (cutX || cutY) faults.push(`cut: ${named(each)}`);
      // Text that hangs out of its own box lies over what is beside it.
      const range = document.createRange();
      range.selectNodeContents(each);
      if (
        styleOf(each).display !== 'inline' &&
        range.getBoundingClientRect().right > each.getBoundingClientRect().right + 2 &&
        !/auto|scroll/.test(overflowX)
      )
        faults.push(`hangs out of its box: ${named(each)}`);
    }

    const things = all
      .filter((each) =>
        each.matches(
          'h1, h2, h3, button, a[href], input:not([type=file]), textarea, summary, [role=combobox], label, th, dt, dd, p, li > b, .giant',
        ),
      )
      // A box drawn over its own field, as a library does, is that field.
      .filter((each) => !each.matches('[type=checkbox], [type=radio], [type=range]'));
    const boxes = things.map((each) => ({ each, box: shown(each), layer: floats(each) }));
    boxes.forEach((a, i) => {
      for (const b of boxes.slice(i + 1)) {
        // What lies in a layer of its own over the room is meant to.
        if (a.layer !== b.layer || a.each.contains(b.each) || b.each.contains(a.each)) continue;
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        if (across > 3 && down > 3) faults.push(`${named(a.each)} lies over ${named(b.each)}`);
      }
    });
    return [...new Set(faults)];
  });

/** How long a page that was just resized may take to lie still. */
const MOST_LOOKS = 12;
const BETWEEN_MS = 120;

/** {@link boxFaults} once the page lies still: those that are still there after a moment. */
export async function boxFaultsAtRest(page: Page): Promise<readonly string[]> {
  let faults: readonly string[] = [];
  for (let look = 0; look < MOST_LOOKS; look++) {
    faults = await boxFaults(page);
    if (faults.length === 0) return [];
    await page.waitForTimeout(BETWEEN_MS);
  }
  return faults;
}

/** A desk, a tablet held upright, a phone, and the desk at twice the size of letters. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
  { width: 640, height: 400 },
] as const;

/**
 * {@link boxFaultsAtRest} of a page as it stands, at every size.
 * @param judge what else is to be looked at at each, and in the dark, where all lies as it does by day
 */
export async function boxFaultsAtEverySize(
  page: Page,
  judge?: (width: number, colorScheme: 'light' | 'dark') => Promise<void>,
): Promise<readonly string[]> {
  const found: string[] = [];
  for (const size of SIZES) {
    await page.setViewportSize(size);
    for (const fault of await boxFaultsAtRest(page))
      found.push(`${new URL(page.url()).pathname} at ${size.width}: ${fault}`);
    await judge?.(size.width, 'light');
  }
  await page.setViewportSize(SIZES[0]);
  if (!judge) return found;
  await page.emulateMedia({ colorScheme: 'dark' });
  await judge(SIZES[0].width, 'dark');
  await page.emulateMedia({ colorScheme: 'light' });
  return found;
}
