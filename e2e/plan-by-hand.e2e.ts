import type { Locator, Page } from '@playwright/test';
import { agree, bookDog, expect, feelOver, signIn, test } from './support.js';

const steps = (page: Page): Locator => page.locator('button.step');
const names = async (page: Page): Promise<string[]> =>
  (await page.locator('button.step .what > b').allInnerTexts()).map((t) => t.replace(/\s+/g, ' ').trim());
/** The plan is final: it can be changed by hand. */
const settled = (page: Page): Promise<void> => expect(page.locator('.grip').first()).toBeVisible();

/** The step that has moved up, to make room for the one that is dragged. */
const madeRoom = (page: Page): Locator => page.locator('ol.steps > li[style*="translate3d(0px, -"]');

async function planFor(page: Page, dog: string, minutes = 180): Promise<string> {
  const visit = await bookDog(page, dog, minutes);
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await settled(page);
  return visit;
}
async function middle(of: Locator): Promise<{ x: number; y: number }> {
  await of.scrollIntoViewIfNeeded();
  const box = await of.boundingBox();
  if (!box) throw new Error('it is not on the screen');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
test('a plan is changed by hand: dragged, refused with the rule, left out, taken back', async ({ page }) => {
  await signIn(page, 'rafael');
  await planFor(page, 'Wren');
  const before = await names(page);

  // Down by one with the mouse.
  await page.locator('ol.steps').scrollIntoViewIfNeeded();
  // The ends of a visit and the bath lie where they lie.
  const bound = (n: string | undefined): boolean => n === undefined || /^(Meet|Brush|Bath|Towel|Dry|Two easy)/.test(n);
  const free = before.findIndex((n, i) => !bound(n) && !bound(before[i + 1]));
  const from = await middle(page.locator('.grip').nth(free));
  const to = await middle(page.locator('.grip').nth(free + 1));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x, from.y + 12, { steps: 4 });
  await page.mouse.move(to.x, to.y + 14, { steps: 12 });
  await expect(madeRoom(page)).toHaveCount(1);
  await page.mouse.up();
  await expect(page.getByRole('region', { name: 'Fixed by hand' })).toContainText('Against the plan without it');
  await expect.poll(() => names(page)).not.toEqual(before);
  await settled(page);

  // A wet dog does not wait: the rule is said, and nothing changes.
  const dry = (await names(page)).indexOf('Dry');
  await steps(page).nth(dry).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('.refused')).toContainText('“Towel” comes before “Dry”');
  const kept = await names(page);

  // Left out, and back.
  await steps(page).last().click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  const last = kept.at(-1) ?? '';
  await expect(page.getByRole('region', { name: 'Not today' })).toContainText(last);
  await expect.poll(() => names(page)).not.toContain(last);
  await settled(page);
  await page.getByRole('button', { name: `Do it today: ${last}` }).click();
  await expect(page.getByRole('button', { name: `Take back: without ${last}` })).toHaveCount(0);
  await expect.poll(() => names(page)).toContain(last);
  await settled(page);

  // What if.
  await steps(page).first().click();
  await page.getByRole('button', { name: 'What if it came earlier or later?' }).click();
  // It is answered between the parts of what stands beside the plan.
  await expect(page.getByRole('status', { name: 'What if it came at another place' })).toContainText(/Before|Not possible/, {
    timeout: 90_000,
  });

  // The hands undo by the same way as everywhere.
  await page.locator('man-wish-strip .chip').first().click();
  await expect(page.getByRole('region', { name: 'Fixed by hand' })).toHaveCount(0);
  await settled(page);
  // The search has a time, so that what else the plan has depends on the machine; what was swapped at a price is not swapped any more.
  const [one = '', other = ''] = before.slice(free, free + 2);
  await expect
    .poll(async () => {
      const now = await names(page);
      return !now.includes(one) || !now.includes(other) || now.indexOf(one) < now.indexOf(other);
    })
    .toBe(true);
});

