import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Desk, upright tablet, phone, and the desk at 200 %. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 834, height: 1112 },
  { width: 390, height: 844 },
  { width: 640, height: 400 },
] as const;

/** Letters are there and nothing moves any more. */
export const atRest = (page: Page): Promise<unknown> =>
  page.evaluate(async () => {
    await document.fonts.ready;
    const ending = document.getAnimations().filter((a) => a.effect?.getComputedTiming().endTime !== Infinity);
    await Promise.allSettled(ending.map((a) => a.finished));
  });

/** What axe finds that is moderate or worse, and what sticks out sideways, at each of the four sizes. */
export async function isForEveryone(page: Page, name: string): Promise<void> {
  const before = page.viewportSize();
  for (const size of SIZES) {
    await page.setViewportSize(size);
    await atRest(page);
    const at = `${name} at ${size.width}×${size.height}`;
    const { violations } = await new AxeBuilder({ page })
      .setLegacyMode()
      .options({ resultTypes: ['violations'], rules: { 'target-size': { enabled: true } } })
      .analyze();
    const found = violations
      .filter((v) => v.impact !== 'minor')
      .map(
        (v) =>
          `${v.id}: ${v.nodes
            .map((n) => n.target.join(' '))
            .slice(0, 3)
            .join(', ')}`,
      );
    expect.soft(found, at).toEqual([]);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect.soft(wide, `${at} scrolls sideways`).toBeLessThanOrEqual(0);
  }
  if (before) await page.setViewportSize(before);
}
