import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { eventTypeLines } from '@mansuet/core/log';
import { factLines } from '../core/src/testing/every-fact.js';
import { ROOT } from './place.js';

/** Writes docs/events.md from the schemas and docs/facts.md from what each fact changes: `npm run docs`. Core specs fail when they are out of date. */
const rows = eventTypeLines().map((l) => `| \`${l.type}\` | ${l.says} | ${l.fields.map((f) => `\`${f}\``).join(', ') || 'none'} |`);
writeFileSync(
  join(ROOT, 'docs', 'events.md'),
  `# Events of a visit\nWritten by \`npm run docs\` from \`core/src/log/families/\`. Each event also carries \`id\` (UUIDv7), \`visitId\`, \`at\`, \`by\`, \`stamp\` and \`v\`.\n\n| type | says | fields |\n| --- | --- | --- |\n${rows.join('\n')}\n`,
);
writeFileSync(
  join(ROOT, 'docs', 'facts.md'),
  `# What each fact changes\nWritten by \`npm run docs\`: each value that can be entered is tried on invented dogs, with and without it; here stands what differed on the first of them that showed anything. What a value only echoes does not count. Names, telephone numbers, remarks, medicines and products as they were written, and where on its drawing a mark lies are read by people and by no rule.\n\n| entered in | value | changes |\n| --- | --- | --- |\n${factLines().join('\n')}\n`,
);
