import { calibrationOf, minutesToldAgainstCame, type ToldVisit, toldVisitsOf } from '../core/src/learning/index.js';
import { oddsOfPlan, planVisit } from '../core/src/plan/index.js';
import { planContextOf, planInputOf, replay, summarize, toldWith, type VisitSummary } from '../core/src/visit/index.js';
import { DEMO_DOGS, type DemoDog, formOf } from '../demo/src/dogs.js';
import { pastFindings } from '../demo/src/findings.js';
import { seeded } from '../demo/src/random.js';
import { tell } from '../demo/src/visit-story.js';
import type { LivedWorld } from '../demo/src/work-through.js';

/** Lives of the demo's dogs that are drawn: each is about 145 visits, from the first to the latest, learned from as they come. */
const LIVES = 4;
/** In worlds that are otherwise than the model one life each. */
const WORLDS: Readonly<Record<string, { readonly lives: number; readonly world: Partial<LivedWorld> }>> = {
  'as modelled': { lives: LIVES, world: {} },
  'half of the signs entered': { lives: 1, world: { enters: 0.5 } },
  'slower to come down at work': { lives: 1, world: { inWork: 1.6 } },
  'wilder days': { lives: 1, world: { days: 0.6 } },
};
const DRAWN = 500;
const LABELS = 100_000;
const WEEK_MS = 604_800_000;
const NOW_MS = Date.UTC(2026, 0, 15, 11);
const ID = '018f3a3e-0000-7000-8000-000000000001';

/** A dog's visits through the log, each planned, told and lived; what is true of the dog nobody learns but by what is seen. */
function lifeOf(demo: DemoDog, random: ReturnType<typeof seeded>, world: Partial<LivedWorld>): ToldVisit[] {
  const form = formOf(demo, new Date(NOW_MS));
  const told: ToldVisit[] = [];
  let past: VisitSummary[] = [];
  for (let visit = 0; visit < demo.visits; visit++) {
    const arrivesMs = NOW_MS - (demo.visits - visit) * 7 * WEEK_MS;
    const findings = pastFindings(demo, random, undefined);
    const who = { demo, form, dogId: ID, groomerId: ID, trained: true, pace: [], nowMs: NOW_MS, until: 'gone' as const, world };
    const events = tell({ ...who, past, arrivesMs, findings }, random);
    const visitId = events[0]?.visitId ?? '';
    const taken = events.findIndex((e) => e.type === 'plan_accepted');
    const today = new Date(arrivesMs).toISOString().slice(0, 10);
    const context = planContextOf({ dog: form, trained: true, today, pace: [] }, past);
    const input = taken < 0 ? undefined : planInputOf(replay(visitId, events.slice(0, taken)), context);
    const planned = input && planVisit(input, { labels: LABELS });
    const lived = summarize(replay(visitId, events));
    if (planned && planned.solution.chosen.length > 0) {
      const { problem, plan } = planned;
      const odds = oddsOfPlan(planned, { visits: DRAWN });
      told.push(...toldVisitsOf([{ ...lived, told: toldWith(plan, odds) }], () => problem.sessionMinutes));
    }
    past = [lived, ...past];
  }
  return told;
}

const percent = (x: number): string => `${(100 * x).toFixed(1)} %`;

function tellWorld(name: string, lives: number, world: Partial<LivedWorld>): void {
  const all = Array.from({ length: lives }, (_, life) => {
    const random = seeded(20 + life);
    return DEMO_DOGS.flatMap((demo) => lifeOf(demo, random, world));
  }).flat();
  console.log(
    `\nWhat a plan told and what its visit came to, ${name}: ${all.length} visits of the demo's dogs, in fifths of what was told\n`,
  );
  console.log('| | told | came | 90 % interval | visits |\n| --- | --- | --- | --- | --- |');
  for (const [what, of] of [
    ['pause', (v: ToldVisit) => v.pause],
    ['stop', (v: ToldVisit) => v.stop],
    ['in time', (v: ToldVisit) => v.inTime],
  ] as const) {
    const { groups, brier, skill } = calibrationOf(all.map(of));
    for (const g of groups)
      console.log(
        `| ${what} | ${percent(g.told)} | ${percent(g.came)} | ${percent(g.range90[0])} to ${percent(g.range90[1])} | ${g.count} |`,
      );
    console.log(
      `| ${what}: Brier score | ${brier.toFixed(3)} | skill ${skill === undefined ? 'none to tell' : skill.toFixed(2)} | | ${all.length} |`,
    );
  }
  const { bias, within } = minutesToldAgainstCame(all);
  console.log(
    `\nMinutes: visits took ${percent(1 + bias)} of what was told on average; ${percent(within)} ended within the range that was told.`,
  );
}

for (const [name, { lives, world }] of Object.entries(WORLDS)) tellWorld(name, lives, world);
