import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { scaleLog } from 'd3-scale';
import type { ToldGroup } from '../core/src/learning/index.js';
import { areaUnderRoc, toldAndCame, toldGroup, WORLDS } from '../core/src/testing/told-and-came.js';
import { ROOT } from './place.js';

/** Shares of all chances that were told, lowest first; most are small, so the last ones are narrow. */
const SHARES = [0, 0.5, 0.8, 0.9, 0.95, 0.98, 1] as const;
const VISITS = 1500;
const PICTURE = 'docs/next-minutes.svg';

interface Held {
  readonly world: string;
  readonly roc: number;
  readonly top: ToldGroup;
  readonly groups: readonly ToldGroup[];
}

const held: Held[] = Object.entries(WORLDS).map(([world, of]) => {
  const told = toldAndCame(of, VISITS, 100_000);
  const groups = SHARES.slice(1).map((to, i) => toldGroup(told, SHARES[i] ?? 0, to));
  return { world, roc: areaUnderRoc(told), top: toldGroup(told, 0.8, 1), groups };
});

const percent = (x: number): string => `${(100 * x).toFixed(2)} %`;
console.log(`A growl or worse in the next 5 minutes: told and came, ${VISITS} simulated visits in each world\n`);
console.log('| world | area under ROC | top fifth: told | came (90 % interval) |');
console.log('| --- | --- | --- | --- |');
for (const h of held)
  console.log(
    `| ${h.world} | ${h.roc.toFixed(3)} | ${percent(h.top.told)} | ${percent(h.top.came)} (${percent(h.top.range90[0])} to ${percent(h.top.range90[1])}) |`,
  );
for (const h of held) {
  console.log(`\n${h.world}\n\n| told, from to | told | came | 90 % interval | times |\n| --- | --- | --- | --- | --- |`);
  h.groups.forEach((g, i) =>
    console.log(
      `| ${100 * (SHARES[i] ?? 0)} to ${100 * (SHARES[i + 1] ?? 1)} % | ${percent(g.told)} | ${percent(g.came)} | ${percent(g.range90[0])} to ${percent(g.range90[1])} | ${g.count} |`,
    ),
  );
}
writeFileSync(join(ROOT, PICTURE), draw(held));
console.log(`\nDrawn: ${PICTURE}`);

/** Told against came, both by their logarithm: on the line is right, below it is careful. */
function draw(all: readonly Held[]): string {
  const [size, edge] = [420, 56];
  const least = 3e-4;
  const x = scaleLog([least, 0.6], [edge, size - 16]);
  const y = scaleLog([least, 0.6], [size - edge, 16]);
  const on = (value: number): number => Math.max(least, value);
  const colours = ['#1f3a4d', '#a86f1f', '#5d8a74', '#b8552f', '#6d7f8a', '#7a2340'];
  const ticks = [0.001, 0.01, 0.1, 0.5];
  const marks = all.flatMap((h, w) =>
    h.groups.map((g) => {
      const [cx, colour] = [x(on(g.told)) + (w - 2) * 3, colours[w % colours.length] ?? '#000'];
      return `<path d="M${cx.toFixed(1)} ${y(on(g.range90[0])).toFixed(1)}V${y(on(g.range90[1])).toFixed(1)}" stroke="${colour}" stroke-width="1.5"/><circle cx="${cx.toFixed(1)}" cy="${y(on(g.came)).toFixed(1)}" r="4" fill="${colour}"/>`;
    }),
  );
  const legend = all.map(
    (h, w) => `<text x="${edge + 8}" y="${30 + 16 * w}" fill="${colours[w % colours.length] ?? '#000'}">${h.world}</text>`,
  );
  const axes = ticks.map(
    (t) =>
      `<text x="${x(t)}" y="${size - edge + 18}" text-anchor="middle">${100 * t} %</text><text x="${edge - 8}" y="${y(t) + 4}" text-anchor="end">${100 * t} %</text><path d="M${x(t)} 16V${size - edge}M${edge} ${y(t)}H${size - 16}" stroke="#e0e5e2"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size} ${size}" font-family="sans-serif" font-size="12" role="img" aria-label="Chance of a growl or worse in the next five minutes: told against came">
<rect width="${size}" height="${size}" fill="#fff"/>
${axes.join('\n')}
<path d="M${x(least)} ${y(least)}L${x(0.6)} ${y(0.6)}" stroke="#999" stroke-dasharray="4 4"/>
${marks.join('\n')}
${legend.join('\n')}
<text x="${size / 2}" y="${size - 14}" text-anchor="middle">told</text>
<text x="14" y="${size / 2}" transform="rotate(-90 14 ${size / 2})" text-anchor="middle">came</text>
</svg>
`;
}
