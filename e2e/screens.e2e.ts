import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { atRest, isForEveryone } from './for-everyone.js';
import { ROOT, bookDog, expect, openVisit, signIn, test } from './support.js';

/** Something that can be opened on a screen: how, and what closes it. */
interface State {
  readonly name: string;
  readonly open: (page: Page) => Promise<void>;
  readonly close?: (page: Page) => Promise<void>;
}
interface Screen {
  readonly name: string;
  readonly dog?: string;
  readonly file?: string;
  readonly path: string;
  readonly shows: string | RegExp;
  readonly states?: readonly State[];
}

const escape = async (page: Page): Promise<void> => {
  await page.keyboard.press('Escape');
};
const tab = (name: string, shows: string | RegExp): State => ({
  name: `tab ${name}`,
  open: async (page) => {
    await page.getByRole('tab', { name }).click();
    await expect(page.getByRole('tabpanel').getByText(shows).first()).toBeVisible();
  },
});
const slip = (button: RegExp, name: string): State => ({
  name: `slip ${name}`,
  open: async (page) => {
    await page.getByRole('button', { name: button }).click();
    await expect(page.getByRole('dialog', { name })).toBeVisible();
  },
  close: async (page) => {
    await page.getByRole('dialog', { name }).getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('dialog', { name })).toBeHidden();
  },
});
const opened = (button: string | RegExp): State => ({
  name: `opened ${String(button)}`,
  open: (page) => page.getByRole('button', { name: button }).first().click(),
});
const details: State = {
  name: 'all that unfolds',
  open: async (page) => {
    for (const summary of await page.locator('details:not([open]) > summary').all()) if (await summary.isVisible()) await summary.click();
  },
};
const keys: State = {
  name: 'keys',
  open: async (page) => {
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: /^Keys/ })).toBeVisible();
  },
  close: escape,
};
const wrong = (button: string, shows: string): State => ({
  name: 'errors beside the fields',
  open: async (page) => {
    await page.getByRole('button', { name: button }).click();
    await expect(page.getByText(shows).first()).toBeVisible();
  },
});

