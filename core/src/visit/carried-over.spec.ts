import { dogKinds } from '../knowledge/dogs/index.js';
import type { EventDraft } from '../log/index.js';
import { buildSteps, makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf, sayReason } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import {
  carriedOverFrom,
  carriedZonesFrom,
  notFeltYet,
  planContextOf,
  planInputOf,
  replay,
  summarize,
  type VisitSummary,
} from './index.js';

const DOG = { standingSeenMinutes: 40 };
const MATS: readonly EventDraft[] = [
  { type: 'zone_felt', body: { zone: 'side_left', comb: 'wide_stops', lift: 'finger_fits', skin: 'sound', crust: false } },
  { type: 'zone_felt', body: { zone: 'armpit_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'red', crust: false } },
  { type: 'zone_felt', body: { zone: 'chin', comb: 'fine_passes', lift: 'lifts_freely', skin: 'sound', crust: true } },
  { type: 'zone_felt', body: { zone: 'back', comb: 'fine_passes', lift: 'lifts_freely', skin: 'red', crust: false } },
];
const FIT: EventDraft = { type: 'fit_answered', body: { signs: [], vetAgreed: false, told: [], roomCelsius: 20 } };
const CONTEXT = { dog: { ...anInput({}, DOG).dog, standingSeenMinutes: 40 }, trained: true, today: '2026-11-25' };

/** A visit with these mats, in which these steps are done and no more. */
function visitLeaving(...steps: readonly ('brush_mats' | 'clip_tight_fragile' | 'soak' | 'crust')[]): VisitSummary {
  const felt = replay(VISIT, eventsOf([BOOKED, FIT, ...MATS].map((d) => [0, d])));
  const input = planInputOf(felt, planContextOf(CONTEXT, []));
  if (!input) throw new Error('it is fit');
  const plan = recordOf(makePlan(input));
  const work = steps.flatMap((step): EventDraft[] => [
    { type: 'step_started', body: { step } },
    { type: 'step_finished', body: { step, outcome: 'done', why: '' } },
  ]);
  const drafts: EventDraft[] = [
    BOOKED,
    FIT,
    ...MATS,
    { type: 'plan_accepted', body: { plan, told: null } },
    { type: 'work_started', body: {} },
    ...work,
    { type: 'visit_ended', body: { outcome: 'stopped', why: 'enough' } },
  ];
  return summarize(replay(VISIT, eventsOf(drafts.map((d) => [1, d]))));
}
/** A summary of an earlier version. */
function without({ leftZones: _, ...rest }: VisitSummary): VisitSummary {
  return rest;
}
const zonesOf = (s: VisitSummary): string[] => (s.undoneZones ?? []).map((z) => z.zone);
const today = (...drafts: EventDraft[]): ReturnType<typeof replay> => replay(VISIT, eventsOf([BOOKED, FIT, ...drafts].map((d) => [0, d])));

describe('mats and crusts that a visit leaves', () => {
  it('are those whose work was planned and not done, as the hands found them', () => {
    expect(zonesOf(visitLeaving())).toEqual(['side_left', 'armpit_left', 'chin']);
    expect(zonesOf(visitLeaving('brush_mats', 'soak'))).toEqual(['armpit_left', 'chin']);
    expect(zonesOf(visitLeaving('brush_mats', 'soak', 'crust', 'clip_tight_fragile'))).toEqual([]);
    expect(visitLeaving().undoneZones?.[1]).toEqual({
      zone: 'armpit_left',
      matGrade: 3,
      skin: 'red',
      crust: false,
      tests: { comb: 'nothing_passes', lift: 'skin_comes' },
    });
  });

  it('are put off with their zones when the groomer puts them off', () => {
    const felt = replay(
      VISIT,
      eventsOf(
        [
          BOOKED,
          FIT,
          ...MATS,
          { type: 'plan_wished' as const, body: { wishes: [{ kind: 'forbid' as const, step: 'brush_mats' as const }] } },
        ].map((d) => [0, d]),
      ),
    );
    const input = planInputOf(felt, planContextOf(CONTEXT, []));
    const record = input && recordOf(makePlan(input));
    expect(record?.notToday.find((n) => n.activity === 'brush_mats')?.zones).toEqual(['side_left']);
  });

  it('are on the next plan by themselves, with the day and that nobody has felt them', () => {
    const state = today();
    const input = planInputOf(state, planContextOf(CONTEXT, [visitLeaving('brush_mats')]));
    if (!input) throw new Error('it is fit');
    expect(input.feelOver.zones.map((z) => z.zone).sort()).toEqual(['armpit_left', 'chin']);
    const { steps } = buildSteps(input, dogKinds(input.dog, input.feelOver, input.today));
    const clip = steps.find((s) => s.activity === 'clip_tight_fragile');
    expect(clip?.reasons.map(sayReason)).toContain(
      'Left armpit: left undone on 25 November 2026 and not felt yet today, planned as it was then.',
    );
    expect(steps.some((s) => s.activity === 'brush_mats')).toBeFalse();
    expect(steps.some((s) => s.activity === 'crust')).toBeTrue();
  });

  it('give way to what is felt today, and to a hand that found nothing', () => {
    const carried = carriedZonesFrom([visitLeaving('brush_mats')]);
    const left = (...drafts: EventDraft[]): string[] =>
      notFeltYet(carried, today(...drafts))
        .map((c) => c.finding.zone)
        .sort();
    expect(left()).toEqual(['armpit_left', 'chin']);
    expect(
      left({ type: 'zone_felt', body: { zone: 'armpit_left', comb: 'wide_snags', lift: 'lifts_freely', skin: 'sound', crust: false } }),
    ).toEqual(['chin']);
    expect(left({ type: 'area_felt', body: { area: 'head', as: 'sound' } })).toEqual(['armpit_left']);
  });

  it('are those of the latest visit that says so', () => {
    const [some, none] = [visitLeaving('brush_mats'), visitLeaving('brush_mats', 'soak', 'crust', 'clip_tight_fragile')];
    expect(carriedZonesFrom([none, some])).toEqual([]);
    expect(carriedZonesFrom([without(some)])).toEqual([]);
    expect(carriedZonesFrom([])).toEqual([]);
  });

  it('stay where a visit between was called off before its plan, or is only booked', () => {
    const left = visitLeaving('brush_mats');
    const calledOff = summarize(
      replay(
        VISIT,
        eventsOf([BOOKED, FIT, { type: 'visit_ended' as const, body: { outcome: 'not_today' as const, why: 'heat' } }].map((d) => [1, d])),
      ),
    );
    const booked = summarize(replay(VISIT, eventsOf([[0, BOOKED]])));
    expect(carriedZonesFrom([booked, calledOff, left])).toEqual(carriedZonesFrom([left]));
    expect(carriedOverFrom([booked, calledOff, left])).toEqual(carriedOverFrom([left]));
  });

  it('are carried on through a visit that planned them and had no hand on them either', () => {
    const first = { ...visitLeaving('brush_mats'), on: '2026-10-01' };
    const again = { ...first, on: '2026-10-20', undoneZones: [] };
    expect(carriedZonesFrom([again, first])).toEqual(carriedZonesFrom([first]));
    expect(carriedZonesFrom([again, first])[0]?.from).toBe('2026-10-01');
    // Done in between: an older finding is no longer so.
    const done = { ...visitLeaving('brush_mats', 'soak', 'crust', 'clip_tight_fragile'), on: '2026-10-10' };
    expect(carriedZonesFrom([again, done, first])).toEqual([]);
  });
});
