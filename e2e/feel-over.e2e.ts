import type { Page } from '@playwright/test';
import { bookDog, expect, pickZone, signIn, test } from './support.js';

/** Taps, counted as a groomer's: from the file to the agreement. */
async function tap(page: Page, name: string | RegExp, count: { taps: number }): Promise<void> {
  const button = page.getByRole('button', { name }).or(page.getByRole('radio', { name })).first();
  await button.click();
  count.taps++;
}

test('a healthy dog that is known is felt over in under 15 taps', async ({ page }) => {
  await signIn(page, 'rafael');
  await bookDog(page, 'Saffron');
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  const count = { taps: 0 };
  await tap(page, 'Nothing speaks against it', count);
  await tap(page, 'relaxed', count);
  await expect(page.getByRole('tab', { name: 'Hands' })).toHaveAttribute('aria-selected', 'true');
  const sound = page.locator('.taps .good');
  for (let i = 1; i <= 9; i++) {
    await sound.click();
    count.taps++;
    if (i < 9) await expect(page.getByText(`${i} of 9 stretches felt`)).toBeVisible();
  }
  await expect(page.getByText('Both sides, folds and feet are felt.')).toBeVisible();
  await expect(page.getByText(/About \d+ min/)).toBeVisible();
  await tap(page, 'Feel-over done: agree', count);
  await page.waitForURL('**/agree');
  expect(count.taps).toBeLessThanOrEqual(15);
});

test('what was found the last time is confirmed by one tap, and a closed browser loses nothing', async ({ page, context }) => {
  await signIn(page, 'imke');
  const visit = await bookDog(page, 'Marlow');
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  await page.getByRole('button', { name: 'Nothing speaks against it' }).click();
  await page.getByRole('button', { name: 'The vet has agreed' }).click();
  await page.getByRole('radio', { name: 'still', exact: true }).click();
  await page.getByRole('button', { name: /^Forelegs and feet/ }).click();
  await page.getByRole('button', { name: /^As before/ }).click();
  await expect(page.locator('.found')).toContainText('nails long');
  await page.getByRole('button', { name: /^Ears/ }).click();
  await page.getByRole('radiogroup', { name: 'ears' }).getByRole('radio', { name: 'black or foul' }).click();
  await expect(page.locator('.grows')).toContainText('for a vet');
  await page.close();
  const again = await context.newPage();
  await again.goto(`${visit}/feel_over`);
  await expect(again.locator('.found')).toContainText('nails long');
  await expect(again.locator('.found')).toContainText('ears black or foul');
  await expect(again.getByRole('button', { name: 'Forelegs and feet: as the last time' })).toBeVisible();
});

test('small places are magnified under the finger; scale and caliper send their readings', async ({ page }) => {
  await signIn(page, 'odette');
  await bookDog(page, 'Pepperwort');
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  // The page before shows the same dog.
  await expect(page.getByRole('tab', { name: 'Fit and mood' })).toBeVisible();
  await page.locator('.views [data-zone="dewclaw_left"] .ground').first().click();
  const magnified = page.getByRole('dialog', { name: 'Small places, magnified' });
  await expect(magnified).toBeVisible();
  const box = await magnified.locator('[data-zone="dewclaw_left"] .ground').boundingBox();
  expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(40);
  await page.keyboard.press('Escape');
  await expect(magnified).toBeHidden();
  await pickZone(page, 'dewclaw_left');
  await expect(page.locator('.zone-name')).toHaveText(/left dewclaw/);
  await page.getByText('Devices: scale, caliper').click();
  await page.getByRole('slider', { name: 'Caliper' }).fill('11.5');
  await page.getByText('A mark lies here').click();
  await page.getByRole('button', { name: 'Send measure' }).click();
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('11.5');
  await page.getByRole('tab', { name: 'Fit and mood' }).click();
  await page.getByRole('slider', { name: 'Scale' }).fill('9');
  await page.getByRole('button', { name: 'Send weight' }).click();
  await expect(page.getByText(/It weighed .* kg before/)).toBeVisible();
  await page.getByRole('button', { name: '9 kg is right' }).click();
  await expect(page.getByText('on the scale today')).toBeVisible();
});
