import { agree, bookDog, endSafely, expect, feelOver, handBack, pickZone, signIn, test } from './support.js';

test('a mat that was left undone waits on the next plan until a hand was there', async ({ page }) => {
  await signIn(page, 'rafael');
  await bookDog(page, 'Larch');
  await feelOver(page, async () => {
    await pickZone(page, 'armpit_left');
    await page.getByRole('radio', { name: 'Nothing passes' }).click();
    await expect(page.getByText(/^Grade 3, tight: about/)).toBeVisible();
  });
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.waitForURL('**/work');
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: /^Stop/ }).click();
  await endSafely(page);
  await page.getByRole('button', { name: 'It has had enough' }).click();
  await handBack(page);

  const visit = await bookDog(page, 'Larch');
  await feelOver(page);
  const asked = page.getByRole('button', { name: /^left armpit: grade 3 left undone/ });
  await expect(asked).toBeVisible();
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  const step = page.locator('button.step', { hasText: 'Clip out tight mats where skin is thin' });
  await step.click();
  await expect(page.getByText(/^left armpit: left undone on .* and not felt yet today, planned as it was then\./i)).toBeVisible();

  await page.goto(`${visit}/feel_over`);
  await asked.click();
  await page.getByRole('radio', { name: 'Fine teeth pass' }).click();
  await expect(asked).toHaveCount(0);
  await page.goto(`${visit}/plan`);
  await expect(page.locator('button.step').first()).toBeVisible();
  await expect(step).toHaveCount(0);
});
