import { uuidV7, type VisitEvent } from '@mansuet/core/log';
import type { VisitSummary } from '@mansuet/core/visit';
import { type Phase, WEEKDAYS } from '@mansuet/core/words';
import { randomUUID } from 'node:crypto';
import type { Database, InSalon } from '@mansuet/server/database/database';
import { changeOpening, changePosts } from '@mansuet/server/salon/salon.repository';
import { addDog, addNote } from '@mansuet/server/dogs/dogs.repository';
import { addStaff, checkPassword, foundSalon, salonOf, type Who } from '@mansuet/server/sign-in/sign-in.repository';
import { DEMO_LOGINS } from '@mansuet/server/sign-in/demo-logins';
import { appendEvents } from '@mansuet/server/visits/append-events';
import { readDogFile } from '@mansuet/server/dogs/read-dog-file';
import { searchDogs } from '@mansuet/server/search/search-dogs';
import { readToday } from '@mansuet/server/visits/today.repository';
import { paceOfGroomer } from '@mansuet/server/visits/visits.repository';
import type { Hours } from '@mansuet/core/contract';
import { weekdayOf } from '@mansuet/core/day';
import { clockOf, dayOf } from '@mansuet/core/days';
import { HERE } from './here.js';
import { contactsOf, DEMO_DOGS, formOf, type DemoDog } from './dogs.js';
import { pastFindings, TODAYS_FINDINGS } from './findings.js';
import { PAST_INCIDENTS, type PastIncident } from './past-incidents.js';
import { seeded } from './random.js';
import { tell } from './visit-story.js';
import { valueOf } from '@mansuet/server/problems/problem-error';

export interface Loaded {
  readonly dogs: number;
  readonly pastVisits: number;
  readonly today: number;
}

/** Founds the demo salon; the same functions store it that store what users enter. */
export async function foundDemoSalon(db: Database): Promise<Who | undefined> {
  const lead = DEMO_LOGINS[0];
  if (!lead) throw new Error('the demo has no logins');
  const founded = await foundSalon(db, {
    salonName: 'Tidewrack',
    name: lead.name,
    login: lead.login,
    password: lead.password,
    vetName: 'Port Ellery animal practice (invented)',
    vetPhone: '0550 100 999',
    timeZone: HERE,
  });
  if (!founded.ok) return undefined;
  const who = founded.value;
  for (const p of DEMO_LOGINS.slice(1))
    await db.inSalon(who.salonId, (trx) =>
      addStaff(trx, who.salonId, { name: p.name, login: p.login, password: p.password, role: p.role, trained: p.login === 'rafael' }),
    );
  await db.inSalon(who.salonId, (trx) => furnish(trx));
  return who;
}

/** Two rooms, and a salon that is open every day: the demo begins on whatever day it is. */
async function furnish(trx: InSalon): Promise<void> {
  valueOf(await changeOpening(trx, { week: WEEKDAYS.map(() => USUAL_HOURS), closed: [], version: 1 }));
  const posts = POSTS.map(([name, kind, room]) => ({ postId: randomUUID(), name, kind, room }));
  valueOf(await changePosts(trx, { posts, version: 2 }));
}
const USUAL_HOURS = { from: '08:30', to: '18:00' };

/** Hours before and after the start of the demo in which its dogs are here. */
const [BEFORE_HOURS, AFTER_HOURS] = [4, 6];
/** The salon is open while the demo's dogs are here, at whatever hour it was started. */
async function openRound(trx: InSalon, now: Date): Promise<void> {
  const salon = await salonOf(trx);
  if (!salon) return;
  const today = dayOf(now, HERE);
  const clockAt = (hours: number, otherwise: string): string => {
    const at = now.getTime() + hours * 3_600_000;
    return dayOf(at, HERE) === today ? clockOf(at, HERE) : otherwise;
  };
  const [early, late] = [clockAt(-BEFORE_HOURS, '00:00'), clockAt(AFTER_HOURS, '23:59')];
  const wider = (h: Hours | null): Hours => ({
    from: h && h.from < early ? h.from : early,
    to: h && h.to > late ? h.to : late,
  });
  const week = salon.opening.week.map((h, i) => (i === weekdayOf(today) ? wider(h) : h));
  valueOf(await changeOpening(trx, { ...salon.opening, week, version: salon.version }));
}
const POSTS = [
  ['Window table', 'table', 'Front'],
  ['Lift table', 'table', 'Front'],
  ['Corner table', 'table', 'Back'],
  ['Deep tub', 'tub', 'Back'],
  ['Walk-in tub', 'tub', 'Back'],
  ['Stand dryer', 'stand_dryer', 'Front'],
  ['Quiet stand dryer', 'stand_dryer', 'Back'],
  ['Blaster', 'high_velocity_dryer', 'Back'],
  ['Lower pen', 'resting_place', 'Front'],
  ['Mat by the desk', 'resting_place', 'Front'],
] as const;

