import type { EventDraft } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { aDog, anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { newAtTheTable, replay } from './index.js';

const PLAN = recordOf(makePlan(anInput({ asked: { items: ['bath', 'nails', 'sanitary'], wantedMm: 9, sessionMinutes: 120 } })));
const STEP = PLAN.steps.find((s) => s.zones.includes('belly') && s.blade !== null) ?? PLAN.steps[0]!;
const [ZONE] = STEP.zones;
const OF = { dog: aDog(), kinds: [], trained: false };
const mark = (zone: typeof ZONE): EventDraft => ({
  type: 'mark_felt',
  body: { markId: VISIT, zone: zone!, lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', kind: 'stands_out', isNew: true },
});
const taken: EventDraft = { type: 'plan_accepted', body: { plan: PLAN, told: null } };
const said = (...drafts: readonly EventDraft[]): string[] =>
  newAtTheTable(replay(VISIT, eventsOf([[0, BOOKED], ...drafts.map((d) => [0, d] as const)])), STEP.id, OF).map((r) => r.rule);

describe('what is new at the table', () => {
  it('is nothing right after the plan was taken, whatever was found before', () => {
    expect(said(mark(ZONE), taken)).toEqual([]);
  });

  it('warns of a mark that was found since, in a place of the step and of no other', () => {
    expect(said(taken, mark(ZONE))).toEqual(['caution.mark']);
    expect(said(taken, mark('ear_leather_left'))).toEqual(STEP.zones.includes('ear_leather_left') ? ['caution.mark'] : []);
  });

  it('warns of a mat and of red skin', () => {
    const felt: EventDraft = {
      type: 'zone_felt',
      body: { zone: ZONE!, comb: 'nothing_passes', lift: 'skin_comes', skin: 'red', crust: false },
    };
    expect(said(taken, felt)).toContain('caution.mat_now');
    expect(said(taken, felt)).toContain('caution.red_now');
    expect(said(felt, taken)).toEqual([]);
  });

  it('says what to do where a tool stopped, once', () => {
    const stopped: EventDraft = { type: 'tool_stopped', body: { zone: ZONE!, cause: 'growth' } };
    expect(said(taken, stopped, stopped)).toEqual(['resist.growth']);
  });

  it('is old again when the rest is planned anew', () => {
    expect(said(taken, mark(ZONE), taken)).toEqual([]);
  });
});
