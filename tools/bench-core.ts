import { BLADES, chooseBlade, GUARDS } from '@mansuet/core/knowledge/blades';
import { adviseCoat } from '@mansuet/core/knowledge/coat';
import { hazardRegister } from '@mansuet/core/knowledge/hazards';
import { fitHeatModel } from '@mansuet/core/knowledge/heat';
import { HOUSE_DEFAULTS } from '@mansuet/core/knowledge/house-rules';
import { askTools } from '@mansuet/core/knowledge/tools';
import type { VisitEvent } from '@mansuet/core/log';
import { kaplanMeier, rateInterval90 } from '@mansuet/core/statistics';
import {
  type Belief,
  type BreakSeen,
  learnDog,
  learnHalfLife,
  learnRate,
  measureStrain,
  nextMinutes,
  type RateEvidence,
  StandingMeter,
  type StrainEntry,
  StrainFilter,
  type WatchedVisit,
  type WholeEvidence,
} from '@mansuet/core/strain';
import { replay } from '@mansuet/core/visit';
import { SIGNAL_IDS, ZONE_IDS } from '@mansuet/core/words';
import { aBladeQuestion } from '../core/src/testing/blade-questions.js';
import { aToolQuestion } from '../core/src/testing/tool-questions.js';
import { BOOKED, VISIT, eventsOf } from '../core/src/testing/visit-events.js';
import { medianTime } from './median.js';

const ROUNDS = 41;

/** Median time of a hot call of core, printed as one line of the table that `bench.ts` puts together. */
function time(what: string, promised: string, work: () => unknown): void {
  const median = medianTime(work, ROUNDS);
  process.stdout.write(`| ${what} | ${promised} | ${median < 1 ? median.toFixed(2) : median.toFixed(1)} ms |\n`);
}

const events: VisitEvent[] = eventsOf([
  [0, BOOKED],
  [0, { type: 'work_started', body: {} }],
  [0, { type: 'step_started', body: { step: 'bath' } }],
  ...Array.from(
    { length: 1997 },
    (_, i) => [0.05, { type: 'signal_seen' as const, body: { signal: SIGNAL_IDS[i % 14] ?? 'yawn' } }] as const,
  ),
]);
time('replay of 2,000 events', 'under 20 ms', () => replay(VISIT, events));

const blade = aBladeQuestion({ competence: 'close_work', drawer: BLADES, guards: GUARDS });
time(`blade for all ${ZONE_IDS.length} zones, with every rejected one and its rule`, 'under 5 ms', () =>
  ZONE_IDS.map((zone) => chooseBlade({ ...blade, zone })),
);
time('all tools asked of all zones', '–', () => ZONE_IDS.map((zone) => askTools(aToolQuestion({ zone }))));
time('advice for a whole matted coat', '–', () =>
  adviseCoat({
    zones: ZONE_IDS.map((zone) => ({ zone, matGrade: 3, skin: 'sound' })),
    puppyOrSenior: false,
    intactMale: false,
    trained: true,
    agreedBrushMinutes: undefined,
    toleranceStrainPoints: 160,
    house: HOUSE_DEFAULTS,
  }),
);
time('hazard register of work in all zones', '–', () =>
  hazardRegister(
    ZONE_IDS.map((zone) => ({
      work: {
        zone,
        tool: 'clipper',
        minutes: 1,
        matGrade: 2,
        skin: 'sound',
        markHere: false,
        movement: 'shifts',
        competence: 'groomer',
        kinds: ['senior'],
        painful: true,
        triggered: false,
        roomCelsius: 21,
      },
      controls: ['close_teeth', 'finger_first'],
    })),
  ),
);
time('90 % intervals of 14 rates', '–', () => Array.from({ length: 14 }, (_, i) => rateInterval90({ shape: 4 + 3 * i, minutes: 2 + i })));
const spells = Array.from({ length: 1000 }, (_, i) => ({ time: 1 + ((i * 37) % 61) / 2, event: i % 3 > 0 }));
time('Kaplan–Meier of 1,000 spells', '–', () => kaplanMeier(spells));
const readings = Array.from({ length: 20 }, (_, i) => ({
  runSeconds: 45 * (i + 1),
  celsius: 22 + 38 * (1 - Math.exp(-(45 * (i + 1)) / 540)) + (i % 3),
}));
time('blade model fitted to 20 readings', '–', () => fitHeatModel(readings, 22));
time('half-life from 200 breaks', '–', () =>
  learnHalfLife(Array.from({ length: 200 }, (_, i) => ({ strainBefore: 40 + (i % 9), spread: 8, minutes: 5, mood: 'relaxed' }))),
);

const STRETCHES = Array.from({ length: 10 }, (_, i) => ({ fromMinute: 10 * i, toMinute: 10 * i + 10, ratePerMinute: 1 + (i % 4) / 2 }));
const visitOf = (entries: readonly StrainEntry[]): WatchedVisit => ({ entries, stretches: STRETCHES, start: 10, halfLifeMinutes: 6 });
const signs: StrainEntry[] = Array.from({ length: 2000 }, (_, i) => ({
  kind: 'signal',
  minute: i / 20,
  signal: SIGNAL_IDS[i % 14] ?? 'yawn',
}));
time('meter of a visit of 2,000 signs in 100 min, from its start', 'under 50 ms', () => measureStrain(visitOf(signs), 100));
const standing = new StandingMeter();
let tapped = signs.filter((s, i) => s.minute < 60 && i % 40 === 0);
standing.read(visitOf(tapped), 60);
let minute = 60;
time('one more sign, half a minute later, through the meter that stands after an hour', 'under 2 ms', () => {
  minute += 0.5;
  tapped = [...tapped, { kind: 'signal', minute, signal: 'lip_lick' }];
  return standing.read(visitOf(tapped), minute);
});
const believed: Belief = new StrainFilter(visitOf(tapped)).at(90);
time('chance of a growl in the next 5 min, with what would lower it', '–', () => nextMinutes(believed, 2, 1, 6));
const shifted = [-1.2, 0, -0.7];
const evidence: RateEvidence[] = Array.from({ length: 200 * 8 }, (_, i) => ({
  work: `work ${i % 8}`,
  ratePerMinute: 1 + (i % 5) / 4,
  minutes: 8,
  logLikelihoods: shifted.map((x, j) => x * (1 + ((i + j) % 3) / 3)),
  halfLifeMinutes: 5 + (i % 3),
}));
const halfLives = { believed: 6, quicker: [-2, -0.3, -0.9], slower: [-0.9, 0, -1.4] };
const whole: WholeEvidence[] = Array.from({ length: 200 }, (_, i) => ({
  believed: (i % 5) / 10,
  minutes: 70,
  logLikelihoods: shifted,
  halfLives,
}));
const breaks: BreakSeen[] = Array.from({ length: 400 }, (_, i) => ({ strainBefore: 40 + (i % 9), spread: 8, minutes: 5, mood: 'relaxed' }));
time('a dog of 200 visits: its factor, the rates of 8 kinds of work, its half-life', 'under 100 ms', () => {
  const dog = learnDog(whole, breaks);
  return [
    learnHalfLife(breaks, whole),
    ...Array.from({ length: 8 }, (_, w) => learnRate({ work: `work ${w}`, priorPerMinute: 1.5 }, evidence, dog)),
  ];
});
