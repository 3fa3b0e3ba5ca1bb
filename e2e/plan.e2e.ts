import type { Page } from '@playwright/test';
import { agree, bookDog, expect, feelOver, pickZone, signIn, test } from './support.js';

async function planOf(page: Page): Promise<string> {
  await expect(page.locator('button.step').first()).toBeVisible();
  return (await page.locator('ol.steps').innerText()).replace(/\s+/g, ' ');
}

/** Goes back to the feel-over, changes one thing, and looks at the plan again. */
async function change(page: Page, visit: string, what: () => Promise<void>): Promise<string> {
  const before = await planOf(page);
  await page.goto(`${visit}/feel_over`);
  await page.getByRole('tab', { name: 'Fit and mood' }).waitFor();
  await what();
  await page.goto(`${visit}/plan`);
  await expect.poll(() => planOf(page)).not.toBe(before);
  return planOf(page);
}

test('the plan changes with each finding, and says why', async ({ page }) => {
  await signIn(page, 'rafael');
  // A dog that has warned nobody: one that did is muzzled where it hurts, whatever its owner says.
  const visit = await bookDog(page, 'Sedge', 180);
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  expect(await planOf(page)).not.toContain('tight mats');

  const matted = await change(page, visit, async () => {
    await pickZone(page, 'armpit_left');
    await page.getByRole('radio', { name: 'Nothing passes' }).click();
    // A page that is left before a tap is shown as kept may lose it: what was found says that it is.
    await expect(page.locator('.found')).toContainText('left armpit');
  });
  expect(matted).toContain('Clip out tight mats where skin is thin');
  expect(matted.indexOf('Clip out tight mats')).toBeLessThan(matted.indexOf('Bath'));

  const stiff = await change(page, visit, async () => {
    await page.getByRole('tab', { name: 'Joints' }).click();
    await page.locator('.joints li', { hasText: 'left hip' }).getByRole('radio', { name: 'stiff' }).click();
    await expect(page.locator('.found')).toContainText('left hip');
  });
  expect(stiff).toContain('on the lap, or lying on its side');
  // The nails of one leg may be a step of their own.
  await page.locator('button.step', { hasText: /Nails.*left hind nails/s }).click();
  await expect(page.getByText('The left hip is stiff: let the dog lie')).toBeVisible();

  const bit = await change(page, visit, async () => {
    await page.getByRole('tab', { name: 'Fit and mood' }).click();
    await page.getByRole('radio', { name: 'The owner says yes' }).click();
    await expect(page.getByRole('radio', { name: 'The owner says yes' })).toHaveAttribute('aria-checked', 'true');
  });
  expect(bit).toContain('basket muzzle');
  await page.locator('button.step', { hasText: 'Clip out tight mats' }).click();
  await expect(page.getByText('basket muzzle on before the first tool').first()).toBeVisible();

  // What is found later changes the plan at the table, when the groomer says so.
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.waitForURL('**/work');
  await page.goto(`${visit}/plan`);
  await expect(page.getByText('This plan is at the table.')).toBeVisible();
  await page.goto(`${visit}/feel_over`);
  await pickZone(page, 'ear_leather_left');
  await page.getByRole('radio', { name: 'Nothing passes' }).click();
  await expect(page.locator('.found')).toContainText('left ear flap');
  await page.goto(`${visit}/plan`);
  await page.getByRole('button', { name: 'Take the changed plan to the table' }).click();
  await page.waitForURL('**/work');
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: /^Other/ }).click();
  await expect(page.getByRole('dialog', { name: 'Steps' }).getByText(/Clip out tight mats at ears and face/)).toBeVisible();
});

test('what the owner refuses falls out of the plan', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Samphire');
  await feelOver(page, async () => {
    await pickZone(page, 'groin_left');
    await page.getByRole('radio', { name: 'Nothing passes' }).click();
  });
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await page.getByRole('radio', { name: /^Refuses: Tight mats are clipped under/ }).click();
  await expect(page.getByText('The owner does not want it clipped close.')).toBeVisible();
  await expect(page.getByText(/A tight mat stays in \(.*groin.*\): no bath until it is out/)).toBeVisible();
});
