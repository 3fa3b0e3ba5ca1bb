import { may } from '../access/index.js';
import { proposeAgreement } from '../agreement/index.js';
import { birthDateProblem, DOG_FORM } from '../contract/index.js';
import { needsVetNow } from '../incidents/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import { ENGLISH } from '../locales/en/index.js';
import type { EventDraft } from '../log/index.js';
import { addWeeks, nextVisitDates, type NextVisitQuestion } from '../next-visit/index.js';
import { makePlan } from '../plan/index.js';
import { aDog, anInput, SPEC_DAY } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { replay, type VisitState } from '../visit/index.js';
import { INCIDENT_KINDS } from '../words/index.js';
import { homeCare, leftOver, tellVisit } from './index.js';

const matted = anInput({}, {}, { zones: [{ zone: 'ear_leather_left', matGrade: 3, skin: 'sound', crust: false }] });
function visit(more: readonly (readonly [number, EventDraft])[]): VisitState {
  return replay(
    VISIT,
    eventsOf([
      [0, BOOKED],
      [
        0,
        { type: 'zone_felt', body: { zone: 'ear_leather_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound', crust: false } },
      ],
      [0, { type: 'plan_accepted', body: { plan: recordOf(makePlan(matted)), told: null } }],
      [0, { type: 'work_started', body: {} }],
      [0, { type: 'step_started', body: { step: 'clip_tight_head' } }],
      ...more,
    ]),
  );
}
const told = (s: VisitState): string => tellVisit(s, 'Moss').map(sayReason).join('\n');

describe('tellVisit', () => {
  it('says what was done, how it was, and that nothing was hurt', () => {
    const text = told(
      visit([
        [5, { type: 'step_finished', body: { step: 'clip_tight_head', outcome: 'done', why: '' } }],
        [0, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
      ]),
    );
    expect(text).toContain('Done: clip out tight mats');
    expect(text).toContain('The visit took 5 min');
    expect(text).toContain('No injury and no near miss');
    expect(text).not.toContain('…');
  });
  it('says an incident plainly, with place and harm', () => {
    const text = told(
      visit([
        [
          1,
          {
            type: 'incident',
            body: { incidentId: VISIT, kind: 'nick', harm: 'mild', zone: 'ear_leather_left', what: 'Pressed, stopped.' },
          },
        ],
      ]),
    );
    expect(text).toContain('Nick (mild: heals by itself), left ear flap (leather): Pressed, stopped.');
  });
  it('says hard signs without blame, and why it was stopped', () => {
    const text = told(
      visit([
        [1, { type: 'signal_seen', body: { signal: 'growl' } }],
        [1, { type: 'visit_ended', body: { outcome: 'stopped', why: 'A hard sign' } }],
      ]),
    );
    expect(text).toContain('A hard sign');
    expect(text).toContain('growls');
    expect(text).toContain('not a fault');
  });
  it('names what was left', () =>
    expect(leftOver(visit([[1, { type: 'visit_ended', body: { outcome: 'stopped', why: '' } }]])).length).toBeGreaterThan(2));
  it('says when nothing was begun', () => {
    const s = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'visit_ended', body: { outcome: 'not_today', why: 'cough: not today.' } }],
      ]),
    );
    expect(told(s)).toContain('was not groomed today. cough');
  });
});

describe('homeCare', () => {
  it('warns after close clipping and after ear mats', () => {
    const rules = homeCare(
      visit([[5, { type: 'step_finished', body: { step: 'clip_tight_head', outcome: 'done', why: '' } }]]),
      'Moss',
    ).map((r) => r.rule);
    expect(rules).toEqual(jasmine.arrayContaining(['care.close_clip', 'care.ear_mats']));
  });
  it('warns after an injury', () => {
    const rules = homeCare(
      visit([[1, { type: 'incident', body: { incidentId: VISIT, kind: 'nick', harm: 'mild', zone: null, what: '' } }]]),
      'Moss',
    ).map((r) => r.rule);
    expect(rules).toContain('care.injury');
  });
});