/** Who leads the demo salon that is already there. */
export async function demoLead(db: Database): Promise<Who | undefined> {
  const lead = DEMO_LOGINS[0];
  const found = lead && (await checkPassword(db, lead.login, lead.password));
  return found?.ok ? found.value : undefined;
}

/** Dogs with two years of visits. */
export async function loadPast(db: Database, who: Who, now: Date): Promise<{ dogs: number; pastVisits: number }> {
  const random = seeded(SEED);
  const groomers = await groomersOf(db, who, now);
  const incidents = [...PAST_INCIDENTS];
  let pastVisits = 0;
  for (const demo of DEMO_DOGS) {
    const form = formOf(demo, now);
    const dogId = await db.inSalon(who.salonId, async (trx) => {
      const owner = { name: demo.owner, phone: demo.phone, email: mailOf(demo.owner), contacts: contactsOf(demo) };
      const id = await addDog(trx, who.salonId, form, owner, dayBefore(now, 14 * demo.visits * 7 + 7));
      for (const [i, note] of (demo.notes ?? []).entries()) await addNote(trx, who.salonId, id, note, dayBefore(now, 60 + 45 * i));
      return id;
    });
    let past: readonly VisitSummary[] = [];
    const mark = demo.name === 'Ottoline' ? uuidV7(now.getTime(), random.bytes) : undefined;
    for (let visit = 0; visit < demo.visits; visit++) {
      const weeksAgo = (demo.visits - visit) * random.between(6, 9);
      const lately = visit === demo.visits - 1 ? LATELY[demo.name] : undefined;
      const arrivesMs = atClock(now.getTime() - (lately?.daysAgo ?? weeksAgo * 7) * 86_400_000, random.whole(8, 14));
      const groomer = random.pick(groomers);
      const lump = mark ? { markId: mark, zone: 'side_right' as const, lengthMm: 8 + 0.6 * visit, widthMm: 7 + 0.4 * visit } : undefined;
      const incident = lately?.incident ?? (pastVisits % 7 === 3 ? incidents.shift() : undefined);
      const events = tell(
        {
          demo,
          form,
          dogId,
          groomerId: groomer.staffId,
          trained: groomer.trained,
          past,
          pace: [],
          arrivesMs,
          findings: pastFindings(demo, random, lump),
          weighedKg: weightThen(demo, demo.visits - visit),
          incident,
          until: 'gone',
          nowMs: now.getTime(),
        },
        random,
      );
      await store(db, who, events);
      // As it was kept: it is worked out once.
      past = (await db.inSalon(who.salonId, (trx) => readDogFile(trx, dogId)))?.visits.map((v) => v.summary) ?? [];
      pastVisits++;
    }
  }
  return { dogs: DEMO_DOGS.length, pastVisits };
}

const SEED = 20;

/** Dogs that were here the other day: what is due after it stands on the list of today. */
const LATELY: Readonly<Partial<Record<string, { readonly daysAgo: number; readonly incident: PastIncident }>>> = {
  Tansy: {
    daysAgo: 2,
    incident: { kind: 'clipper_burn', harm: 'mild', zone: 'belly', what: 'One strip on the belly; the blade was warm.' },
  },
  'Poppy-Seed': { daysAgo: 1, incident: { kind: 'nick', harm: 'mild', zone: 'tuck_up_right', what: 'The fold came up into the teeth.' } },
};

