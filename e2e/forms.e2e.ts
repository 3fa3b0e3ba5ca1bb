import { isForEveryone } from './for-everyone.js';
import { emptyServer } from './own-salon.js';
import { expect, signIn, test } from './support.js';

test('a wrong password is said in words; a right one leads to today', async ({ page }) => {
  await page.goto('/');
  await page.waitForURL('**/sign-in');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Give your sign-in name.')).toBeVisible();
  await page.getByLabel('Sign-in name').fill('imke');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Name or password is wrong.' })).toBeVisible();
  await expect(page.getByLabel('Sign-in name')).toHaveValue('imke');
  await page.getByLabel('Password').fill('tidewrack-lead');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/today');
});

test('a dog is entered: errors stand beside the field and nothing typed is lost', async ({ page }) => {
  await signIn(page, 'imke');
  await page.goto('/dogs/new');
  await page.getByLabel('Name of the dog').fill('Quince');
  await page.getByLabel(/^Born/).fill('2999-01-01');
  await page.getByLabel('E-mail').fill('not an address');
  await page.getByRole('button', { name: 'Enter and book a visit' }).click();
  await expect(page.getByText('This is not an e-mail address.')).toBeVisible();
  await expect(page.getByText('A dog weighs at least 0.3 kg.')).toBeVisible();
  await expect(page.getByText('Give a name.')).toBeVisible();
  await expect(page.getByLabel('Name of the dog')).toHaveValue('Quince');
  // The first field that is wrong has the focus, and its error is tied to it.
  await expect(page.getByLabel('Weight, kg')).toBeFocused();
  await expect(page.getByLabel('E-mail')).toHaveAccessibleDescription('This is not an e-mail address.');
  await page.getByLabel('Weight, kg').fill('70');
  await expect(page.getByText('70 kg for a light dog: is that right?')).toBeVisible();
  await page.getByLabel('Weight, kg').fill('12');
  await page.locator('fieldset', { hasText: 'Owner' }).getByLabel('Name').fill('Gudrun Selby');
  await page.getByLabel('E-mail').fill('');
  await page.getByRole('button', { name: 'Enter and book a visit' }).click();
  await expect(page.getByText('This day has not come yet.')).toBeVisible();
  await expect(page.getByLabel(/^Born/)).toBeFocused();
  await page.getByLabel(/^Born/).fill('2022-05-01');
  await page.getByRole('button', { name: 'Enter and book a visit' }).click();
  await page.waitForURL('**/book');
  await page.getByLabel('Length wanted').fill('0');
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(page.getByText('Between 0.5 and 80 mm.')).toBeVisible();
  await page.getByLabel('Length wanted').fill('6');
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await page.waitForURL('**/know');
  await expect(page.getByRole('heading', { name: 'Quince' })).toBeVisible();
  await expect(page.getByText('First visit: nobody here knows yet what Quince minds.').first()).toBeVisible();
});

test('two people change one dog: the second is told, and keeps what was typed', async ({ page, context }) => {
  await signIn(page, 'imke');
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Wren', exact: true }).click();
  await page.getByRole('link', { name: 'Change the facts' }).click();
  await page.waitForURL('**/edit');
  const second = await context.newPage();
  await second.goto(page.url());
  await page.getByLabel('Weight, kg').fill('3.6');
  await second.getByLabel('Weight, kg').fill('3.9');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await page.waitForURL(/\/dogs\/[^/]+$/);
  await second.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(second.getByRole('alert')).toContainText('Somebody else has changed this');
  await expect(second.getByLabel('Weight, kg')).toHaveValue('3.9');
  await second.getByRole('button', { name: 'Show what stands there now' }).click();
  await expect(second.getByText('weight kg: 3.6')).toBeVisible();
  await second.getByRole('button', { name: 'Keep the changes' }).click();
  await second.waitForURL(/\/dogs\/[^/]+$/);
  await expect(second.getByText('3.9 kg, light build')).toBeVisible();
});