describe('nextVisitDates', () => {
  const ask = (change: Partial<NextVisitQuestion> = {}): NextVisitQuestion => ({
    dog: aDog(),
    done: [],
    clipOff: false,
    leftWeeks: undefined,
    stoppedEarly: false,
    season: undefined,
    house: HOUSE_DEFAULTS,
    today: SPEC_DAY,
    ...change,
  });
  it('proposes the earliest date, with its reason', () => {
    const dates = nextVisitDates(ask({ done: ['nails'] }));
    expect(dates[0]).toEqual(jasmine.objectContaining({ weeks: 4, date: '2026-12-23' }));
    expect(dates[0]?.because.rule).toBe('next.nails');
  });
  it('comes back at 8 weeks after a clip-off, at 3 for a puppy, sooner for what was left', () => {
    expect(nextVisitDates(ask({ clipOff: true }))[0]?.weeks).toBe(8);
    expect(nextVisitDates(ask({ dog: aDog({ born: '2026-08-20' }) }))[0]?.weeks).toBe(3);
    expect(nextVisitDates(ask({ leftWeeks: 1 }))[0]?.weeks).toBe(1);
  });
  it('counts weeks over the end of a year', () => expect(addWeeks('2026-12-28', 1)).toBe('2027-01-04'));
});

describe('proposeAgreement', () => {
  it('charges minutes for mats at the salon’s rate, and asks for the consents this plan needs', () => {
    const plan = makePlan(matted);
    const a = proposeAgreement(plan, matted, 90);
    expect(a.extraMinutes).toBeGreaterThan(0);
    expect(a.extraPriceMinor).toBe(a.extraMinutes * 90);
    expect(a.consents.filter((c) => c.required).map((c) => c.id)).toEqual(['close_clip', 'vet_emergency']);
  });
  it('charges nothing for a dog without mats', () => expect(proposeAgreement(makePlan(anInput()), anInput(), 90).extraPriceMinor).toBe(0));
  it('refuses a negative rate', () => expect(() => proposeAgreement(makePlan(anInput()), anInput(), -1)).toThrowError(RangeError));
});

describe('incidents', () => {
  for (const kind of INCIDENT_KINDS) it(`${kind} says what to do at once`, () => expect(ENGLISH.atOnce[kind].length).toBeGreaterThan(0));
  it('send eyes, heat, lacerations and collapses to a vet now, and anything severe', () => {
    for (const kind of ['eye', 'overheating', 'laceration', 'collapse_or_fit'] as const)
      expect(needsVetNow(kind, 'mild')).withContext(kind).toBeTrue();
    expect(needsVetNow('nick', 'mild')).toBeFalse();
    expect(needsVetNow('nick', 'severe')).toBeTrue();
  });
  it('use styptic on nails only', () => {
    for (const kind of INCIDENT_KINDS) if (ENGLISH.atOnce[kind].some((l) => /styptic/i.test(l))) expect(kind).toBe('quicked_nail');
  });
});

describe('roles', () => {
  it('let a bather record and read, not book, plan or manage', () => {
    expect(may('bather', 'record')).toBeTrue();
    for (const action of ['book', 'plan', 'edit_dog', 'manage_staff'] as const) expect(may('bather', action)).toBeFalse();
  });
  it('leave staff to the lead', () => expect([may('lead', 'manage_staff'), may('groomer', 'manage_staff')]).toEqual([true, false]));
});

describe('the dog form', () => {
  const { visitsBefore: _, ...facts } = aDog();
  const form = { ...facts, bornEstimated: false, standingSeenMinutes: null };
  it('takes a dog', () => expect(DOG_FORM.safeParse(form).success).toBeTrue());
  for (const [name, change] of [
    ['no name', { name: ' ' }],
    ['no weight', { weightKg: 0 }],
    ['half a tonne', { weightKg: 500 }],
    ['no date', { born: '' }],
    ['a date that is none', { born: '2026-02-30' }],
    ['an unknown coat', { coat: 'feathers' }],
  ] as const) {
    it(`asks back for ${name}`, () => expect(DOG_FORM.safeParse({ ...form, ...change }).success).toBeFalse());
  }
  it('asks back for a birth in the future or beyond belief', () => {
    expect(birthDateProblem('2027-01-01', SPEC_DAY)).toBeDefined();
    expect(birthDateProblem('1980-01-01', SPEC_DAY)).toBeDefined();
    expect(birthDateProblem('2015-01-01', SPEC_DAY)).toBeUndefined();
  });
});
