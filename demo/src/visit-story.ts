import { dayOf } from '@mansuet/core/days';
import { CONSENT_TEXT_VERSION, proposeAgreement } from '@mansuet/core/agreement';
import type { DogForm } from '@mansuet/core/knowledge/dogs';
import { say, stepTitle } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { VisitEvent } from '@mansuet/core/log';
import { checkPlan, type HandlingPlan, makePlan, type Odds, type Pace, type PlanInput, planVisit } from '@mansuet/core/plan';
import { planContextOf, planInputOf, planRecordOf, type PlanWords, replay, toldWith, type VisitSummary } from '@mansuet/core/visit';
import {
  FEEL_AREAS,
  type HarmDegree,
  type IncidentKind,
  type LookedFinding,
  type LookedPart,
  type Phase,
  type ZoneId,
} from '@mansuet/core/words';
import { HERE } from './here.js';
import { comeToAnEnd, doWhatIsDue } from './after-visit.js';
import type { DemoDog } from './dogs.js';
import type { Random } from './random.js';
import { VisitWriter } from './visit-writer.js';
import { type LivedWorld, workThrough } from './work-through.js';

export interface Story {
  readonly demo: DemoDog;
  readonly form: DogForm;
  readonly dogId: string;
  readonly groomerId: string;
  readonly trained: boolean;
  /** Summaries of its earlier visits, the latest first. */
  readonly past: readonly VisitSummary[];
  /** How fast this groomer is. */
  readonly pace: readonly Pace[];
  readonly arrivesMs: number;
  readonly findings: Findings;
  /** On the scale, kg; not weighed when left out. */
  readonly weighedKg?: number;
  readonly incident?:
    { readonly kind: IncidentKind; readonly harm: HarmDegree; readonly zone: ZoneId | null; readonly what: string } | undefined;
  /** How far the visit has come: `gone` for the past, a phase for today. */
  readonly until: Phase | 'gone';
  /** The moment of today's visits; past ones run to their end. */
  readonly nowMs: number;
  /** A world that is otherwise than the model; as the demo's salon when left out. */
  readonly world?: Partial<LivedWorld>;
}

export interface Findings {
  readonly mats: readonly {
    readonly zone: ZoneId;
    readonly comb: 'wide_snags' | 'wide_stops' | 'nothing_passes';
    readonly lift: 'lifts_freely' | 'finger_fits' | 'skin_comes' | 'no_gap';
    readonly skin: 'sound' | 'red';
  }[];
  readonly stiff: readonly ('hip_left' | 'hip_right' | 'back')[];
  readonly mood: 'relaxed' | 'still' | 'tense';
  readonly looked?: readonly { readonly part: LookedPart; readonly finding: LookedFinding }[] | undefined;
  readonly mark?: { readonly markId: string; readonly zone: ZoneId; readonly lengthMm: number; readonly widthMm: number } | undefined;
}

