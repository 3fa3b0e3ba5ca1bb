import type { ZoneFinding } from '../findings/index.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { accountInEnglish } from '../testing/account.js';
import { aDog, anInput } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { type MarkOfFile, replay, type VisitState } from '../visit/index.js';
import type { ZoneId } from '../words/index.js';
import { bySection, howItTook, inOwnWords, leftOver, type MarksKnown } from './index.js';

const MOSS = { ...aDog(), name: 'Moss' };
const INCIDENT = '01900000-0000-7000-8000-0000000000aa';
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
const lines = (s: VisitState, file?: MarksKnown) =>
  accountInEnglish(s, MOSS, file).map((l) => ({ key: l.key, text: l.says.map(sayReason).join(' '), stands: l.stands }));
const told = (s: VisitState): string =>
  lines(s)
    .map((l) => l.text)
    .join('\n');
const at = (s: VisitState, key: string): string | undefined => lines(s).find((l) => l.key === key)?.text;
const DONE: readonly (readonly [number, EventDraft])[] = [
  [5, { type: 'step_finished', body: { step: 'clip_tight_head', outcome: 'done', why: '' } }],
  [0, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
];

describe('the account', () => {
  it('says what was done, how it was, and that nothing was hurt', () => {
    const text = told(visit(DONE));
    expect(text).toContain('Done: clip out tight mats');
    expect(text).toContain('The visit took 5 min');
    expect(text).toContain('No injury and no near miss');
    expect(text).not.toContain('…');
  });
  it('uses no word of the trade that an owner does not know', () => {
    const text = told(visit([[1, { type: 'signal_seen', body: { signal: 'growl' } }], ...DONE]));
    expect(text).not.toMatch(/\b(strain|step|steps|points|peak|grade)\b/i);
  });
  it('never calls silence calm', () => {
    expect(at(visit(DONE), 'how.took')).toContain('do not call that calm');
    expect(at(visit([[1, { type: 'signal_seen', body: { signal: 'takes_treat' } }], ...DONE]), 'how.took')).toContain('took it well');
  });
  it('says an incident plainly, with its time, place, harm and what was done', () => {
    const s = visit([
      [1, { type: 'incident', body: { incidentId: INCIDENT, kind: 'nick', harm: 'mild', zone: 'ear_leather_left', what: 'It jerked.' } }],
      [
        1,
        { type: 'incident_more', body: { incidentId: INCIDENT, did: 'Pressed for 5 min', didAt: '09:01', sizeMm: [4, 1], look: 'open' } },
      ],
      ...DONE,
    ]);
    expect(at(s, `happened.incident.${INCIDENT}`)).toBe(
      'Nick at 09:01, left ear flap (leather): mild: heals by itself. What happened: It jerked. It looks like this: open skin, 4 × 1 mm. What we did at 09:01: Pressed for 5 min.',
    );
    expect(at(s, 'watch.injury')).toContain('look at it every day');
    expect(told(s)).not.toContain('No injury');
  });
  it('names what was found: mats, skin, ears, nails, joints, a leg', () => {
    const s = visit([
      [0, { type: 'zone_felt', body: { zone: 'belly', comb: 'wide_snags', lift: null, skin: 'red', crust: false } }],
      [0, { type: 'part_looked', body: { part: 'ears', finding: 'waxy' } }],
      [0, { type: 'part_looked', body: { part: 'nails', finding: 'grown_in' } }],
      [0, { type: 'part_looked', body: { part: 'eyes', finding: 'clear' } }],
      [0, { type: 'joint_felt', body: { joint: 'hip_left', comfort: 'stiff' } }],
      [0, { type: 'leg_favoured', body: { leg: 'hind_left' } }],
      ...DONE,
    ]);
    expect(at(s, 'found.mats.3')).toBe('Tight mats that pull at the skin: left ear flap (leather).');
    expect(at(s, 'found.mats.1')).toBe('Tangles: belly.');
    expect(at(s, 'found.skin.red')).toBe('The skin was red: belly.');
    expect(at(s, 'found.looked.ears')).toBe('Ears: waxy.');
    expect(at(s, 'home.ears')).toContain('nothing into the canal');
    expect(lines(s).find((l) => l.key === 'found.looked.nails')?.stands).toBe('vet');
    expect(at(s, 'found.looked.eyes')).toBeUndefined();
    expect(at(s, 'found.joints')).toBe('Bent less today: left hip.');
    expect(at(s, 'found.leg')).toContain('left hind');
  });
  it('gives each thing that was left its reason, in words of the owner', () => {
    const s = visit([
      [1, { type: 'step_finished', body: { step: 'clip_tight_head', outcome: 'left', why: 'It would not have the head held.' } }],
      [0, { type: 'visit_ended', body: { outcome: 'stopped', why: 'A growl' } }],
    ]);
    const left = lines(s).filter((l) => l.key.startsWith('left.'));
    expect(left.length).toBeGreaterThan(2);
    expect(left.find((l) => l.key === 'left.step.clip_tight_head')?.text).toContain('Why: It would not have the head held.');
    for (const l of left)
      expect(l.text)
        .withContext(l.key)
        .toMatch(/\. (\S.*)\.$/);
    expect(left.filter((l) => l.text.includes('had had enough')).length).toBeGreaterThan(1);
  });
  it('says by the planner’s reasons why something waits, without its figures', () => {
    const puppy = anInput({}, { born: '2026-09-01' });
    const plan = recordOf(makePlan(puppy));
    const s = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'plan_accepted', body: { plan, told: null } }],
        [0, { type: 'work_started', body: {} }],
        [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
      ]),
    );
    const waits = lines(s).filter((l) => l.key.startsWith('left.another_visit'));
    expect(waits.length).toBeGreaterThan(0);
    for (const l of waits)
      expect(l.text)
        .withContext(l.key)
        .not.toMatch(/\d+ (min|%)/);
    expect(waits.map((l) => l.text).join(' ')).toContain('Moss is young');
  });
  it('gives each mark a follow-up of its own', () => {
    const found = { lengthMm: 4, widthMm: 4, border: 'regular', surface: 'smooth' } as const;
    const state: VisitState = {
      ...visit([]),
      feelOver: {
        ...visit([]).feelOver,
        marks: [
          { ...found, markId: 'new', zone: 'back', isNew: true, kind: 'stands_out' },
          { ...found, markId: 'as-it-was', zone: 'neck', isNew: false, kind: 'hangs' },
          { ...found, markId: 'grown', zone: 'rump', isNew: false, lengthMm: 9, kind: 'under_skin' },
          { ...found, markId: 'open', zone: 'belly', isNew: false, surface: 'bleeding', kind: 'stands_out' },
        ],
      },
    };
    const before = (markId: string, zone: ZoneId): MarkOfFile => ({ ...found, markId, zone, seenOn: '2026-01-01' });
    const file = { marks: [before('as-it-was', 'neck'), before('grown', 'rump'), before('open', 'belly')] };
    const follow = (marks: MarksKnown): string[] =>
      lines(state, marks)
        .filter((l) => l.key.startsWith('found.mark'))
        .map((l) => l.text);
    expect(follow({ ...file, vetSeen: [{ markId: 'as-it-was', on: '2026-01-02' }] })[0]).toBe(
      'Found today: a bump, back, 4 × 4 mm: we look at it again in 4 weeks.',
    );
    // A vet has seen the one that stays as it was; nobody has seen the others.
    expect(follow({ ...file, vetSeen: [{ markId: 'as-it-was', on: '2026-01-02' }] })[1]).toContain('at the next visit');
    expect(follow(file)[1]).toContain('check-up');
    expect(follow(file)[3]).toContain('within days');
  });
  it('keeps how soon: a vet today, a vet within days, here within a week', () => {
    const zone = (z: ZoneId, more: Partial<ZoneFinding>): ZoneFinding => ({ zone: z, matGrade: 0, skin: 'sound', crust: false, ...more });
    const pelted = (['back', 'rump', 'chest', 'side_left', 'side_right', 'thigh_left'] as const).map((z) =>
      zone(z, { matGrade: 4, skin: 'red' }),
    );
    const input = anInput(
      {},
      { born: '2010-01-01' },
      { zones: [...pelted, zone('hock_left', { matGrade: 3, strangles: true }), zone('belly', { skin: 'sore' })] },
    );
    const s = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'plan_accepted', body: { plan: recordOf(makePlan(input)), told: null } }],
        [0, { type: 'work_started', body: {} }],
        [1, { type: 'visit_ended', body: { outcome: 'finished', why: '' } }],
      ]),
    );
    const text = told(s);
    expect(text).toMatch(/This is for a vet today: .*left hock/);
    expect(text).toMatch(/This is for a vet within 3 days: .*belly/);
    expect(text).toMatch(/This should not wait: here within 7 days, or a vet within 7 days: /);
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
  it('says what of the closing list was skipped, and why', () => {
    const s = visit([...DONE, [0, { type: 'closing_skipped', body: { line: 'dry_enough', why: 'It hates the dryer' } }]]);
    expect(at(s, 'happened.skipped.dry_enough')).toContain('Why: It hates the dryer.');
  });
  it('says when nothing was begun', () => {
    const s = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [0, { type: 'visit_ended', body: { outcome: 'not_today', why: 'cough: not today' } }],
      ]),
    );
    expect(told(s)).toContain('was not groomed today. cough');
  });
  it('names what was left, for the next plan', () =>
    expect(leftOver(visit([[1, { type: 'visit_ended', body: { outcome: 'stopped', why: '' } }]])).length).toBeGreaterThan(2));
  it('warns after close clipping and after ear mats', () => {
    const keys = lines(visit(DONE)).map((l) => l.key);
    expect(keys).toEqual(jasmine.arrayContaining(['watch.close_clip', 'watch.ear_mats', 'home.brush']));
  });
  it('is the same whenever it is made: keys are unique, and do not hang on the order', () => {
    const keys = lines(visit(DONE)).map((l) => l.key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(lines(visit(DONE)).map((l) => l.key)).toEqual(keys);
  });
});

