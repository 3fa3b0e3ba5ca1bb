import { agree, bookDog, expect, feelOver, signIn, test } from './support.js';

test.describe('under a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 834, height: 1112 } });
  test('what is touched is 48 px high, at the table 64; Pause and Stop do not move', async ({ page }) => {
    await signIn(page, 'rafael');
    await bookDog(page, 'Wren');
    const low = async (where: string, least: number): Promise<void> => {
      const found = await page.locator(where).evaluateAll(
        (all, px) =>
          all
            // A field with its unit is touched as a whole.
            .map((e) => e.closest('.ant-input-affix-wrapper') ?? e)
            .filter((e) => e.getClientRects().length > 0 && e.getBoundingClientRect().height < px - 0.5)
            .map((e) => `${(e.textContent ?? '').trim().slice(0, 30)} ${e.getBoundingClientRect().height}`),
        least,
      );
      expect.soft(found, page.url()).toEqual([]);
    };
    expect(await page.evaluate(() => matchMedia('(pointer: coarse)').matches)).toBe(true);
    await low('#sheet button, #sheet input, nav a, nav button', 46);
    await feelOver(page, async () => {
      await page.locator('[data-zone="back"][tabindex="0"]').first().focus();
      await page.keyboard.press('Enter');
      await expect(page.locator('.zone-name')).toHaveText('back');
      await low('#sheet button, #sheet summary', 46);
    });
    await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
    await page.waitForURL('**/agree');
    await expect(page.getByText(/It takes about/)).toBeVisible();
    await low('#sheet button, #sheet input', 46);
    await agree(page);
    await expect(page.locator('ol.steps')).toBeVisible();
    await low('#sheet button', 46);
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.getByRole('button', { name: /^Start/ }).click();
    await expect(page.getByRole('button', { name: /^Step done/ })).toBeVisible();
    await low('#sheet button:not(.card)', 64);
    const stop = page.getByRole('button', { name: /^Stop/ });
    const before = await stop.boundingBox();
    await page.getByRole('button', { name: /pulls away/ }).click();
    for (const open of [/^Incident/, /^Remark/, /^More signals/]) {
      await page.getByRole('button', { name: open }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await stop.boundingBox()).toEqual(before);
      await stop.click({ trial: true });
      await page
        .locator('man-signal-pad')
        .getByRole('button', { name: /growls/ })
        .click({ trial: true });
      await low('man-slip .inside button', 60);
      await page.getByRole('button', { name: 'Close', exact: true }).click();
    }
  });
});
