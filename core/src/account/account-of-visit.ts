import type { DogFile, Salon, ToldAccount } from '../contract/index.js';
import { clockOf } from '../days/index.js';
import { accountOf, inOwnWords } from '../hand-back/index.js';
import { mattingSeason } from '../knowledge/coat/index.js';
import { nextVisitDates, nextVisitQuestion, type NextVisitDate, vetFirst } from '../next-visit/index.js';
import { dogAsFelt, pastOf, planContextOf, type VisitState } from '../visit/index.js';
import { hurtTheDog } from '../incidents/index.js';
import { type Reason, reason, type Saying, type ZoneId } from '../words/index.js';

/** What the salon knows when a visit is told. */
export interface VisitKnown {
  readonly state: VisitState;
  readonly file: DogFile;
  readonly salon: Pick<Salon, 'house' | 'timeZone' | 'currency'>;
}

/** Summaries of the visits before this one, the latest first. */
/** Dates that speak for the next visit, on the day of this one; the earliest first. */
export function nextDatesOf({ state, file, salon }: VisitKnown): NextVisitDate[] {
  const today = state.day ?? '';
  if (today === '') return [];
  const past = pastOf(file.visits, { visitId: state.visitId, on: state.day });
  const { dog: known } = planContextOf({ dog: file.dog, trained: false, house: salon.house, today }, past);
  const dog = dogAsFelt(state, known);
  const matVisits = past.flatMap((s) => (s.mattedZones === undefined || !s.on ? [] : [{ on: s.on, mattedZones: s.mattedZones }]));
  return nextVisitDates(nextVisitQuestion(state, { dog, house: salon.house, season: mattingSeason(matVisits), today }));
}

/** The account as it is told: from the log, in the salon's own words where it has some. @param say a saying as a sentence */
export function toldAccount(known: VisitKnown, say: (s: Saying) => string): ToldAccount {
  const { state, file, salon } = known;
  const [next] = nextDatesOf(known);
  const account = accountOf(state, {
    dog: file.dog,
    file: { marks: file.marks.filter((m) => m.visitId !== state.visitId), vetSeen: file.vetSeen },
    today: state.day ?? '',
    next: vetFirst(state) ?? nextBecause(state, next),
    clock: (ms) => clockOf(ms, salon.timeZone),
    money: (minor) => new Intl.NumberFormat('en-GB', { style: 'currency', currency: salon.currency }).format(minor / 100),
  });
  return {
    lines: inOwnWords(account, state.accountLines, say).map((l) => ({ ...l, stands: l.stands ?? null })),
    picture: account.picture.map((p) => ({ ...p })),
    minutes: account.minutes,
    places: placesOf(state),
  };
}

function nextBecause(state: VisitState, next: NextVisitDate | undefined): Reason | undefined {
  if (next) return next.because;
  return state.nextVisit ? reason('told.next_agreed', { on: state.nextVisit.on }, 0.4) : undefined;
}

/** Places to light on the drawing: what was hurt before what was found, and that before mats. */
export function placesOf(state: Pick<VisitState, 'incidents' | 'feelOver'>): ToldAccount['places'] {
  const out = new Map<ZoneId, ToldAccount['places'][number]['as']>();
  for (const z of state.feelOver.zones) if (z.matGrade > 0) out.set(z.zone, 'mat');
  for (const z of state.feelOver.zones) if (z.skin !== 'sound' || z.crust) out.set(z.zone, 'found');
  for (const m of state.feelOver.marks) out.set(m.zone, 'found');
  for (const i of state.incidents) if (i.zone && hurtTheDog(i)) out.set(i.zone, 'hurt');
  return [...out].map(([zone, as]) => ({ zone, as }));
}