describe('the account in the salon’s own words', () => {
  const account = { lines: accountInEnglish(visit(DONE), MOSS), picture: [], minutes: 5 };
  const words = new Map<string, string | null>([
    ['done.whole', 'We freed the ear.'],
    ['home.brush', null],
    ['own.home.1', 'Ring us in a week.'],
  ]);
  const own = inOwnWords(account, words, sayReason);
  it('changes, leaves out and adds, and keeps what the log says beside it', () => {
    expect(own.find((l) => l.key === 'done.whole')).toEqual(jasmine.objectContaining({ text: 'We freed the ear.', as: 'changed' }));
    expect(own.find((l) => l.key === 'done.whole')?.recorded).toContain('Done: clip out tight mats');
    expect(own.find((l) => l.key === 'home.brush')?.as).toBe('left_out');
    const home = bySection(own).find((s) => s.section === 'home');
    expect(home?.lines.map((l) => l.text)).toEqual(['Ring us in a week.']);
  });
});

describe('how it took it', () => {
  it('is a picture without a gap from the first minute to the last', () => {
    const s = visit([
      [2, { type: 'signal_seen', body: { signal: 'growl' } }],
      [1, { type: 'break_started', body: {} }],
      [6, { type: 'break_ended', body: {} }],
      [1, DONE[0]![1]],
      [0, DONE[1]![1]],
    ]);
    const took = howItTook(s, 'Moss');
    const spells = took?.picture ?? [];
    expect(spells[0]?.from).toBe(0);
    expect(spells.at(-1)?.to).toBe(took?.minutes);
    spells.forEach((p, i) => expect(p.from).toBe(i === 0 ? 0 : spells[i - 1]!.to));
    expect(spells.filter((p) => p.rest).length).toBeGreaterThan(0);
    expect(took?.says.map((r) => r.rule)).toContain('told.hard_signs');
  });
});