/** Today's dogs, each in another phase. Times lie round the moment of the start, so that the day is never stale. */
export async function loadToday(db: Database, who: Who, now: Date): Promise<number> {
  await db.inSalon(who.salonId, (trx) => openRound(trx, now));
  const random = seeded(Math.floor(now.getTime() / 86_400_000));
  const groomers = await groomersOf(db, who, now);
  let count = 0;
  for (const [name, until, minutesFromNow, groomer] of TODAY) {
    const demo = DEMO_DOGS.find((d) => d.name === name);
    if (!demo) throw new Error(`no demo dog ${name}`);
    const file = await db.inSalon(who.salonId, async (trx) => {
      const found = (await searchDogs(trx, name, false)).dogs.find((d) => d.name === name);
      return found && readDogFile(trx, found.dogId);
    });
    const hands = groomers.find((g) => g.name.startsWith(groomer)) ?? groomers[0];
    if (!file || !hands) continue;
    const pace = await db.inSalon(who.salonId, (trx) => paceOfGroomer(trx, hands.staffId));
    const events = tell(
      {
        demo,
        form: file.dog,
        dogId: file.dogId,
        groomerId: hands.staffId,
        trained: hands.trained,
        past: file.visits.map((v) => v.summary),
        pace,
        arrivesMs: withinDay(now, minutesFromNow),
        findings: TODAYS_FINDINGS[name] ?? pastFindings(demo, random, undefined),
        until,
        nowMs: now.getTime(),
      },
      random,
    );
    await store(db, who, events);
    count++;
  }
  return count;
}

const TODAY: readonly (readonly [string, Phase | 'gone', number, string])[] = [
  ['Juniper', 'gone', -215, 'Rafael'],
  ['Bramble', 'hand_back', -150, 'Odette'],
  ['Nettle', 'work', -50, 'Rafael'],
  ['Ottoline', 'plan', -25, 'Odette'],
  ['Moss', 'agree', -20, 'Imke'],
  ['Barnaby', 'feel_over', -10, 'Imke'],
  ['Pickle', 'know', 20, 'Odette'],
  ['Kestrel', 'know', 60, 'Rafael'],
  ['Dumpling', 'know', 105, 'Odette'],
  ['Fig', 'know', 150, 'Imke'],
];

/** Whether the demo's day has to be written anew: it was started on another day. */
export async function todayIsEmpty(db: Database, who: Who, now: Date): Promise<boolean> {
  const { day, visits } = await db.inSalon(who.salonId, (trx) => readToday(trx, now));
  // What earlier days left unfinished stands on the list as well.
  return !visits.some((v) => dayOf(v.arrivesAt, HERE) === day);
}

async function groomersOf(db: Database, who: Who, now: Date): Promise<{ staffId: string; name: string; trained: boolean }[]> {
  const { staff } = await db.inSalon(who.salonId, (trx) => readToday(trx, now));
  return staff.filter((s) => s.role !== 'bather');
}

async function store(db: Database, who: Who, events: readonly VisitEvent[]): Promise<void> {
  const visitId = events[0]?.visitId;
  if (visitId) await db.inSalon(who.salonId, async (trx) => valueOf(await appendEvents(trx, who.salonId, visitId, events)));
}

/** Weight some visits ago: steady within the scale's own wobble, but for one dog that has lost some lately. */
function weightThen(demo: DemoDog, visitsAgo: number): number {
  const lost = demo.name === 'Barnaby' && visitsAgo > 2 ? 1.13 : 1;
  return Math.round(demo.kg * lost * (1 + 0.012 * Math.sin(visitsAgo * 2.3)) * 10) / 10;
}

/** An address at a name that is nobody's (RFC 2606). */
const mailOf = (owner: string): string => `${owner.toLowerCase().replace(/[^a-z]+/g, '.')}@port-ellery.example`;

const dayBefore = (now: Date, days: number): string => new Date(now.getTime() - days * 86_400_000).toISOString().slice(0, 10);

function atClock(ms: number, hour: number): number {
  const day = new Date(ms);
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hour, 30).getTime();
}

/** A quarter hour of today near the wish, never on another day. */
function withinDay(now: Date, minutes: number): number {
  const day = new Date(now.getFullYear(), now.getMonth(), now.getDate()).getTime();
  const wish = now.getTime() + minutes * 60_000;
  const quarter = Math.round(wish / 900_000) * 900_000;
  return Math.min(Math.max(quarter, day + 15 * 60_000), day + 23.75 * 3_600_000);
}
