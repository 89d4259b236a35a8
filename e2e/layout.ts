import type { Page } from '@playwright/test';

/**
 * What is wrong with the page as it lies: it scrolls sideways, a control leaves the panel it stands in, words are cut off without a sign, or
 * two things that are read or pressed lie on each other.
 */
export function faultsOf(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const SLACK_PX = 2;
    const faults: string[] = [];
    const shown = (element: Element): boolean => {
      const box = element.getBoundingClientRect();
      if (box.width < 3 || box.height < 3) return false;
      return element.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true }) && element.closest('.visually-hidden') === null;
    };
    const named = (element: Element): string =>
      `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent).trim().replace(/\s+/g, ' ').slice(0, 40)}”`;
    /** What can be seen of it: inside everything that clips it. */
    const seen = (element: Element): DOMRect | null => {
      let { left, top, right, bottom } = element.getBoundingClientRect();
      for (let around = element.parentElement; around !== null; around = around.parentElement) {
        const style = getComputedStyle(around);
        if (style.overflowX === 'visible' && style.overflowY === 'visible') continue;
        const frame = around.getBoundingClientRect();
        [left, top] = [Math.max(left, frame.left), Math.max(top, frame.top)];
        [right, bottom] = [Math.min(right, frame.right), Math.min(bottom, frame.bottom)];
      }
      return right - left < 3 || bottom - top < 3 ? null : new DOMRect(left, top, right - left, bottom - top);
    };

    const sideways = document.documentElement.scrollWidth - innerWidth;
    if (sideways > 0) faults.push(`the page scrolls ${sideways} px sideways`);

    const controls = [...document.querySelectorAll('button, input, select, a[href]')].filter(shown);
    for (const control of controls) {
      const panel = control.closest('.notes, .head, .rail, .tally, .modal-content, .offcanvas');
      if (panel === null || control.closest('.table-responsive') !== null) continue;
      const [own, frame] = [control.getBoundingClientRect(), panel.getBoundingClientRect()];
      if (own.right > frame.right + SLACK_PX || own.left < frame.left - SLACK_PX) faults.push(`${named(control)} leaves its panel`);
    }

    const mayScroll = (element: Element): boolean => {
      for (let around = element.parentElement; around !== null; around = around.parentElement) {
        if (/auto|scroll/.test(getComputedStyle(around).overflowX) && around.scrollWidth > around.clientWidth) return true;
      }
      return false;
    };
    for (const control of controls) {
      const { left, right } = control.getBoundingClientRect();
      if ((right > innerWidth + SLACK_PX || left < -SLACK_PX) && !mayScroll(control)) faults.push(`${named(control)} hangs over the side`);
    }

    for (const element of document.querySelectorAll('button, label, h1, h2, h3, p, td, th, .name, .value')) {
      if (!shown(element) || element.scrollWidth <= element.clientWidth + SLACK_PX || element.clientWidth === 0) continue;
      const style = getComputedStyle(element);
      if (style.overflowX === 'visible' || style.overflowX === 'auto') continue;
      const isSaid = style.textOverflow === 'ellipsis' && (element.hasAttribute('title') || element.closest('[title]') !== null);
      if (!isSaid) faults.push(`${named(element)} is cut off without a sign`);
    }

    // An open drawer or dialog lies on the page on purpose.
    const above = document.querySelector('.modal.show, .offcanvas.show');
    const read = [...document.querySelectorAll('button, input, select, a[href], h1, h2, h3, svg text, [role=status], .quiet')]
      .filter((element) => shown(element) && (above === null || above.contains(element)) && element.closest('.dropdown-menu') === null)
      .map((element) => ({ element, box: seen(element) }))
      .filter((one): one is { element: Element; box: DOMRect } => one.box !== null);
    // What scrolls under a bar that stays is reached by scrolling on.
    const barOf = (element: Element | null): Element | null =>
      element === null || getComputedStyle(element).position === 'sticky' ? element : barOf(element.parentElement);
    for (const [i, a] of read.entries()) {
      for (const b of read.slice(i + 1)) {
        if (a.element.contains(b.element) || b.element.contains(a.element)) continue;
        const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const tall = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        // Letters do not fill their line: lines set close may share a few pixels.
        const line = a.element.tagName === 'text' || b.element.tagName === 'text' ? 5 : SLACK_PX;
        if (wide > SLACK_PX && tall > line && barOf(a.element) === barOf(b.element))
          faults.push(`${named(a.element)} and ${named(b.element)} lie on each other`);
      }
    }
    return faults;
  });
}

/**
 * What is wrong with the page while the words on buttons, tabs and labels are as long as German ones: longer by a third, and by no less than a short word
 * grows.
 */
export async function faultsInLongWords(page: Page): Promise<string[]> {
  await page.evaluate(() => {
    const LONGER = 0.35;
    const LEAST = 3;
    const words = document.querySelectorAll('button:not(.figure):not(.dropdown-item), label, .nav-link, h3');
    for (const element of words) {
      for (const node of element.childNodes) {
        const text = node.nodeType === Node.TEXT_NODE ? (node.textContent ?? '').trim() : '';
        // A word, not a sign or a letter for a key.
        if (!/[a-z]{3}/i.test(text)) continue;
        const longer = 'ungen'.repeat(9).slice(0, Math.max(LEAST, Math.ceil(text.length * LONGER)));
        Object.assign(node, { was: node.textContent, textContent: `${text}${longer} ` });
      }
    }
  });
  const faults = await faultsOf(page);
  await page.evaluate(() => {
    for (const element of document.querySelectorAll('button, label, .nav-link, h3')) {
      for (const node of element.childNodes) if ('was' in node) node.textContent = node.was as string;
    }
  });
  return faults;
}
