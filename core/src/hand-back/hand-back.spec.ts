import type { ZoneFinding } from '../findings/index.js';
import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { type MarkOfFile, replay, type VisitState } from '../visit/index.js';
import type { ZoneId } from '../words/index.js';
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
    const before = (markId: string, zone: ZoneId): MarkOfFile => ({
      ...found,
      markId,
      zone,
      seenOn: '2026-01-01',
    });
    const file = { marks: [before('as-it-was', 'neck'), before('grown', 'rump'), before('open', 'belly')] };
    const follow = (marks: Parameters<typeof tellVisit>[2]): (string | undefined)[] =>
      tellVisit(state, 'Moss', marks).flatMap((r) => (r.rule === 'told.mark' || r.rule === 'told.mark_known' ? [r.facts.follow] : []));
    // A vet has seen the one that stays as it was; nobody has seen the others.
    expect(follow({ ...file, vetSeen: [{ markId: 'as-it-was', on: '2026-01-02' }] })).toEqual([
      'four_weeks',
      'next_visit',
      'check_up',
      'within_days',
    ]);
    expect(follow(file)[1]).toBe('check_up');
    expect(tellVisit(state, 'Moss', file).map(sayReason)).toContain('Found today: a bump, back, 4 × 4 mm: we look at it again in 4 weeks.');
  });
  it('keeps how soon: a vet today, a vet within days, here within a week', () => {
    const zone = (z: ZoneId, more: Partial<ZoneFinding>): ZoneFinding => ({ zone: z, matGrade: 0, skin: 'sound', crust: false, ...more });
    const pelted = (['back', 'rump', 'chest', 'side_left', 'side_right', 'thigh_left'] as const).map((z) =>
      zone(z, { matGrade: 4, skin: 'red' }),
    );
    const input = anInput(
      {},
      { born: '2010-01-01' },
      {
        zones: [...pelted, zone('hock_left', { matGrade: 3, strangles: true }), zone('belly', { skin: 'sore' })],
      },
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
