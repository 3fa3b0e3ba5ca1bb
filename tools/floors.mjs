import { readdirSync } from 'node:fs';

/**
 * The floors of core, lowest first. A folder imports from the floors below its own and from itself, also types.
 * Rooms of `knowledge` are floors as well: a room above may ask a room below.
 */
export const FLOORS = [
  ['words', 'closed sets, ids, and which facts a rule gives; imports nothing'],
  ['locales', 'every label and sentence, one folder for each language'],
  ['statistics', 'intervals, quantiles, survival, charts: of numbers, not of dogs'],
  ['findings', 'what hands and eyes found, as it was entered'],
  ['knowledge/house-rules', 'what a salon decides for itself'],
  ['knowledge/anatomy', 'the body: zones, skin, where it is drawn'],
  ['knowledge/heat', 'how warm steel becomes and how long it may run'],
  ['knowledge/dogs', 'which kinds of dog this one is, and what that limits'],
  ['knowledge/marks', 'marks on the skin: what they are and who looks at them'],
  ['knowledge/blades', 'blades, guards and what they leave'],
  ['knowledge/tools', 'tools and where they may not go'],
  ['knowledge/coat', 'coat, mats and what can be combed'],
  ['knowledge/holds', 'how a dog is held, and what settles it'],
  ['knowledge/hazards', 'how often it goes wrong, and why'],
  ['knowledge/fit', 'whether it may be groomed today, and whom to ask'],
  ['knowledge/floors', 'what no plan may go under: breaks, minutes, sessions'],
  ['strain', 'the one model of strain: predict, watch, learn, simulate'],
  ['work', 'kinds of work with their facts, and the order rules'],
  ['plan', 'pieces, steps, solver, plan and its reasons'],
  ['log', 'event schemas by family, the envelope, the lifts'],
  ['visit', 'replay: what the log says the visit is'],
  ['agreement', 'what the owner is asked and answers'],
  ['incidents', 'what happened and what must follow'],
  ['hand-back', 'what is told when the dog goes home'],
  ['next-visit', 'when it comes again, and for what'],
  ['access', 'who may do what'],
  ['search', 'finding a dog by what is remembered of it'],
  ['contract', 'schemas of the API'],
];

const ROOMS = new URL('../core/src/', import.meta.url);
const foldersOf = (below) =>
  readdirSync(new URL(below, ROOMS), { withFileTypes: true })
    .filter((f) => f.isDirectory())
    .map((f) => f.name);
const unlisted = [
  ...foldersOf('').filter((f) => f !== 'knowledge' && f !== 'testing'),
  ...foldersOf('knowledge/').map((f) => `knowledge/${f}`),
].filter((folder) => !FLOORS.some(([floor]) => floor === folder));
if (unlisted.length > 0)
  throw new Error(`These folders of core stand on no floor yet: ${unlisted.join(', ')}. Put them into the list in tools/floors.mjs.`);

/** For each floor a rule of the linter that keeps it from importing what lies above, with a message that says where a thing belongs. */
export function floorRules({ outside }) {
  return FLOORS.map(([floor, subject], at) => {
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
                      regex: `(^|/)(${above.map(([f]) => f.replace('knowledge/', '')).join('|')})/index\\.js$`,
                      message: `"${floor}" is a floor below: ${subject}. Move what you need down, ask for a least shape of it, or put this file on a higher floor (tools/floors.mjs lists them).`,
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
