import { cpus } from 'node:os';
import { build } from '../build.js';
import { withBenchSalon } from '../bench-salon.js';
import { Plain } from '../place.js';
import { deviceFigures } from './device-figures.js';
import { manyEventFigures } from './many-event-figures.js';
import { serverFigures } from './server-figures.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const row = (what: string, promised: string, measured: string): void => say(`| ${what} | ${promised} | ${measured} |`);
const PARTS = { device: deviceFigures, server: serverFigures, many: manyEventFigures } as const;

/** `npm run bench:log -- [device] [server] [many]`: the figures of the log. Medians; nothing here passes or fails. */
async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  if (asked.includes('built')) asked.splice(asked.indexOf('built'), 1);
  else {
    await build(say);
    const cpu = cpus();
    say(`Machine: ${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, Node ${process.version}, headless Chromium\n`);
  }
  say('| what | promised | measured |');
  say('| --- | --- | --- |');
  for (const [name, figures] of Object.entries(PARTS))
    if (asked.length === 0 || asked.includes(name)) await withBenchSalon((salon) => figures(salon, row));
}

main().catch((error: unknown) => {
  say(error instanceof Plain ? error.message : String(error instanceof Error ? error.stack : error));
  process.exitCode = 1;
});
