import { agree, bookDog, expect, feelOver, openVisit, pickZone, signIn, test } from './support.js';

test('one dog through one visit, from the file to the hand-back', async ({ page }) => {
  await signIn(page, 'rafael');
  await bookDog(page, 'Sorrel');
  await feelOver(page, async () => {
    await pickZone(page, 'armpit_left');
    await page.getByRole('button', { name: 'Nothing passes' }).click();
    await expect(page.getByText('Grade 3, tight')).toBeVisible();
    await page.getByRole('button', { name: 'Check the right armpit' }).click();
    await page.getByRole('button', { name: 'Wide teeth stop' }).click();
    await expect(page.getByText('No splitter on the right armpit')).toBeVisible();
  });
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await expect(page.locator('ol.steps')).toContainText('Clip out tight mats where skin is thin');
  await expect(page.locator('man-strain-ribbon .predicted')).toBeVisible();
  const steps = await page.locator('button.step').count();
  expect(steps).toBeGreaterThan(4);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.waitForURL('**/work');

  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  await page.getByRole('button', { name: /licks lips or nose/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'licks lips or nose' })).toBeVisible();
  await page.getByRole('button', { name: /^Pause/ }).click();
  await expect(page.getByText(/^Break \d+:\d\d/)).toBeVisible();
  await page.getByRole('group', { name: 'How is it now?' }).getByRole('button', { name: 'relaxed' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'In the break: relaxed' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  await expect(page.getByText(/^Could go home in about/)).toBeVisible();
  await page.getByRole('button', { name: /^Incident/ }).click();
  await page.getByRole('button', { name: 'nick', exact: true }).click();
  await expect(page.getByText('Press with clean gauze for 5 min')).toBeVisible();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('How bad is it? Choose one')).toBeVisible();
  await page.getByRole('button', { name: 'mild: heals by itself' }).click();
  await page.getByLabel('What, and what stopped it').fill('At the fold; pressed, stopped.');
  await page.getByRole('button', { name: 'Record it' }).click();
  for (let i = 0; i < steps; i++) {
    if (i > 0) await page.getByRole('button', { name: /^Start step/ }).click();
    await page.getByRole('button', { name: /^Step done/ }).click();
  }
  await page.getByRole('button', { name: /^Finish/ }).click();

  await page.waitForURL('**/hand_back');
  const story = page.getByRole('region', { name: 'What happened' });
  await expect(story).toContainText('At the fold; pressed, stopped.');
  await expect(story).toContainText(/Done: .*clip out tight mats/);
  await expect(page.getByText('Minutes per hold')).toBeVisible();
  await expect(page.locator('p.first')).toContainText('weeks');
  await page.getByRole('button', { name: 'Told, and handed back' }).click();
  await page.waitForURL('**/today');
  await expect(page.locator('man-lead-tag a', { hasText: 'Sorrel' })).toHaveClass(/gone/);
  // The file remembers.
  await openVisit(page, 'Sorrel', 'know');
  await expect(page.getByText('nick', { exact: true })).toBeVisible();
});

test('the same by keyboard alone', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Hazel');
  const press = async (name: string | RegExp): Promise<void> => {
    const button = page.getByRole('button', { name }).first();
    // A button that is not yet enabled takes no focus, and Enter would press the one before it again.
    await expect(button).toBeEnabled();
    await button.focus();
    await expect(button).toBeFocused();
    await page.keyboard.press('Enter');
  };
  await press('I have read it: feel over');
  await press('Nothing speaks against it');
  await press('still');
  await page.locator('[data-zone="back"][tabindex="0"]').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.zone-name')).toHaveText('back');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.zone-name')).toHaveText('rump');
  await press('Wide teeth snag');
  await expect(page.getByText('Grade 1, tangles')).toBeVisible();
  await press('Feel-over done: agree');
  await page.waitForURL('**/agree');
  await expect(page.getByText(/steps in about/)).toBeVisible();
  const open = page.getByRole('button', { name: /^Agrees:/, pressed: false });
  while ((await open.count()) > 0) {
    const before = await open.count();
    await open.first().focus();
    await expect(open.first()).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(open).toHaveCount(before - 1);
  }
  await press('Agreed by word, I heard it');
  await press('Agreed: plan');
  await page.waitForURL('**/plan');
  await press('Take it to the table');
  await page.waitForURL('**/work');
  await page.locator('body').click({ position: { x: 640, y: 30 } });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Started:' })).toBeVisible();
  await page.keyboard.press('7');
  await expect(page.getByRole('alert').filter({ hasText: 'Pause' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back: signal seen')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'Pause' })).toBeHidden();
  await page.keyboard.press('p');
  await expect(page.getByText(/^Break \d+:\d\d/)).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.press('h');
  await expect(page.getByText('Another hold', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Another hold', { exact: true })).toBeHidden();
  await page.keyboard.press('?');
  await expect(page.getByText('Keys at the table')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Keys at the table')).toBeHidden();
  await page.keyboard.press('s');
  await press('It has had enough');
  await page.waitForURL('**/hand_back');
  await expect(page.getByText('We stopped before the end: It has had enough')).toBeVisible();
  await press('Undo the end of the work');
  await expect(page.getByText('The work is not ended yet')).toBeVisible();
});

test('a second hard sign says stop; a body alarm names the vet', async ({ page }) => {
  await signIn(page, 'rafael');
  await bookDog(page, 'Rook');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: /growls/ }).click();
  await expect(page.getByRole('alert')).toContainText('Pause');
  await page.getByRole('button', { name: /growls/ }).click();
  await expect(page.getByRole('alert')).toContainText('Stop');
  await page.getByRole('button', { name: /More signals/ }).click();
  await page.getByRole('button', { name: 'collapses' }).click();
  await expect(page.getByRole('alert')).toContainText('0550 100 999');
});

test('a dog that is not fit is not planned, and the vet is named', async ({ page }) => {
  await signIn(page, 'odette');
  await bookDog(page, 'Bracken');
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  await page.getByRole('button', { name: 'Something does' }).click();
  await page.getByRole('button', { name: 'laboured or noisy breath' }).click();
  await expect(page.getByText('Not today', { exact: true })).toBeVisible();
  await expect(page.getByText('Ring now:')).toBeVisible();
  await page.getByRole('button', { name: 'tense' }).click();
  await page.getByRole('button', { name: 'Not today: hand back' }).click();
  await page.waitForURL('**/hand_back');
  await expect(page.getByText('Bracken was not groomed today.')).toBeVisible();
});
