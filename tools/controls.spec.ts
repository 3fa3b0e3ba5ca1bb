import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { SIGNAL_TIERS, STRAIN_BANDS } from '@mansuet/core/words';
import { ROOT } from './place.js';

const APP = join(ROOT, 'web', 'src', 'app');
const files = readdirSync(APP, { recursive: true, encoding: 'utf8' }).map((f) => f.replaceAll('\\', '/'));
const read = (file: string): string => readFileSync(join(APP, file), 'utf8');
/** Templates and components that are no controls themselves. */
const screens = files.filter((f) => /\.(ts|html)$/.test(f) && !f.endsWith('.spec.ts') && !/^(controls|testing)\//.test(f));

/** What a control does once is not done by hand beside it. With each: who does it. */
const BY_HAND: Readonly<Record<string, RegExp>> = {
  'man-choice, man-choices or man-toggle': /aria-pressed|role="radio"|aria-checked/,
  'man-tabs': /role="tab/,
  'man-slip or man-over-slip': /role="dialog"|<dialog|nz-drawer|nz-modal/,
  'man-text, man-number, man-date, man-search or man-select':
    /nz-input|ngModel|<textarea|<select|nz-select|<input(?!\s+type="(file|radio|range)")/,
  'man-notice': /class="(warn|good)[ "]/,
  'man-progress or man-empty': /<progress|nz-empty|nz-progress/,
  'man-data-table': /nz-table/,
  'Keymap.use': /document:keydown|window:keydown|addEventListener\('key/,
  'FormErrors ([manErrors])': /aria-invalid/,
};
/** Not controls, though they look like one by a word. */
const NO_CONTROL: Readonly<Record<string, string>> = {
  'handling-plan/hazard-grid.html': 'a field of the grid is pressed to show its lines: a drawing, not a choice',
  'table/pause-stop.ts': 'Pause is one of the two buttons that never move',
};

/** Classes whose names are put together while the page runs, by what they are made of. */
const MADE: Readonly<Record<string, RegExp>> = {
  'body-map/body-map.less': /^(v\d|pad|stiff)$/,
  'feel-over/hands-guide.less': /^is-(sound|as_before|found)$/,
  'day/lead-lines.less': /^(done|in_hand|planned)$/,
  'handling-plan/odds-panel.less': new RegExp(`^(${STRAIN_BANDS.join('|')})$`),
  'strain-ribbon/strain-ribbon.less': new RegExp(`^(band|axis|open|rest|${STRAIN_BANDS.join('|')})$`),
  'table/signal-pad.less': new RegExp(`^(${SIGNAL_TIERS.join('|')})$`),
  'table/strain-bar.less': new RegExp(`^(${STRAIN_BANDS.join('|')})$`),
};

/** Style files with the templates that use them: component by component. */
function stylesWithTemplates(): Map<string, { css: string; used: string }> {
  const found = new Map<string, { css: string; used: string }>();
  for (const file of files.filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts'))) {
    const text = read(file);
    const here = file.split('/').slice(0, -1).join('/');
    const html = /templateUrl: '\.\/([^']+)'/.exec(text)?.[1];
    const less = /styleUrl: '\.\/([^']+)'/.exec(text)?.[1];
    const inline = /styles: `([^`]*)`/.exec(text)?.[1];
    const used = text.replace(/styles: `[^`]*`/, '') + (html ? read(`${here}/${html}`) : '');
    const add = (key: string, css: string): void => {
      found.set(key, { css, used: (found.get(key)?.used ?? '') + used });
    };
    if (less) add(`${here}/${less}`, read(`${here}/${less}`));
    if (inline) add(file, inline);
  }
  return found;
}

describe('screens stand on the controls', () => {
  it('are looked at', () => expect(screens.length).toBeGreaterThan(80));
  for (const [control, hand] of Object.entries(BY_HAND))
    it(`do nothing by hand that ${control} does`, () =>
      expect(screens.filter((f) => hand.test(read(f)) && !(f in NO_CONTROL))).toEqual([]));
  it('have no exception that is gone', () => expect(Object.keys(NO_CONTROL).filter((f) => !screens.includes(f))).toEqual([]));
});

describe('styles', () => {
  const colours = readFileSync(join(ROOT, 'web', 'src', 'colours.less'), 'utf8');
  const own = new Map([...colours.matchAll(/^ {2}(--[a-z0-9-]+):/gm)].map((m) => [m[1] ?? '', true]));
  const everything = [
    ...files.filter((f) => /\.(less|ts|html)$/.test(f)).map(read),
    ...['styles', 'fitting', 'printing'].map((name) => readFileSync(join(ROOT, `web/src/${name}.less`), 'utf8')),
  ];

  it('name their colours, and hold none', () => {
    const holds = files.filter((f) => f.endsWith('.less') && /#[0-9a-f]{3,8}\b|rgba?\(|hsla?\(/i.test(read(f)));
    const inline = [...stylesWithTemplates()]
      .filter(([f, { css }]) => f.endsWith('.ts') && /#[0-9a-f]{3,8}\b|rgba?\(/i.test(css))
      .map(([f]) => f);
    expect([...holds, ...inline]).toEqual([]);
  });
  it('name only colours that there are, and each colour is used', () => {
    const named = new Set(everything.flatMap((text) => [...text.matchAll(/var\((--[a-z0-9-]+)/g)].map((m) => m[1] ?? '')));
    // Set where it is used: how high a map may be.
    named.delete('--map-height');
    expect([...named].filter((n) => !own.has(n))).toEqual([]);
    expect([...own.keys()].filter((n) => !named.has(n))).toEqual([]);
  });
  it('have no class that no template uses', () => {
    const unused: string[] = [];
    for (const [file, { css, used }] of stylesWithTemplates()) {
      const plain = css.replace(/\/\*[\s\S]*?\*\/|\/\/[^\n]*/g, '').replace(/::ng-deep[^{]*/g, '');
      for (const name of new Set([...plain.matchAll(/\.([a-z][a-z0-9_-]*)/gi)].map((m) => m[1] ?? '')))
        if (!new RegExp(`(^|[^\\w-])${name}($|[^\\w-])`).test(used) && !/^(ant|cdk)-/.test(name) && !MADE[file]?.test(name))
          unused.push(`${file} .${name}`);
    }
    expect(unused).toEqual([]);
  });
});