test('a bather sees no button that would be refused', async ({ page }) => {
  await signIn(page, 'tomasz');
  await expect(page.getByRole('link', { name: 'Book a visit' })).toHaveCount(0);
  await page.goto('/dogs');
  await expect(page.getByRole('link', { name: 'Wren', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'New dog' })).toHaveCount(0);
});

test('an empty installation asks for its first run, and shows no demo logins', async ({ browser, page }) => {
  const server = await emptyServer();
  await page.goto(`${server.origin}/`);
  await page.waitForURL('**/first-run');
  await page.getByRole('button', { name: 'Open the salon' }).click();
  await expect(page.getByText('Give the salon’s name.')).toBeVisible();
  await isForEveryone(page, 'the first run, with what is wrong');
  await page.getByLabel('Name of the salon').fill('Saltgrass');
  await page.getByLabel('Your name').fill('Ines Karr');
  await page.getByLabel('Your sign-in name').fill('ines');
  await page.getByLabel('Your password').fill('a long enough one');
  await page.getByRole('button', { name: 'Open the salon' }).click();
  // It is led through its own page, to its first dog.
  await page.waitForURL(/\/salon\?first/);
  await page.getByLabel('The emergency line').fill('0550 1');
  await page.getByLabel('Currency').fill('nzd');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('group', { name: 'Monday' }).getByRole('button', { name: 'Monday' }).click();
  await expect(page.getByRole('group', { name: 'Monday' })).toContainText('shut');
  const tuesday = page.getByRole('group', { name: 'Tuesday' });
  await tuesday.getByLabel('Until').fill('08:00');
  await page.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(tuesday.getByText('It ends before it begins.')).toBeVisible();
  await tuesday.getByLabel('Until').fill('18:30');
  await page.getByRole('button', { name: 'Keep these hours' }).click();
  await page.getByRole('button', { name: 'Add a table' }).click();
  await page.getByRole('button', { name: 'Keep these posts' }).click();
  await expect(page.getByText('Give the room it stands in.')).toBeVisible();
  await page.getByRole('group', { name: 'Table 1' }).getByLabel('Room').fill('Front');
  await page.getByRole('button', { name: 'Keep these posts' }).click();

  // A colleague chooses a password by a link that opens once, on a device of their own.
  // Posts have names as well: the page of people is there first.
  await expect(page.getByRole('heading', { name: 'Somebody new' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Joss Tell');
  await page.getByLabel('Sign-in name').fill('joss');
  await page.getByRole('button', { name: 'Make a link for them' }).click();
  const link = await page.locator('man-join-link .link').innerText();
  const theirs = await browser.newContext();
  const other = await theirs.newPage();
  await other.goto(link);
  await expect(other.getByRole('heading', { name: 'Welcome, Joss Tell' })).toBeVisible();
  await isForEveryone(other, 'choosing a password');
  await other.getByLabel('Your password').fill('short');
  await other.getByRole('button', { name: 'Take this password' }).click();
  await expect(other.getByText('At least 10 characters.')).toBeVisible();
  await other.getByLabel('Your password').fill('another long one');
  await other.getByRole('button', { name: 'Take this password' }).click();
  await other.getByRole('link', { name: 'Sign in' }).click();
  await other.getByLabel('Sign-in name').fill('joss');
  await other.getByLabel('Password').fill('another long one');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await other.waitForURL('**/today');
  await expect(other.getByRole('link', { name: 'Salon', exact: true })).toHaveCount(0);
  await theirs.close();

  await page.getByRole('link', { name: 'Enter the first dog' }).click();
  await page.waitForURL('**/dogs/new');
  await page.goto(`${server.origin}/today`);
  await expect(page.getByText('No dog is booked today').first()).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL('**/sign-in');
  await expect(page.getByText('Demo salon')).toHaveCount(0);
  await server.close();
});
