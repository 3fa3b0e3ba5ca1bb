import { ENGLISH } from '../locales/en/index.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, SPEC_STAFF, VISIT } from '../testing/visit-events.js';
import { type IncidentRecord, replay, type VisitState } from '../visit/index.js';
import { INCIDENT_CLASSES, INCIDENT_FACTORS, INCIDENT_KINDS } from '../words/index.js';
import { factorsOffered, hurtTheDog, incidentClass, incidentStory, leavesWound, needsVetNow } from './index.js';

const ID = '01900000-0000-7000-8000-0000000000aa';
const NICK: EventDraft = { type: 'incident', body: { incidentId: ID, kind: 'nick', harm: null, zone: 'belly', what: '' } };
const PLAN = recordOf(makePlan(anInput({}, {}, { zones: [{ zone: 'belly', matGrade: 3, skin: 'red', crust: false }] })));
const visit = (...more: (readonly [number, EventDraft])[]): VisitState =>
  replay(
    VISIT,
    eventsOf([
      [0, BOOKED],
      [0, { type: 'zone_felt', body: { zone: 'belly', comb: 'nothing_passes', lift: 'skin_comes', skin: 'red', crust: false } }],
      [0, { type: 'plan_accepted', body: { plan: PLAN, told: null } }],
      ...more,
    ]),
  );
const first = (s: VisitState): IncidentRecord => {
  const [incident] = s.incidents;
  if (!incident) throw new Error('no incident');
  return incident;
};
const story = (s: VisitState): string => incidentStory(s, first(s)).map(sayReason).join(' ');
const offered = (s: VisitState): string[] => factorsOffered(s, first(s)).flatMap((f) => (f.inLog ? [f.factor] : []));
const BLADE: readonly (readonly [number, EventDraft])[] = [
  [0, { type: 'work_started', body: {} }],
  [0, { type: 'step_started', body: { step: 'clip_tight_fragile' } }],
];

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

describe('an incident', () => {
  it('tells how it stood by itself: minute, step, hold, blade and its warmth, standing, strain, plan', () => {
    const s = visit(...BLADE, [1, { type: 'signal_seen', body: { signal: 'yawn' } }], [3, NICK]);
    const text = story(s);
    expect(text).toContain('In minute 4, during: ');
    expect(text).toMatch(/In hand: .*, for 240 s\./);
    expect(text).toMatch(/Blade #\w+, about \d+ °C/);
    expect(text).toContain('had not been felt');
    expect(text).toMatch(/Strain by the meter: about \d+ of 100/);
    expect(text).toContain('as planned');
    expect(first(s).then?.celsius).toBeGreaterThan(22);
  });
  it('says where another hold was in hand than planned', () => {
    const s = visit(...BLADE, [0, { type: 'hold_used', body: { hold: 'hand_resting', also: ['loop'] } }], [2, NICK]);
    expect(story(s)).toContain('Otherwise than planned');
    expect(offered(s)).toContain('off_plan');
  });
  it('offers what the log knows first, and ticks nothing', () => {
    const s = visit(...BLADE, [1, { type: 'signal_seen', body: { signal: 'growl' } }], [1, NICK]);
    expect(offered(s)).toEqual(jasmine.arrayContaining(['after_hard_sign', 'mat_there', 'skin_not_sound', 'blade_not_felt', 'alone']));
    expect(first(s).details.factors).toBeUndefined();
    expect(
      factorsOffered(s, first(s))
        .map((f) => f.factor)
        .sort(),
    ).toEqual([...INCIDENT_FACTORS].sort());
    // A sign that came after it played no part in it.
    expect(offered(visit(...BLADE, [1, NICK], [1, { type: 'signal_seen', body: { signal: 'growl' } }]))).not.toContain('after_hard_sign');
  });
  it('is completed by additions: the latest of each holds, what was said before stays in the log', () => {
    const s = visit(
      ...BLADE,
      [1, NICK],
      [1, { type: 'incident_more', body: { incidentId: ID, harm: 'mild', sizeMm: [4, 1] } }],
      [5, { type: 'incident_more', body: { incidentId: ID, harm: 'moderate', factors: ['moved'] } }],
      [1, { type: 'owner_told', body: { incidentId: ID, name: 'Ines Roe', how: 'by_phone', said: 'A nick on the belly.' } }],
    );
    const i = first(s);
    expect([i.harm, i.details.sizeMm, i.details.factors, i.ownerTold?.name]).toEqual(['moderate', [4, 1], ['moved'], 'Ines Roe']);
    expect(i.additions.map((a) => a.fields)).toEqual([
      ['harm', 'sizeMm'],
      ['harm', 'factors'],
    ]);
    expect(i.additions[0]?.by).toBe(SPEC_STAFF);
  });
  it('that came out later says so, and knows nothing of the table', () => {
    const s = visit(
      ...BLADE,
      [9, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
      [
        4000,
        {
          type: 'incident',
          body: {
            incidentId: ID,
            kind: 'skin_infection',
            harm: 'moderate',
            zone: 'belly',
            what: '',
            later: { on: '2026-11-28', by: 'Ines Roe' },
          },
        },
      ],
    );
    expect(story(s)).toContain('It came out on 28 November 2026, told by Ines Roe');
    expect(offered(s)).toEqual([]);
  });
  it('before the work or after it stood in no step', () => {
    expect(story(visit([0, NICK]))).toContain('Before the work at the table');
    expect(story(visit([0, { type: 'work_started', body: {} }], [1, { type: 'break_started', body: {} }], [1, NICK]))).toContain(
      'in a break',
    );
  });
  // WHO International Classification for Patient Safety v1.1 (2009), from memory.
  it('has a class of the WHO: what reached nobody, what did no harm, what harmed, a circumstance', () => {
    expect(incidentClass('near_miss', 'none')).toBe('near_miss');
    expect(incidentClass('nick', 'none')).toBe('no_harm_incident');
    for (const harm of ['mild', 'moderate', 'severe', 'death'] as const) expect(incidentClass('nick', harm)).toBe('harmful_incident');
    expect(incidentClass('nick', undefined)).toBe('harm_not_said');
    expect(incidentClass('found_on_arrival', 'mild')).toBe('reportable_circumstance');
    for (const kind of INCIDENT_KINDS) expect(INCIDENT_CLASSES).toContain(incidentClass(kind, 'mild'));
  });
  it('hurts the dog, a person, or nobody; only what hurts the dog leaves a wound', () => {
    for (const kind of INCIDENT_KINDS)
      if (leavesWound({ kind, harm: 'mild' }))
        expect(hurtTheDog({ kind, harm: 'mild' }))
          .withContext(kind)
          .toBeTrue();
    for (const kind of ['near_miss', 'bite_or_scratch_person', 'found_on_arrival', 'escape'] as const)
      expect(hurtTheDog({ kind, harm: 'mild' })).toBeFalse();
    expect(leavesWound({ kind: 'nick', harm: 'none' })).toBeFalse();
    expect(leavesWound({ kind: 'nick', harm: undefined })).toBeTrue();
  });
});
