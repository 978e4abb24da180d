/** How a page is laid out, as a browser reports it: what is too wide, cut off or too small to touch. */
import type { Page } from 'puppeteer-core';

/** Smallest side of what a thumb is meant to hit on a tablet, CSS px. */
const THUMB_PX = 44;

/** Returns by how much a page is wider than its window, px; 0 where it does not scroll sideways. */
export const overflowOf = (page: Page): Promise<number> =>
  page.evaluate(() =>
    Math.max(0, document.documentElement.scrollWidth - document.documentElement.clientWidth),
  );

/** Returns what can be pressed and is smaller than a thumb, but for links within a sentence, a list or a table. */
export const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate((least) => {
    const all = document.querySelectorAll(
      'a, button, input, select, textarea, summary, [role=slider], [role=tab]',
    );
    const found: string[] = [];
    for (const element of all) {
      if (!(element instanceof HTMLElement) || !element.checkVisibility({ visibilityProperty: true }))
        continue;
      if (element.matches('p a, li a, td a, th a, dd a, [type=file]')) continue;
      // A box and its label are one target.
      const labels = element instanceof HTMLInputElement ? [...(element.labels ?? [])] : [];
      const isBox = element.matches('[type=checkbox], [type=radio]');
      const boxes = [element, ...(isBox ? labels.flatMap((l) => [l, l.parentElement!]) : [])].map((e) =>
        e.getBoundingClientRect(),
      );
      if (boxes.every(({ width }) => width <= 1)) continue;
      if (boxes.some(({ width, height }) => width >= least - 0.5 && height >= least - 0.5)) continue;
      const name = element.getAttribute('aria-label') ?? element.textContent.trim();
      found.push(`${element.tagName} “${name.slice(0, 40)}” ${boxes[0]!.width} × ${boxes[0]!.height}`);
    }
    return found;
  }, THUMB_PX);

/** Returns text that is cut off by the edge of its element, or runs over it. */
export const clippedText = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      if (!element.checkVisibility({ visibilityProperty: true }) || element.clientWidth <= 2) continue;
      const style = getComputedStyle(element);
      const text = element.innerText?.trim();
      if (!text || element.closest('.visually-hidden, svg')) continue;
      // A line that ends in dots says that there is more, and has it in its title or elsewhere.
      if (style.textOverflow === 'ellipsis' || /auto|scroll/.test(style.overflowX)) continue;
      const isCut = /hidden|clip/.test(style.overflowX) && element.scrollWidth > element.clientWidth + 1;
      const isOver =
        element.matches('button, a, td, th, label, p, h1, h2, h3, dt, dd, legend, summary') &&
        style.display !== 'inline' &&
        style.overflowX === 'visible' &&
        element.scrollWidth > element.clientWidth + 2;
      if (isCut || isOver)
        found.push(
          `${element.tagName} “${text.slice(0, 40)}” ${element.scrollWidth} > ${element.clientWidth}`,
        );
    }
    return found;
  });
