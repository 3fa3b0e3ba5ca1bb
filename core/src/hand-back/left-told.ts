import { sayingOf } from '../log/index.js';
import { unfinishedPieces, type VisitState } from '../visit/index.js';
import { activityOf, type Reason, reason, type Saying, saying, withoutStop } from '../words/index.js';
import { isForEase } from '../work/index.js';
import { type AccountLine, line } from './account-line.js';
import { whyForOwner } from './why-for-owner.js';

type NotToday = NonNullable<VisitState['plan']>['notToday'][number];

/** What was not done, each thing with its reason and what becomes of it. What was begun is told of by itself. */
export function leftTold(state: VisitState, name: string): AccountLine[] {
  const stopped = state.ended?.outcome === 'stopped';
  const open = state.ended ? unfinishedPieces(state).filter((u) => !u.begun && !isForEase(activityOf(u.step.id))) : [];
  const known = new Set<string>();
  const isNew = (what: Saying): boolean => {
    const key = JSON.stringify([what.rule, what.facts]);
    if (known.has(key)) return false;
    known.add(key);
    return true;
  };
  const planned = [...new Set(open.map((u) => u.step))].flatMap((step) => {
    const left = open.filter((u) => u.step === step);
    const whole = left.length === step.pieces.length;
    const what = whole
      ? saying('what.step', { step: step.name })
      : saying('what.pieces', { step: step.name, zones: left.flatMap((u) => u.piece.zones) });
    if (!isNew(what)) return [];
    const written = left.map((u) => u.why).find((w) => w !== '') ?? state.work?.steps.get(step.id)?.why ?? '';
    const why: Reason =
      written !== ''
        ? reason('told.why_written', { why: withoutStop(written) }, 0.6)
        : stopped
          ? reason('told.why_stopped', { name }, 0.8)
          : reason('told.why_not_written', {}, 0.3);
    return [line('left', `step.${step.id}`, [reason('told.left_one', { things: [what] }, 0.7), why])];
  });
  const later = (state.plan?.notToday ?? []).flatMap((n, i) => {
    const what = sayingOf(n.what);
    // What only advises how to work was no work that was left.
    if (n.to !== 'vet' && n.activity === undefined && n.what.rule === 'what.looked') return [];
    if (!isNew(what)) return [];
    return [
      line(
        'left',
        `${n.to}.${n.activity ?? n.what.rule ?? 'thing'}.${n.zones?.[0] ?? i}`,
        [ended(n, what), ...whyForOwner(n.why, name)],
        n.to === 'vet' ? 'vet' : undefined,
      ),
    ];
  });
  return [...planned, ...later];
}

/** What becomes of it, and how soon. */
function ended({ to, withinDays }: NotToday, what: Saying): Reason {
  const things = [what];
  if (to === 'vet') {
    if (withinDays === null) return reason('told.vet', { things }, 1);
    return withinDays === 0 ? reason('told.vet_today', { things }, 1) : reason('told.vet_within', { days: withinDays, things }, 1);
  }
  if (to === 'left') return reason('told.left_in_place', { things }, 0.6);
  return withinDays === null ? reason('told.left_one', { things }, 0.6) : reason('told.within', { days: withinDays, things }, 0.8);
}
