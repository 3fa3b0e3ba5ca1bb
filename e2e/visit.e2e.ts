import { agree, bookDog, endSafely, expect, feelOver, handBack, openVisit, pickZone, reach, signIn, test } from './support.js';

test('one dog through one visit, from the file to the hand-back', async ({ page }) => {
  await signIn(page, 'rafael');
  await bookDog(page, 'Sorrel');
  await feelOver(page, async () => {
    await pickZone(page, 'armpit_left');
    await page.getByRole('radio', { name: 'Nothing passes' }).click();
    await expect(page.getByText('Grade 3, tight')).toBeVisible();
    await page.getByRole('button', { name: 'Check the right armpit' }).click();
    await page.getByRole('radio', { name: 'Wide teeth stop' }).click();
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
  await expect(page.getByText(/^\d+:\d\d of the break left/)).toBeVisible();
  await page.getByRole('group', { name: 'How is it now?' }).getByRole('button', { name: 'relaxed' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'In the break: relaxed' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  await expect(page.getByText(/^About \d+ min to a safe end/)).toBeVisible();
  await page.getByRole('button', { name: /^Incident/ }).click();
  // The kind alone records it, and the work is paused; the rest is said by and by.
  await page.getByRole('button', { name: 'nick', exact: true }).click();
  await expect(page.getByText('Press with clean gauze for 5 min')).toBeVisible();
  await expect(page.getByText(/^Press, unbroken: [45]:\d\d left/).first()).toBeVisible();
  await page.getByRole('radio', { name: 'mild: heals by itself' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'mild: heals by itself' })).toBeVisible();
  await page.getByLabel('What, and what stopped it').fill('At the fold; pressed, stopped.');
  await page.getByRole('button', { name: 'Keep the words' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Words kept' })).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  for (let i = 0; i < steps; i++) {
    if (i > 0) await page.getByRole('button', { name: /^Start step/ }).click();
    await page.getByRole('button', { name: /^Step done/ }).click();
  }
  await page.getByRole('button', { name: /^Finish/ }).click();

  await page.waitForURL('**/hand_back');
  const story = page.getByRole('region', { name: 'What happened' });
  await expect(story).toContainText('At the fold; pressed, stopped.');
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText(/Done: .*clip out tight mats/);
  await expect(page.getByRole('region', { name: 'What we found' })).toContainText('Tight mats that pull at the skin: left armpit');
  await expect(page.getByRole('region', { name: 'Watch tonight' })).toContainText('look at it every day');
  await expect(page.locator('man-next-visit-panel').getByRole('radio').first()).toContainText('weeks');
  await handBack(page);
  await page.getByRole('button', { name: 'Back to today' }).click();
  await page.waitForURL('**/today');
  await expect(page.locator('man-lead-tag a', { hasText: 'Sorrel' })).toHaveClass(/gone/);
  // The file remembers.
  await openVisit(page, 'Sorrel', 'know');
  await expect(page.getByText('nick', { exact: true })).toBeVisible();
});

test('the same by Tab, arrows and Enter alone, to the hand-back', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Hazel');
  const press = async (name: string | RegExp): Promise<void> => {
    const target = page.getByRole('button', { name }).or(page.getByRole('radio', { name })).first();
    // A key that bounces is one: what was just pressed rests for a moment.
    await expect(target).not.toHaveAttribute('aria-disabled', 'true');
    await reach(page, target);
    await page.keyboard.press('Enter');
  };
  // A new screen begins at its beginning.
  await expect(page.locator('#sheet')).toBeFocused();
  await expect(page).toHaveTitle('Hazel: Know · Mansuet');
  await press('I have read it: feel over');
  await page.waitForURL('**/feel_over');
  await press('Nothing speaks against it');
  await press('still');
  await reach(page, page.locator('[data-zone="back"][tabindex="0"]').first());
  await page.keyboard.press('Enter');
  await expect(page.locator('.zone-name')).toHaveText('back');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.zone-name')).toHaveText('rump');
  await press('Wide teeth snag');
  await expect(page.getByText('Grade 1, tangles')).toBeVisible();
  await press('Feel-over done: agree');
  await page.waitForURL('**/agree');
  await expect(page.getByText(/It takes about/)).toBeVisible();
  const open = page.getByRole('radio', { name: /^Agrees:/, checked: false });
  while ((await open.count()) > 0) {
    const before = await open.count();
    await reach(page, open.first());
    await page.keyboard.press('Enter');
    await expect(open).toHaveCount(before - 1);
  }
  await press('There is no second number');
  await press('Agreed by word, I heard it');
  await press('Agreed: plan');
  await page.waitForURL('**/plan');
  await expect(page.locator('ol.steps')).toBeVisible();
  const steps = await page.locator('button.step').count();
  await press('Take it to the table');
  await page.waitForURL('**/work');
  await press(/^Start/);
  await expect(page.getByRole('status').filter({ hasText: 'Started:' })).toBeVisible();
  await press(/growls/);
  await expect(page.getByRole('alert').filter({ hasText: 'Pause' })).toBeVisible();
  await press(/^Pause/);
  await expect(page.getByText(/^\d+:\d\d of the break left/)).toBeVisible();
  await press('relaxed');
  await expect(page.getByRole('status').filter({ hasText: 'In the break: relaxed' })).toBeVisible();
  await press(/^Go on/);
  await press(/^Remark/);
  const remark = page.getByRole('dialog', { name: 'Remark for whoever has this dog next' });
  await expect(remark.getByLabel('Remark')).toBeFocused();
  // Letters that are keys elsewhere are letters here.
  await page.keyboard.type('Hums, pants, 7 treats');
  await reach(page, remark.getByRole('button', { name: 'Keep it' }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Remark kept' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Remark/ })).toBeFocused();
  for (let i = 0; i < steps; i++) {
    if (i > 0) await press(/^Start step/);
    await press(/^Step done/);
  }
  await press(/^Finish/);
  await page.waitForURL('**/hand_back');
  await expect(page.getByText('Hums, pants, 7 treats')).toBeVisible();
  await press('All of it is done');
  await press('Told, and handed back');
  await expect(page.getByText(/^Handed back at/)).toBeVisible();
  await press('Back to today');
  await page.waitForURL('**/today');
  await expect(page.locator('man-lead-tag a', { hasText: 'Hazel' })).toHaveClass(/gone/);
});

test('single keys at the table: signals, break, undo, slips, the list; all of them can be switched off', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Hazel');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.waitForURL('**/work');
  await expect(page.getByRole('button', { name: /^Start/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Started:' })).toBeVisible();
  await page.keyboard.press('7');
  await expect(page.getByRole('alert').filter({ hasText: 'Pause' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back: growls')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'Pause' })).toBeHidden();
  await page.keyboard.press('h');
  const hold = page.getByRole('dialog', { name: 'Another hold' });
  await expect(hold).toBeVisible();
  await page.keyboard.press('p');
  const goOn = page.locator('man-pause-stop').getByRole('button', { name: /^Go on/ });
  await expect(goOn).toBeVisible();
  await expect(goOn).not.toHaveAttribute('aria-disabled', 'true');
  await page.keyboard.press('p');
  await expect(goOn).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(hold).toBeHidden();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys at the table' });
  await expect(keys).toBeVisible();
  await page.getByRole('button', { name: 'Single keys answer' }).click();
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  await page.locator('body').click({ position: { x: 640, y: 30 } });
  await page.keyboard.press('h');
  await page.keyboard.press('?');
  await expect(keys).toBeVisible();
  await expect(hold).toBeHidden();
  await page.getByRole('button', { name: 'All as they came' }).click();
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'A safe end' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back: stop')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'A safe end' })).toHaveCount(0);
  await page.keyboard.press('s');
  await endSafely(page);
  await page.getByRole('button', { name: 'It has had enough' }).click();
  await page.waitForURL('**/hand_back');
  await expect(page.getByText('We stopped before the end: It has had enough')).toBeVisible();
  await page.getByRole('button', { name: 'Undo the end of the work' }).click();
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
  // Nothing more is begun, and it does not end before the dog is safe.
  await expect(page.getByText('The dog has said stop. Nothing more is begun')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Step done/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'A hard sign' })).toHaveCount(0);
  await page.getByRole('button', { name: /More signals/ }).click();
  await page.getByRole('button', { name: 'collapses' }).click();
  await expect(page.locator('man-strain-bar').getByRole('alert')).toContainText('0550 100 999');
  // No list holds anyone up.
  await page.getByRole('button', { name: 'It needed a vet at once' }).click();
  await page.waitForURL('**/hand_back');
});

test('a dog that is not fit is not planned, and the vet is named', async ({ page }) => {
  await signIn(page, 'odette');
  await bookDog(page, 'Bracken');
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  await page.getByRole('button', { name: 'Something does' }).click();
  await page.getByRole('button', { name: 'laboured or noisy breath' }).click();
  await expect(page.getByText('Not today', { exact: true })).toBeVisible();
  await expect(page.getByText('Ring now:')).toBeVisible();
  await page.getByRole('radio', { name: 'tense' }).click();
  await page.getByRole('button', { name: 'Not today: hand back' }).click();
  await page.waitForURL('**/hand_back');
  await expect(page.getByText('Bracken was not groomed today.')).toBeVisible();
});
