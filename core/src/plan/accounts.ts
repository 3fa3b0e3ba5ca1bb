import { findingIn } from '../findings/index.js';
import { isAbout, lookedEffects } from '../knowledge/fit/index.js';
import { type Activity, type LookedPart, reason, type Reason, type ServiceItem, type StepId, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, isMatWork, placesOf } from '../work/index.js';
import type { BuiltStep } from './group-steps.js';
import type { NotPlanned } from './piece.js';
import type { PlanInput } from './plan-input.js';

/** Something found or asked for. */
export type AccountItem =
  | { readonly kind: 'mat' | 'crust' | 'skin'; readonly zone: ZoneId }
  | { readonly kind: 'mark'; readonly zone: ZoneId; readonly markId: string }
  | { readonly kind: 'looked'; readonly part: LookedPart }
  | { readonly kind: 'asked'; readonly item: ServiceItem; readonly zones: readonly ZoneId[] };

export interface Account {
  readonly item: AccountItem;
  /** What becomes of it; one entry, or the account does not balance. */
  readonly ends: readonly {
    readonly as: 'planned' | NotPlanned['to'];
    readonly step: StepId | undefined;
    readonly withinDays: number | undefined;
    readonly reasons: readonly Reason[];
  }[];
}

type End = Account['ends'][number];
interface Plan {
  readonly steps: readonly Pick<BuiltStep, 'id' | 'activity' | 'pieces' | 'zones' | 'reasons'>[];
  readonly notToday: readonly NotPlanned[];
}

/** Work that takes coat off: where a mat is clipped out, the coat that was to be trimmed there is off. */
const TRIMS: readonly Activity[] = ['body_clip', 'face', 'feet', 'sanitary', 'tidy', 'deshed'];

/**
 * What becomes of everything that was found and asked for: planned, another day, a vet, or left. Each ends as exactly one of these, and
 * nothing is forgotten; a spec holds it for thousands of dogs.
 */
export function accountsOf(input: PlanInput, plan: Plan): Account[] {
  return itemsOf(input).map((item) => ({
    item,
    ends: input.fit === 'go' || input.fit === 'go_with_limits' ? endsOf(item, input, plan) : [held(input)],
  }));
}

function held(input: PlanInput): End {
  const vet = input.fit === 'ask_vet';
  return {
    as: vet ? 'vet' : 'another_visit',
    step: undefined,
    withinDays: undefined,
    reasons: [reason(vet ? 'plan.vet_first' : 'plan.not_today', { name: input.dog.name }, 1)],
  };
}

/** Everything that was found, place by place, and everything that was asked for. */
export function itemsOf({ feelOver, asked }: PlanInput): AccountItem[] {
  const zones = feelOver.zones.flatMap((z): AccountItem[] => [
    ...(z.matGrade > 0 || z.strangles === true ? [{ kind: 'mat' as const, zone: z.zone }] : []),
    ...(z.crust ? [{ kind: 'crust' as const, zone: z.zone }] : []),
    ...(z.skin === 'sound' ? [] : [{ kind: 'skin' as const, zone: z.zone }]),
  ]);
  const marks = feelOver.marks.map((m): AccountItem => ({ kind: 'mark', zone: m.zone, markId: m.markId }));
  const looked = lookedEffects(feelOver).map((e): AccountItem => ({ kind: 'looked', part: e.part }));
  const wishes = asked.items.flatMap((item) =>
    placesOf(item, ACTIVITY_FACTS[item].zones).map((at): AccountItem => ({ kind: 'asked', item, zones: at.zones })),
  );
  return [...zones, ...marks, ...looked, ...wishes];
}

function endsOf(item: AccountItem, input: PlanInput, plan: Plan): End[] {
  const planned = (is: (a: Activity, zones: readonly ZoneId[]) => boolean): End[] => {
    const step = plan.steps.find((s) => s.pieces.some((p) => is(s.activity, p.zones)));
    return step ? [{ as: 'planned', step: step.id, withinDays: undefined, reasons: step.reasons }] : [];
  };
  const notToday = (is: (n: NotPlanned) => boolean): End[] =>
    plan.notToday.filter(is).map((n) => ({ as: n.to, step: undefined, withinDays: n.withinDays, reasons: n.reasons }));
  const at = (zone: ZoneId, to: NotPlanned['to']): End[] => notToday((n) => n.to === to && n.zones.includes(zone));
  /** Of several things that are said, the one that is soonest. */
  const soonest = (is: (n: NotPlanned) => boolean): End[] => {
    for (const to of ['vet', 'another_visit', 'left'] as const) {
      const [end] = notToday((n) => n.to === to && is(n));
      if (end) return [end];
    }
    return [];
  };
  const ofPlace = (zones: readonly ZoneId[]): End[] => soonest((n) => n.activity === undefined && n.zones.some((z) => zones.includes(z)));
  /** The first that answers: the work itself, then what is said of the place. */
  const first = (...answers: readonly End[][]): End[] => {
    const ends = answers.find((a) => a.length > 0) ?? [];
    // Said twice with one fate is one end.
    return ends.filter((e, i) => ends.findIndex((x) => x.as === e.as) === i);
  };
  switch (item.kind) {
    case 'mat':
      return first(
        [
          ...planned((a, zones) => isMatWork(a) && zones.includes(item.zone)),
          ...notToday((n) => n.activity !== undefined && isMatWork(n.activity) && n.zones.includes(item.zone)),
        ],
        notToday((n) => n.what.rule === 'what.mat' && n.zones.includes(item.zone)),
        ofPlace([item.zone]),
      );
    case 'crust':
      return first(
        [
          ...planned((a, zones) => a === 'crust' && zones.includes(item.zone)),
          ...notToday((n) => n.activity === 'crust' && n.zones.includes(item.zone)),
        ],
        ofPlace([item.zone]),
      );
    // Several works may meet in one place; what is soonest for the place itself is its end.
    case 'skin':
      return first(
        at(item.zone, 'vet'),
        findingIn(input.feelOver, item.zone).skin === 'sore' ? [] : planned((_, zones) => zones.includes(item.zone)),
        at(item.zone, 'another_visit'),
        at(item.zone, 'left'),
      );
    case 'mark':
      return first(
        notToday((n) => n.what.rule === 'what.mark' && n.what.facts.zone === item.zone),
        at(item.zone, 'vet'),
        planned((_, zones) => zones.includes(item.zone)),
        at(item.zone, 'another_visit'),
        at(item.zone, 'left'),
      );
    case 'looked': {
      const effect = lookedEffects(input.feelOver).find((e) => e.part === item.part);
      return first(
        notToday((n) => n.what.rule === 'what.looked' && n.what.facts.part === item.part),
        planned((a, zones) => effect !== undefined && isAbout(effect, a, zones)),
        soonest((n) => n.activity !== undefined && effect !== undefined && isAbout(effect, n.activity, n.zones)),
      );
    }
    case 'asked': {
      const meet = (zones: readonly ZoneId[]): boolean => item.zones.some((z) => zones.includes(z));
      const clippedOut = (a: Activity | undefined): boolean =>
        a !== undefined && TRIMS.includes(item.item) && ACTIVITY_FACTS[a].mats === 'clip';
      return first(
        [...planned((a, zones) => a === item.item && meet(zones)), ...notToday((n) => n.activity === item.item && meet(n.zones))],
        planned((a, zones) => clippedOut(a) && meet(zones)),
        notToday((n) => clippedOut(n.activity) && meet(n.zones)),
        ofPlace(item.zones),
        item.item === 'bath' ? notToday((n) => n.activity === 'bath' || n.activity === 'dry') : [],
      );
    }
  }
}