const SCREENS: readonly Screen[] = [
  { name: 'today', path: '/today', shows: 'Kestrel', states: [keys] },
  {
    name: 'the book',
    path: '/book',
    shows: 'Drag a tag to another hour',
    states: [
      { name: 'a booking', open: (page) => page.locator('man-lead-lines button.tag').last().click() },
      tab('Week', 'Sun'),
      tab('Overdue', 'Comes about every'),
      tab('Waiting list', 'Somebody waits'),
    ],
  },
  { name: 'dogs', path: '/dogs', shows: 'Ludmila Farrow', states: [opened('Also those put away')] },
  {
    name: 'new dog',
    path: '/dogs/new',
    shows: 'New dog',
    states: [opened('nails'), opened('Another contact'), wrong('Enter and book a visit', 'Give a name.')],
  },
  { name: 'know', dog: 'Kestrel', path: 'know', shows: 'Tomasz at the head; he talks about the harbour.', states: [details] },
  {
    name: 'feel over',
    dog: 'Moss',
    path: 'feel_over',
    shows: 'Found so far',
    states: [
      tab('Fit and mood', 'On the table it is'),
      opened('Something does'),
      opened('Told today'),
      tab('Joints', 'left hip'),
      { name: 'zone', open: (page) => page.getByRole('button', { name: /^left armpit: grade/ }).click() },
      details,
    ],
  },
  { name: 'agree', dog: 'Moss', path: 'agree', shows: /It takes about/ },
  {
    name: 'plan',
    dog: 'Ottoline',
    path: 'plan',
    shows: /About \d+ min \(/,
    states: [details, tab('Other ways', 'This is the plan in hand.'), tab('Odds and hazards', 'ends in time')],
  },
  { name: 'dog file', file: 'Ottoline', path: '/dogs', shows: 'Likes the table low.', states: [opened('In here twice?'), details] },
  {
    name: 'intakes',
    path: '/intakes',
    shows: 'Ask an owner before the first visit',
    states: [wrong('Send the questions', 'Give a name.')],
  },
  { name: 'messages', path: '/messages', shows: /No message yet|please tell us|Tidewrack:/ },
  {
    name: 'salon',
    path: '/salon',
    shows: 'Vet to ring in an emergency',
    states: [
      tab('Opening hours', 'Shut on these days'),
      tab('Rooms and posts', 'Add a table'),
      tab('People', 'Somebody new'),
      opened('Hours and limits of Odette Marrow'),
      tab('Calendars', 'Make an address'),
      tab('How it runs', 'GB are free'),
    ],
  },
  { name: 'you', path: '/me', shows: 'this browser' },
  { name: 'house rules', path: '/house-rules', shows: 'What no house rule lowers' },
  {
    name: 'table',
    dog: 'Nettle',
    path: 'work',
    shows: /min planned/,
    states: [
      slip(/^More signals/, 'More signals'),
      slip(/^Hold/, 'Another hold'),
      slip(/^Blade/, 'Blade'),
      {
        name: 'incident',
        open: async (page) => {
          await page.getByRole('button', { name: /^Incident/ }).click();
          await page.getByRole('button', { name: 'nick', exact: true }).click();
          await expect(page.getByText('Press with clean gauze for 5 min')).toBeVisible();
        },
        close: async (page) => {
          await page.keyboard.press('Escape');
          await page.getByRole('button', { name: /^Undo/ }).click();
          await expect(page.getByText('Taken back: incident')).toBeAttached();
        },
      },
      {
        name: 'a place',
        open: async (page) => {
          await page.locator('man-where-card [role=treeitem][tabindex="0"]').first().focus();
          await page.keyboard.press('Enter');
          await expect(page.getByText('The tool stops here')).toBeVisible();
        },
        close: escape,
      },
      slip(/^Photo/, 'Photograph'),
      slip(/^in hand/, 'Who takes the dog?'),
      slip(/^Other/, 'Steps'),
      slip(/^Remark/, 'Remark for whoever has this dog next'),
      slip(/^Keys/, 'Keys at the table'),
      {
        name: 'a safe end',
        open: async (page) => {
          await page.getByRole('button', { name: /^Stop/ }).click();
          await expect(page.getByRole('heading', { name: 'A safe end' })).toBeVisible();
        },
        close: async (page) => {
          await page.getByRole('button', { name: /^Undo/ }).click();
          await expect(page.getByRole('heading', { name: 'A safe end' })).toHaveCount(0);
        },
      },
    ],
  },
  { name: 'hand back', dog: 'Bramble', path: 'hand_back', shows: 'Next visit' },
];

async function show(page: Page, screen: Screen): Promise<void> {
  if (screen.dog) {
    await page.goto('/today');
    await openVisit(page, screen.dog, screen.path);
  } else await page.goto(screen.path);
  if (screen.file) {
    await page.getByRole('link', { name: screen.file, exact: true }).click();
    await page.waitForURL(/\/dogs\/[0-9a-f-]{36}$/);
  }
  await expect(page.locator('#sheet').getByText(screen.shows).first()).toBeVisible();
}

for (const screen of SCREENS)
  test(`for everyone, at four sizes, whatever is open: ${screen.name}`, async ({ page }) => {
    await page.addInitScript(() => {
      let shift = 0;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
          const moved = entry as PerformanceEntry & { readonly value: number; readonly hadRecentInput: boolean };
          if (!moved.hadRecentInput) shift += moved.value;
        }
        document.documentElement.dataset['shift'] = String(shift);
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await signIn(page, 'imke');
    await show(page, screen);
    await atRest(page);
    const shift = Number((await page.locator('html').getAttribute('data-shift')) ?? 0);
    expect.soft(shift, `${screen.name}: how much moves while it comes`).toBeLessThan(0.05);
    await isForEveryone(page, screen.name);
    for (const state of screen.states ?? []) {
      await state.open(page);
      await isForEveryone(page, `${screen.name}, ${state.name}`);
      await state.close?.(page);
    }
  });

test('for everyone: signing in, and the page of controls', async ({ page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Give the name').or(page.locator('man-field-error span')).first()).toBeVisible();
  await isForEveryone(page, 'sign-in');
  await page.goto('/controls');
  await expect(page.getByRole('heading', { name: 'Slips and keys' })).toBeVisible();
  await page.getByRole('button', { name: 'A slip beside the work' }).click();
  await isForEveryone(page, 'controls');
  await page.getByRole('button', { name: 'A slip over the sheet' }).click();
  await expect(page.getByRole('dialog', { name: 'Before, 12 March' })).toBeVisible();
  await isForEveryone(page, 'controls, slip over the sheet');
});

test('every stop shows where it is, links too; the first one skips to the sheet', async ({ page }) => {
  await signIn(page, 'imke');
  await page.goto('/today');
  await expect(page.locator('#sheet').getByText('Kestrel').first()).toBeVisible();
  const seen: string[] = [];
  for (let i = 0; i < 40; i++) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(() => {
      const now = document.activeElement;
      if (!now || now === document.body) return undefined;
      const style = getComputedStyle(now);
      return {
        name: (now.textContent ?? '').trim().slice(0, 30),
        ring: style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 2,
      };
    });
    if (!at) break;
    seen.push(at.name);
    expect.soft(at.ring, `the focus on “${at.name}” is seen`).toBe(true);
  }
  expect(seen[0]).toBe('To the sheet');
  expect(seen.length).toBeGreaterThan(15);
  await page.goto('/today');
  await expect(page.locator('#sheet').getByText('Kestrel').first()).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.locator('#sheet')).toBeFocused();
  expect(new URL(page.url()).pathname).toBe('/today');
});

test.describe('with colours of the system’s own', () => {
  test.use({ contextOptions: { forcedColors: 'active', reducedMotion: 'reduce' } });
  test('what is pressed is told from what is not, and nothing moves', async ({ page }) => {
    await signIn(page, 'imke');
    await bookDog(page, 'Clover');
    await page.getByRole('button', { name: 'I have read it: feel over' }).click();
    const ground = (name: string): Promise<string> =>
      page
        .getByRole('radio', { name, exact: true })
        .or(page.getByRole('button', { name, exact: true }))
        .evaluate((e) => getComputedStyle(e).backgroundColor);
    const nothing = page.getByRole('button', { name: 'Nothing speaks against it' });
    await nothing.click();
    await expect(nothing).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('radio', { name: 'still', exact: true }).click();
    await page.getByRole('tab', { name: 'Fit and mood' }).click();
    await expect(page.getByRole('radio', { name: 'still', exact: true })).toBeChecked();
    expect(await ground('still')).not.toBe(await ground('tense'));
    expect(await ground('Nothing speaks against it')).not.toBe(await ground('Something does …'));
    const moving = await page.evaluate(
      () => document.getAnimations().filter((a) => Number(a.effect?.getComputedTiming().duration ?? 0) > 1).length,
    );
    expect(moving).toBe(0);
  });
});

test('the first load is under 310 kB of script and style, gzipped, with all that it imports', () => {
  const dist = join(ROOT, 'web', 'dist', 'browser');
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] ?? '');
  expect(named.length).toBeGreaterThan(1);
  // The page names some of the files only: each names those that it cannot do without.
  const needed = new Set<string>();
  const take = (file: string): void => {
    if (needed.has(file)) return;
    needed.add(file);
    if (!file.endsWith('.js')) return;
    const text = readFileSync(join(dist, file), 'utf8');
    for (const [, other] of text.matchAll(/(?:from|^import|[;}]import)\s*"\.\/([\w-]+\.js)"/g)) if (other) take(other);
  };
  named.forEach(take);
  const bytes = [...needed].reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0);
  expect(bytes).toBeLessThan(310_000);
});
