import { readdirSync, readFileSync } from 'node:fs';

/**
 * The floors of core, lowest first. A folder imports from the floors below its own and from itself, also types.
 * Rooms of `knowledge` are floors as well: a room above may ask a room below. What belongs on a floor stands on top of its `index.ts`.
 */
export const FLOORS = [
  'days',
  'words',
  'locales',
  'statistics',
  'findings',
  'knowledge/house-rules',
  'knowledge/anatomy',
  'knowledge/heat',
  'knowledge/dogs',
  'knowledge/marks',
  'knowledge/blades',
  'knowledge/tools',
  'knowledge/coat',
  'knowledge/holds',
  'knowledge/hazards',
  'knowledge/fit',
  'knowledge/floors',
  'drawing',
  'strain',
  'work',
  'plan',
  'log',
  'visit',
  'learning',
  'agreement',
  'incidents',
  'follow-ups',
  'hand-back',
  'last-time',
  'next-visit',
  'access',
  'search',
  'running',
  'contract',
  'day',
  'account',
  'letters',
];

const ROOMS = new URL('../core/src/', import.meta.url);
const foldersOf = (below) =>
  readdirSync(new URL(below, ROOMS), { withFileTypes: true })
    .filter((f) => f.isDirectory())
    .map((f) => f.name);
const unlisted = [
  ...foldersOf('').filter((f) => f !== 'knowledge' && f !== 'testing'),
  ...foldersOf('knowledge/').map((f) => `knowledge/${f}`),
].filter((folder) => !FLOORS.includes(folder));
if (unlisted.length > 0)
  throw new Error(`These folders of core stand on no floor yet: ${unlisted.join(', ')}. Put them into the list in tools/floors.mjs.`);

/** What belongs on a floor, as its index says. */
export function subjectOf(floor) {
  const [, subject] = /^\/\*\* (.+)\. \*\/\n/.exec(readFileSync(new URL(`${floor}/index.ts`, ROOMS), 'utf8')) ?? [];
  if (!subject) throw new Error(`core/src/${floor}/index.ts does not begin with a line that says what belongs there: /** What … . */`);
  return subject;
}

/** For each floor a rule of the linter that keeps it from importing what lies above, with a message that says where a thing belongs. */
export function floorRules({ outside }) {
  return FLOORS.map((floor, at) => {
    const subject = subjectOf(floor);
    const above = FLOORS.slice(at + 1);
    return {
      files: [`core/src/${floor}/**/*.ts`],
      ignores: ['**/*.spec.ts'],
      rules: {
        '@typescript-eslint/no-restricted-imports': [
          'error',
          {
            patterns: [
              { group: outside, message: 'Core computes only: no screen, no server, no files. Pass it in.' },
              {
                regex: '/testing/',
                message: 'What specs share stays with specs.',
              },
              ...(above.length === 0
                ? []
                : [
                    {
                      regex: `(^|/)(${above.map((f) => f.replace('knowledge/', '')).join('|')})/index\\.js$`,
                      message: `"${floor}" is a floor below. There: ${subject}. Move what you need down, ask for a least shape of it, or put this file on a higher floor (tools/floors.mjs lists them).`,
                    },
                  ]),
              {
                regex: '^(\\.\\./)+(?!words/|locales/en/)[^.]*/(?!index\\.js$)[^/]+\\.js$',
                message: 'Come in by the door: import another floor from its index.js.',
              },
            ],
          },
        ],
      },
    };
  });
}