/** The events of one visit, told as far as the story goes. */
export function tell(story: Story, random: Random): VisitEvent[] {
  const { demo, form, nowMs } = story;
  const today = dayOf(story.arrivesMs, HERE);
  const w = new VisitWriter(random, Math.min(story.arrivesMs - 3 * 86_400_000, nowMs - 60_000), story.groomerId);
  const asked = { items: [...demo.asked], wantedMm: demo.wantedMm, sessionMinutes: form.weightKg > 25 ? 165 : 135 };
  w.write({
    type: 'visit_booked',
    body: {
      dogId: story.dogId,
      arrivesAt: new Date(story.arrivesMs).toISOString(),
      groomerId: story.groomerId,
      asked,
      helperThere: form.weightKg > 30 || form.biteHistory,
      zone: HERE,
    },
  });
  if (story.until === 'know') return w.events;
  const begin = story.until === 'gone' ? story.arrivesMs : Math.min(story.arrivesMs, nowMs - MINUTES_BEFORE[story.until] * 60_000);
  w.at(begin).wait(2).write({ type: 'file_read', body: {} });
  if (story.until === 'feel_over') return w.events;
  feelOver(w, story);
  if (story.until === 'agree') return w.events;
  const context = planContextOf({ dog: form, trained: story.trained, today, pace: story.pace }, story.past);
  const input = planInputOf(replay(w.visitId, w.events), context);
  if (!input) return w.events;
  const { plan, odds } = plannedFor(story, input, w);
  const agreement = proposeAgreement(plan, input, 90);
  for (const c of agreement.consents)
    w.write({ type: 'consent_answered', body: { consent: c.id, agreed: true, name: demo.owner, textVersion: CONSENT_TEXT_VERSION } });
  w.wait(2).write({
    type: 'agreed',
    body: { name: demo.owner, extraMinutes: agreement.extraMinutes, extraPriceMinor: agreement.extraPriceMinor },
  });
  if (story.until === 'plan') return w.events;
  if (plan.steps.length === 0) {
    w.write({ type: 'visit_ended', body: { outcome: 'not_today', why: 'The vet is asked first.' } });
    if (story.until === 'gone') w.wait(3).write({ type: 'handed_back', body: { toldTo: demo.owner, nextVisit: null, vetAdvised: true } });
    return w.events;
  }
  const record = planRecordOf(plan, WORDS);
  w.wait(1)
    .write({ type: 'plan_accepted', body: { plan: record, told: toldWith(plan, odds) } })
    .write({ type: 'work_started', body: {} });
  const ended = workThrough(w, story, plan, random);
  if (story.until === 'work' || !ended) return w.events;
  w.write({ type: 'visit_ended', body: ended });
  if (story.until === 'hand_back') return w.events;
  comeToAnEnd(w, story);
  w.wait(4).write({
    type: 'handed_back',
    body: { toldTo: demo.owner, nextVisit: dayOf(w.now + 42 * 86_400_000, HERE), vetAdvised: false },
  });
  doWhatIsDue(w, nowMs);
  return w.events;
}

/**
 * The plan that the groomer takes. Today's are checked as the page checks them; of the past nobody asks any more. The visit that is shown
 * running lasts longer than it has run: where the limits of chance leave too little of it, it is planned with that risk, by hand.
 */
function plannedFor(story: Story, input: PlanInput, w: VisitWriter): { plan: HandlingPlan; odds: Odds | undefined } {
  if (story.until === 'gone') return { plan: makePlan(input), odds: undefined };
  const found = planVisit(input);
  if (!found) return { plan: makePlan(input), odds: undefined };
  const { visit, odds } = checkPlan(input, found);
  const begun = story.until === 'work' || story.until === 'hand_back';
  if (!begun || visit.plan.minutes > MINUTES_BEFORE.work + SHOWN_LONGER_MINUTES) return { plan: visit.plan, odds };
  w.write({ type: 'plan_wished', body: { wishes: [], way: 'with_risk' } });
  return { plan: makePlan({ ...input, way: 'with_risk' }), odds: undefined };
}
const SHOWN_LONGER_MINUTES = 20;

/** Minutes before now at which today's visits began, by the phase they have reached. */
const MINUTES_BEFORE: Readonly<Record<Phase, number>> = { know: 0, feel_over: 4, agree: 14, plan: 18, work: 46, hand_back: 150 };

function feelOver(w: VisitWriter, { findings, form, weighedKg }: Story): void {
  w.wait(1).write({ type: 'fit_answered', body: { signs: [], vetAgreed: form.conditions.length > 0, roomCelsius: 20 } });
  w.write({ type: 'mood_felt', body: { mood: findings.mood } });
  if (weighedKg !== undefined) w.wait(0.2).write({ type: 'weighed', body: { kg: weighedKg } });
  for (const l of findings.looked ?? []) w.write({ type: 'part_looked', body: l });
  for (const m of findings.mats)
    w.wait(0.3).write({ type: 'zone_felt', body: { zone: m.zone, comb: m.comb, lift: m.lift, skin: m.skin, crust: false } });
  for (const joint of findings.stiff) w.wait(0.2).write({ type: 'joint_felt', body: { joint, comfort: 'stiff' } });
  if (findings.mark)
    w.write({
      type: 'mark_felt',
      body: { ...findings.mark, border: 'regular', surface: 'smooth', isNew: false, kind: 'stands_out', spot: [0.62, 0.34] },
    });
  w.write({ type: 'dog_asked', body: {} });
  for (const area of FEEL_AREAS) w.wait(0.1).write({ type: 'area_felt', body: { area, as: 'sound' } });
  w.wait(1).write({ type: 'feel_over_done', body: {} });
}

/** The demo salon speaks English. */
const WORDS: PlanWords = { say: (s) => say(ENGLISH, s), stepOf: (s) => stepTitle(ENGLISH, s) };
