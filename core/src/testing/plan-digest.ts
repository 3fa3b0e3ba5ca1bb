import { makePlan, type PlanInput } from '../plan/index.js';
import type { Reason } from '../words/index.js';

const exact = (x: number): number => Math.round(x * 1e6) / 1e6;
const rules = (reasons: readonly Reason[]): string[] => reasons.map((r) => r.rule);

/** What a plan decides, without its words: order, minutes, tools, holds, breaks, what is left and by which rules. */
export function planDigest(input: PlanInput): Readonly<Record<string, unknown>> {
  const plan = makePlan(input);
  return {
    steps: plan.steps.map((s) => ({
      step: s.id,
      posture: s.posture,
      pieces: s.pieces.map((p) => [p.place, p.blade?.blade ?? null, exact(p.minutes), exact(p.painfulMinutes)]),
      zones: s.zones,
      tier: s.tier,
      post: s.post,
      standing: s.standing,
      from: exact(s.from),
      to: exact(s.to),
      minutes: exact(s.minutes),
      range: s.minutesRange.map(exact),
      rate: exact(s.rate.mean),
      painful: s.rate.painful,
      breaks: s.breaks.map((b) => [exact(b.from), b.minutes, exact(b.after)]),
      hold: s.hold.hold,
      also: s.hold.also,
      blade: s.blade?.blade ?? null,
      guard: s.blade?.guard?.id ?? null,
      direction: s.blade?.direction ?? null,
      dryer: s.dryer?.dryer ?? null,
      stops: s.bladeStops.map((b) => [b.blade, exact(b.minute)]),
      gaps: s.gaps.length,
      consent: s.needsConsent,
      cautions: rules(s.cautions),
      reasons: rules(s.reasons),
      why: rules(s.whyHere),
    })),
    notToday: plan.notToday.map((n) => ({
      activity: n.activity ?? null,
      zones: n.zones,
      to: n.to,
      within: n.withinDays ?? null,
      reasons: rules(n.reasons),
    })),
    minutes: exact(plan.minutes),
    peak: exact(plan.peak),
    dose: exact(plan.dose),
    proof: plan.proof,
    second: plan.secondVisit?.inWeeks ?? null,
    kinds: plan.kinds.map((k) => k.kind),
    standing: [
      plan.standing.continuousMinutes,
      plan.standing.totalMinutes,
      Number.isFinite(plan.standing.workMinutes) ? plan.standing.workMinutes : null,
    ],
    painful: exact(plan.painful.minutes),
    loop: plan.loop.loop,
    register: plan.register.length,
    reasons: rules(plan.reasons),
    promised: plan.promised.map((p) => [p.zone, p.promise]),
    safe: exact(plan.safeFinish.reduce((sum, p) => sum + p.minutes, 0)),
  };
}
