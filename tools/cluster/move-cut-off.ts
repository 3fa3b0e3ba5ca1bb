import { writeSync } from 'node:fs';
import * as z from 'zod';
import { leadTo } from './front.js';
import { moveSalon } from './move.js';

/** Moves a salon as far as it is told, and dies there without a word: what the drill begins as a process of its own. */
const CELL = z.object({ name: z.string(), adminUrl: z.string() });
const ASKED = z.object({
  salonId: z.string(),
  from: CELL,
  to: CELL,
  host: z.string(),
  files: z.object({ map: z.string(), control: z.string() }),
  diesAt: z.string(),
});

const { diesAt, files, host, ...asked } = ASKED.parse(JSON.parse(process.argv[2] ?? ''));
await moveSalon({
  ...asked,
  lead: () => leadTo(files, host, asked.to.name),
  told: (step) => {
    if (step !== diesAt) return;
    // At once: what is printed the usual way may be lost with it.
    writeSync(1, `dies at ${step}\n`);
    process.kill(process.pid, 'SIGKILL');
  },
});
