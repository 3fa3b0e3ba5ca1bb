import { isForEveryone } from './for-everyone.js';
import { bookDog, expect, feelOver, pickZone, sign, signIn, test, watchContext } from './support.js';

test('an owner reads, answers and signs on the phone; the salon sees it and gets the copy', async ({ page, browser, watch }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Samphire');
  await feelOver(page, async () => {
    await pickZone(page, 'armpit_left');
    await page.getByRole('radio', { name: 'Nothing passes' }).click();
  });
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await expect(page.getByText(/It takes about/)).toBeVisible();
  await page.getByRole('button', { name: 'Send a link' }).click();
  await expect(page.getByRole('img', { name: 'Code with the link, to scan' })).toBeVisible();
  const href = (await page.getByRole('link', { name: 'Open it here' }).getAttribute('href')) ?? '';

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await watchContext(phone, watch);
  const owner = await phone.newPage();
  await owner.goto(new URL(href).pathname);
  await expect(owner.getByRole('heading', { name: 'Samphire, today' })).toBeVisible();
  await isForEveryone(owner, 'the agreement on the owner’s phone');
  await owner.getByRole('button', { name: 'Send my answers' }).click();
  await expect(owner.getByText('Something is still open above.')).toBeVisible();
  await expect(owner.getByText('Sign with your finger.')).toBeVisible();
  const agree = owner.getByRole('radio', { name: 'I agree' });
  for (let i = 0; i < (await agree.count()); i++) await agree.nth(i).click();
  await owner.getByLabel(/before you are rung first/).fill('300');
  await owner.getByLabel(/second number, if the first/).fill('0550 777');
  await owner.getByLabel('Your name').fill('Philippa Drum');
  await sign(owner);
  await owner.getByRole('button', { name: 'Send my answers' }).click();
  await expect(owner.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  const copy = await phone.request.get(
    new URL((await owner.getByRole('link', { name: 'Your copy as a PDF' }).getAttribute('href')) ?? '', owner.url()).href,
  );
  expect(copy.headers()['content-type']).toBe('application/pdf');

  await expect(page.getByText(/Agreed by Philippa Drum at .* on the phone/)).toBeVisible();
  await page.getByRole('button', { name: 'To the plan' }).click();
  await page.waitForURL('**/plan');
  await owner.reload();
  await expect(owner.getByRole('heading', { name: 'Thank you' })).toBeVisible();

  const path = new URL(href).pathname;
  await owner.goto(path.slice(0, -3) + 'AAA');
  await expect(owner.getByRole('alert')).toContainText('not one of ours');
  await expect(owner.getByText('Samphire')).toHaveCount(0);
  await phone.close();
});

test('an owner tells of a dog before the first visit; the salon reviews it before it is in the file', async ({ page, browser, watch }) => {
  await signIn(page, 'imke');
  await page.goto('/intakes');
  await page.getByLabel('Name', { exact: true }).fill('Cordula Wake');
  await page.getByLabel('Phone', { exact: true }).fill('0550 777');
  await page.getByRole('button', { name: 'Send the questions' }).click();
  const href = (await page.getByRole('link', { name: 'Open it here' }).getAttribute('href')) ?? '';

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await watchContext(phone, watch);
  const owner = await phone.newPage();
  await owner.goto(new URL(href).pathname);
  await expect(owner.getByLabel('Name of the dog')).toBeVisible();
  await isForEveryone(owner, 'the intake on the owner’s phone');
  await owner.getByLabel('Name of the dog').fill('Pomfret');
  await owner.getByLabel(/^Born/).fill('2023-03-01');
  // A closed page keeps what was typed.
  await owner.reload();
  await expect(owner.getByLabel('Name of the dog')).toHaveValue('Pomfret');
  await owner.getByLabel('Weight, kg').fill('70');
  await owner.getByRole('radio', { name: 'It growled or snapped the air' }).click();
  await owner.getByLabel('What happened just before?').fill('Someone took its bone.');
  await owner.getByLabel('What calms it?').fill('Humming.');
  await owner.getByRole('button', { name: 'Send to the salon' }).click();
  await expect(owner.getByText('Answer the question below, or change the weight.')).toBeVisible();
  await owner.getByLabel('Weight, kg').fill('7');
  await owner.getByRole('button', { name: 'Send to the salon' }).click();
  await expect(owner.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await phone.close();

  await page.reload();
  const intake = page.getByRole('region', { name: 'Intake of Cordula Wake' });
  await intake.getByRole('button', { name: 'Review' }).click();
  await expect(intake).toContainText('Someone took its bone.');
  await isForEveryone(page, 'the review of an intake');
  await expect(intake.getByLabel('Name of the dog')).toHaveValue('Pomfret');
  await intake.getByRole('button', { name: 'Take it over into a new file' }).click();
  await page.waitForURL(/\/dogs\/[0-9a-f-]{36}$/);
  await expect(page.locator('.works')).toContainText('Humming.');
  await expect(page.locator('.works')).toContainText('Cordula Wake (owner)');
});
