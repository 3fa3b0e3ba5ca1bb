import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { eventTypeLines } from '@mansuet/core/log';
import { ROOT } from './place.js';

/** Writes docs/events.md from the schemas: `npm run docs`. A core spec fails when it is out of date. */
const rows = eventTypeLines().map((l) => `| \`${l.type}\` | ${l.says} | ${l.fields.map((f) => `\`${f}\``).join(', ') || 'none'} |`);
writeFileSync(
  join(ROOT, 'docs', 'events.md'),
  `# Events of a visit\nWritten by \`npm run docs\` from \`core/src/log/families/\`. Each event also carries \`id\` (UUIDv7), \`visitId\`, \`at\`, \`by\`, \`stamp\` and \`v\`.\n\n| type | says | fields |\n| --- | --- | --- |\n${rows.join('\n')}\n`,
);