test('other ways stand side by side, odds and hazards are drawn, and the plan prints on one page', async ({ page }) => {
  await signIn(page, 'imke');
  const visit = await planFor(page, 'Teasel', 150);
  await page.keyboard.press('2');
  await expect(page.locator('man-ways .way')).not.toHaveCount(1);
  expect(await page.locator('man-ways .way').count()).toBeLessThanOrEqual(4);
  await expect(page.locator('man-ways .way').first()).toContainText('This is the plan in hand.');
  await expect(page.locator('man-ways .way').nth(1)).toContainText('reaches stop');

  await page.keyboard.press('3');
  await expect(page.locator('man-odds svg rect')).toHaveCount(20);
  await expect(page.getByText(/1,000 visits drawn/)).toBeVisible();
  await page.locator('man-hazard-map .v0 [data-zone="back"]').press('Enter');
  await expect(page.getByRole('heading', { name: 'back', exact: true })).toBeVisible();
  await page.getByText('Hazards as a grid, for print').click();
  await page.locator('man-hazard-grid button.cell:not([disabled])').first().click();
  await expect(page.getByRole('heading', { name: 'In this field' })).toBeVisible();

  await page.keyboard.press('1');
  await expect(page.locator('man-hazard-grid')).toHaveCount(0);
  await expect(page.locator('button.step').first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  for (const told of ['Imke Aldous', '0550 100 999', 'nothing more is begun'])
    await expect(page.locator('man-wall-sheet').getByText(told).first()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const pdf = await page.pdf({ format: 'A4', printBackground: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length).toBe(1);

  // Another way is taken, said on the plan, and given back.
  await page.keyboard.press('2');
  await page
    .getByRole('button', { name: /^Plan it this way: (Calmest|Quickest|Welfare only|Split in two)/ })
    .first()
    .click();
  await settled(page);
  await expect(page.locator('.bar .way')).toBeVisible();
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Back to as asked' }).click();
  await expect(page.locator('.bar .way')).toHaveCount(0);

  // A helper for a part of the visit.
  await page.getByRole('group', { name: 'Helper' }).getByRole('radio', { name: 'for a time' }).click();
  await page.getByLabel('from').fill('200');
  await page.getByLabel('from').blur();
  await expect(page.getByText('comes before leaving')).toBeVisible();
  await page.getByRole('group', { name: 'Helper' }).getByRole('radio', { name: 'none' }).click();

  // At the table the rest is planned from where it stands.
  await settled(page);
  const first = (await names(page))[0] ?? '';
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: 'Step done' }).click();
  await expect(page.getByRole('button', { name: 'Start step 2' })).toBeVisible();
  await page.goto(`${visit}/plan`);
  await settled(page);
  await expect(page.locator('.first-line')).toContainText(`(over: ${first})`);
  expect(await names(page)).not.toContain(first);
  await steps(page).last().click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'Take the changed plan to the table' }).click();
  await page.waitForURL('**/work');
  await expect(page.getByRole('button', { name: 'Start step 2' })).toBeVisible();
});

test.describe('with a finger on an upright tablet', () => {
  test.use({ hasTouch: true, viewport: { width: 834, height: 1112 } });
  test('a step is dragged by its handle', async ({ page }) => {
    await signIn(page, 'odette');
    await planFor(page, 'Wren');
    const before = await names(page);
    // The ends of a visit and the bath lie where they lie.
    const bound = (n: string | undefined): boolean => n === undefined || /^(Meet|Brush|Bath|Towel|Dry|Two easy)/.test(n);
    const free = before.findIndex((n, i) => !bound(n) && !bound(before[i + 1]));
    await page.locator('.grip').nth(free).scrollIntoViewIfNeeded();
    const from = await middle(page.locator('.grip').nth(free));
    const to = await middle(page.locator('.grip').nth(free + 1));
    const finger = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', y: number): Promise<unknown> =>
      finger.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x: from.x, y }] });
    await touch('touchStart', from.y);
    for (let i = 1; i <= 12; i++) await touch('touchMove', from.y + ((to.y + 14 - from.y) * i) / 12);
    await expect(madeRoom(page)).toHaveCount(1);
    await touch('touchEnd', 0);
    await expect(page.getByRole('region', { name: 'Fixed by hand' })).toBeVisible();
    await expect.poll(() => names(page)).not.toEqual(before);
  });
});
