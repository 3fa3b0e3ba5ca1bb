import { cpus } from 'node:os';
import type { CDPSession, Page } from 'playwright-core';
import { type BenchSalon, withBenchSalon, withPage } from './bench-salon.js';
import { build } from './build.js';
import { median } from './median.js';
import { Plain } from './place.js';

const IDLE_SECONDS = 60;
const TAPS = 100;
const HOURS = 8;
const TAPS_OF_DAY = 300;
const MEGABYTE = 1024 * 1024;

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const row = (what: string, promised: string, measured: string): void => say(`| ${what} | ${promised} | ${measured} |`);
const at95 = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? 0;
const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** `npm run bench:table`: what the table screen costs the device it stands on. Medians; nothing here passes or fails. */
async function main(): Promise<void> {
  if (!process.argv.includes('built')) {
    await build(say);
    const cpu = cpus();
    say(`Machine: ${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, Node ${process.version}, headless Chromium\n`);
  }
  say('| what | promised | measured |');
  say('| --- | --- | --- |');
  await withBenchSalon(async (salon) => {
    await withPage(salon.origin, (page) => idleAndTaps(page, salon));
    await withPage(salon.origin, (page) => longDay(page, salon));
  });
}

/** At the table of the dog that is being worked on, with a step in hand. */
async function toTable(page: Page, { origin }: BenchSalon): Promise<void> {
  const href = (await page.locator('man-lead-tag a', { hasText: 'Nettle' }).getAttribute('href')) ?? '';
  await page.goto(`${origin}${href.split('/').slice(0, 3).join('/')}/work`);
  await page.locator('man-signal-pad .sign:not([disabled])').first().waitFor();
}

/** Seconds of the page’s own thread since it was begun, those of its scripts, and its heap. */
async function metrics(session: CDPSession): Promise<{ readonly busy: number; readonly script: number; readonly heap: number }> {
  const { metrics: all } = await session.send('Performance.getMetrics');
  const of = (name: string): number => all.find((m) => m.name === name)?.value ?? 0;
  return { busy: of('TaskDuration'), script: of('ScriptDuration'), heap: of('JSHeapUsedSize') };
}

/** The clocks run, nobody touches anything; then one tap after another. */
async function idleAndTaps(page: Page, salon: BenchSalon): Promise<void> {
  await toTable(page, salon);
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  await rest(3000);
  const from = await metrics(session);
  await rest(IDLE_SECONDS * 1000);
  const to = await metrics(session);
  const idle = (to.busy - from.busy) / IDLE_SECONDS;
  const script = (to.script - from.script) / IDLE_SECONDS;
  row(
    `the table, idle for ${IDLE_SECONDS} s: its scripts; its thread with the frame, drawn without a graphics card; a second`,
    'under 2 ms',
    `${(script * 1000).toFixed(1)} ms; ${(idle * 1000).toFixed(1)} ms`,
  );
  const changes = await page.evaluate(
    (seconds) =>
      new Promise<number>((done) => {
        let count = 0;
        const seen = new MutationObserver((all) => (count += all.length));
        seen.observe(document.body, { childList: true, characterData: true, attributes: true, subtree: true });
        setTimeout(() => done(count / seconds), seconds * 1000);
      }),
    10,
  );
  row('changes of the page, a second', 'the clocks and one line of the ribbon', changes.toFixed(1));

  const [shown, all]: [number[], number[]] = [[], []];
  for (let i = 0; i < TAPS; i++) {
    const before = await metrics(session);
    const began = performance.now();
    await page.evaluate(tapUntilShown, i % 4);
    shown.push(((await metrics(session)).busy - before.busy) * 1000);
    await rest(450);
    const seconds = (performance.now() - began) / 1000;
    all.push(((await metrics(session)).busy - before.busy - seconds * idle) * 1000);
  }
  const told = (times: readonly number[]): string => `${median(times).toFixed(1)} ms; ${at95(times).toFixed(1)} ms`;
  row(
    `a tap through log, replay, filter and screen, ${TAPS} taps: its thread until it is shown, median; 95th percentile`,
    'under 16 ms (95th)',
    told(shown),
  );
  row('the same with what follows in the background: sent, heard of, the day’s list', 'none', told(all));
}

/** Presses one of the pad, and waits for the frame that says it is recorded. In the page. */
async function tapUntilShown(at: number): Promise<void> {
  const entry = document.querySelector('.entry');
  const button = document.querySelectorAll<HTMLButtonElement>('man-signal-pad .sign')[at];
  if (!entry || !button) throw new Error('not at the table');
  await new Promise<void>((done) => {
    const seen = new MutationObserver(() => {
      seen.disconnect();
      requestAnimationFrame(() => done());
    });
    seen.observe(entry, { childList: true, characterData: true, subtree: true });
    button.click();
  });
}

/** Eight hours by an injected clock, with a tap now and then: what stays in the heap when all rubbish is collected. */
async function longDay(page: Page, salon: BenchSalon): Promise<void> {
  await page.clock.install();
  await toTable(page, salon);
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const heap = async (): Promise<number> => {
    await session.send('HeapProfiler.collectGarbage');
    await session.send('HeapProfiler.collectGarbage');
    return (await metrics(session)).heap;
  };
  const taps = async (count: number): Promise<void> => {
    for (let i = 0; i < count; i++) {
      await page.evaluate((at) => document.querySelectorAll<HTMLButtonElement>('man-signal-pad .sign')[at]?.click(), i % 2);
      await page.clock.runFor(Math.round((HOURS * 3_600_000) / TAPS_OF_DAY));
    }
  };
  // What is made once, on first use, is no growth.
  await taps(TAPS_OF_DAY / 10);
  const before = await heap();
  await taps(TAPS_OF_DAY);
  const grown = (await heap()) - before;
  row(
    `heap after collection, ${HOURS} h by an injected clock, ${TAPS_OF_DAY} taps`,
    'grows by the log alone',
    `${(before / MEGABYTE).toFixed(1)} MB, then ${(grown / MEGABYTE).toFixed(2)} MB more: ${(grown / TAPS_OF_DAY / 1024).toFixed(1)} kB a tap`,
  );
}

main().catch((error: unknown) => {
  say(error instanceof Plain ? error.message : String(error instanceof Error ? error.stack : error));
  process.exitCode = 1;
});
