import { expect, openVisit, signIn, test } from './support.js';

test('a house rule changes the plan, with its reason, and can be taken back', async ({ page }) => {
  await signIn(page, 'imke');
  await openVisit(page, 'Ottoline', 'plan');
  await expect(page.getByText('Take it to the table')).toBeVisible();
  await expect(page.getByText('No loop in this salon')).toHaveCount(0);

  await page.goto('/house-rules');
  await page.getByRole('radio', { name: 'Never, hands alone' }).check();
  await expect(page.getByRole('status')).toContainText('Loop: Never, hands alone.');
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Never, hands alone' })).toBeChecked();

  await openVisit(page, 'Ottoline', 'plan');
  await expect(page.getByText('No loop in this salon').first()).toBeAttached();

  await page.goto('/house-rules');
  await page.getByRole('radio', { name: 'Attended, quick release' }).check();
  await expect(page.getByRole('status')).toContainText('Loop: Attended');
});

test('who is no lead reads the house rules and changes none', async ({ page }) => {
  await signIn(page, 'rafael');
  await page.getByRole('link', { name: 'House rules' }).click();
  await expect(page.getByText('Only a lead changes them.')).toBeVisible();
  await expect(page.getByRole('radio').first()).toBeDisabled();
  await expect(page.getByText('No heated cage.')).toBeVisible();
});
