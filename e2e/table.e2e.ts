import { agree, bookDog, expect, feelOver, reach, signIn, test } from './support.js';
import { isForEveryone } from './for-everyone.js';

test.describe('on a tablet that stands upright', () => {
  test.use({ hasTouch: true, viewport: { width: 834, height: 1112 } });
  test('places by tap, found now on the map, a photograph without a network, a break, another hand, and the rest planned anew', async ({
    page,
    browser,
  }) => {
    await signIn(page, 'rafael');
    const visit = await bookDog(page, 'Teasel');
    await feelOver(page);
    await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
    await agree(page);
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.getByRole('button', { name: /^Start/ }).click();
    const card = page.getByRole('region', { name: 'Step', exact: true });
    const where = page.getByRole('region', { name: 'Where' });
    await expect(page.getByRole('button', { name: /^Step done/ })).toBeVisible();

    // The nails are taken first, whatever the plan says; each foot is a place of its own.
    await page.getByRole('button', { name: /^Other/ }).click();
    await page
      .getByRole('dialog', { name: 'Steps' })
      .getByRole('button', { name: /· Nails/ })
      .click();
    await expect(card.getByRole('heading', { name: 'Nails' })).toBeVisible();
    // Every foot that is lit is seen from below, none as a speck.
    await expect(where.getByRole('group', { name: 'fore paws from below' })).toBeVisible();
    await expect(where.getByRole('group', { name: 'hind paws from below' })).toBeVisible();
    for (const nails of await where.locator('.zone.lit .ground').all()) {
      const box = await nails.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThan(20);
    }
    const first = card.getByRole('toolbar', { name: 'Places' }).getByRole('button').first();
    await first.click();
    await expect(first).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: /^Step done/ }).click();
    const open = page.getByRole('dialog', { name: 'Some places are still open' });
    await expect(open).toBeVisible();
    await isForEveryone(page, 'table, places that are open');
    await open.getByRole('button', { name: 'the dog had enough' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Done in part: Nails' })).toBeVisible();

    // A mark that nobody had felt: the place, and where in it.
    await page.getByRole('button', { name: /^Start step/ }).click();
    await expect(page.getByRole('button', { name: /^Step done/ })).toBeVisible();
    const name = (await card.getByRole('heading').first().textContent()) ?? '';
    await where.locator('[role=treeitem][tabindex="0"]').first().focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('The tool stops here')).toBeVisible();
    await page.getByRole('radio', { name: 'Is there something firm under the blade?' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'firm' }).first()).toBeVisible();
    await page.getByRole('button', { name: 'A mark lies here' }).click();
    await page.getByRole('button', { name: 'Put it on the map' }).click();
    await expect(page.getByText(/8 × 6 mm/).first()).toBeVisible();

    // The picture of it waits on the device while there is no network, and the entry as well.
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'A photograph of it' }).click();
    const photo = page.getByRole('dialog', { name: 'Photograph' });
    await expect(photo.getByText('the mark,')).toBeVisible();
    await photo.locator('input[type=file]').setInputFiles({ name: 'mark.png', mimeType: 'image/png', buffer: PIXEL });
    await expect(photo.getByText('kept on this device, sent when the network is there')).toBeVisible();
    await isForEveryone(page, 'table, a photograph that waits');
    await page.context().setOffline(false);
    await expect(photo.getByText('kept on this device, sent when the network is there')).toHaveCount(0);
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    expect(name).not.toBe('');

    // A break says how far it is, and what to do in it.
    await page.getByRole('button', { name: /^Pause/ }).click();
    await expect(card.getByText(/^\d+:\d\d of the break left/)).toBeVisible();
    await expect(card.getByText(/Tool away, hands quiet/)).toBeVisible();
    for (const mood of ['relaxed', 'still', 'tense', 'tired out', 'shut down', 'frantic'])
      await expect(card.getByRole('button', { name: mood, exact: true })).toBeVisible();
    await isForEveryone(page, 'table, a break');
    await page
      .locator('man-pause-stop')
      .getByRole('button', { name: /^Go on/ })
      .click();

    // Another hand: one tap here, seen there.
    const desk = await browser.newContext({ timezoneId: 'UTC', serviceWorkers: 'block' });
    const there = await desk.newPage();
    await signIn(there, 'odette', new URL(page.url()).origin);
    await there.goto(`${new URL(page.url()).origin}${visit}/work`);
    await expect(there.getByRole('button', { name: /^in hand.*Rafael Quist/ })).toBeVisible();
    await page.getByRole('button', { name: /^in hand/ }).click();
    await page
      .getByRole('dialog', { name: 'Who takes the dog?' })
      .getByRole('radio', { name: /^Odette Marrow/ })
      .click();
    await expect(there.getByRole('button', { name: /^in hand.*Odette Marrow/ })).toBeVisible();
    await desk.close();

    // Planned anew from here, and the one in hand is kept: both are in the record.
    await page.getByRole('button', { name: /^Other/ }).click();
    await page.getByRole('button', { name: 'Plan the rest anew from here' }).click();
    await page.waitForURL('**/plan');
    await page.getByRole('button', { name: /^(Keep the one at|Back to) the table/ }).click();
    await page.waitForURL('**/work');
    await expect(card.getByRole('heading').first()).toBeVisible();
  });
});

test('a pedal is any key that is sent: it is mapped by pressing it, and acts over a slip', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Gorse');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: /^Keys/ }).click();
  await page.getByRole('button', { name: 'A pedal for: break, and end of the break' }).click();
  await page.getByText('Devices: scale, caliper').click();
  const pedal = page.getByRole('button', { name: 'Press the pedal' });
  await pedal.click();
  await expect(page.locator('kbd.pedal')).toHaveText('F13');
  await pedal.click();
  await expect(page.locator('man-pause-stop').getByRole('button', { name: /^Go on/ })).toBeVisible();
  await page.getByRole('button', { name: 'All as they came' }).click();
  await expect(page.locator('kbd.pedal')).toHaveCount(0);
});

test('an incident by keys alone: its place, its kind, and it is recorded; undo takes it back with its pause', async ({ page }) => {
  await signIn(page, 'odette');
  await bookDog(page, 'Thistle');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByRole('button', { name: /^Step done/ })).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByRole('dialog', { name: /^Incident/ })).toBeFocused();
  await reach(page, page.getByRole('button', { name: 'clipper burn', exact: true }));
  await page.keyboard.press('Enter');
  await expect(page.getByText('Clipper burn: at once')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Ring / })).toHaveAttribute('href', /^tel:/);
  await isForEveryone(page, 'table, an incident');
  await page.keyboard.press('Escape');
  // Most keys rest until the slip is gone; the break stood behind it already.
  await expect(page.getByRole('dialog', { name: /^Incident/ })).toHaveCount(0);
  await expect(page.getByText(/of the break left/)).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back: incident')).toBeVisible();
  await expect(page.getByText(/of the break left/)).toHaveCount(0);
  // A key that nobody meant to press is let go of while something is typed.
  await page.keyboard.press('n');
  await expect(page.getByLabel('Remark', { exact: true })).toBeFocused();
  await page.keyboard.type('9 paws in place');
  await expect(page.getByLabel('Remark', { exact: true })).toHaveValue('9 paws in place');
  await expect(page.getByRole('dialog', { name: 'More signals' })).toHaveCount(0);
});

/** One white pixel. */
const PIXEL = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8/5+hHgAHggJ/PchI7wAAAABJRU5ErkJggg==', 'base64');
