import { DEFAULT_HALF_LIFE_MINUTES, learnDog, learnHalfLife } from '../strain/index.js';
import { breaksSeenIn, type VisitSummary } from '../visit/index.js';
import { type Reason, reason } from '../words/index.js';
import { tenth, wholeOf, worksOf } from './explain-dog.js';

/** Changes below this are not told: nobody would plan otherwise for them. Our default, a tenth. */
const TOLD_FROM = 0.1;

/**
 * What one visit has taught of its dog: before and now, in words.
 * @param visit its summary, once it has ended
 * @param past summaries of the visits before it, the latest first
 */
export function learnedAt(visit: VisitSummary, past: readonly VisitSummary[]): Reason[] {
  if (visit.writtenAfter) return [reason('learned.written_after', {}, 0.4)];
  const all = [visit, ...past];
  const [before, now] = [dogOf(past), dogOf(all)];
  const works = worksOf(past, before);
  const out: Reason[] = [];
  for (const w of worksOf(all, now)) {
    if (!visit.evidence?.some((e) => e.work === w.work)) continue;
    const was = works.find((x) => x.work === w.work);
    if (!was) out.push(reason('learned.work_first', { step: w.work, now: tenth(w.factor) }, 0.5));
    else if (Math.abs(w.factor - was.factor) >= TOLD_FROM)
      out.push(reason('learned.work', { step: w.work, was: tenth(was.factor), now: tenth(w.factor), visits: w.learned.visits }, 0.7));
  }
  const [wasDog, isDog] = [Math.exp(before.middle), Math.exp(now.middle)];
  if (past.length > 0 && Math.abs(isDog - wasDog) >= TOLD_FROM)
    out.push(reason('learned.dog', { was: tenth(wasDog), now: tenth(isDog) }, 0.6));
  const [wasRest, isRest] = [halfLifeOf(past), halfLifeOf(all)];
  if (wasRest !== isRest) out.push(reason('learned.rest', { was: wasRest, now: isRest }, 0.5));
  return out.length > 0 ? out : [reason('learned.nothing', {}, 0.2)];
}

const dogOf = (visits: readonly VisitSummary[]): ReturnType<typeof learnDog> => learnDog(wholeOf(visits), breaksSeenIn(visits));

function halfLifeOf(visits: readonly VisitSummary[]): number {
  const { middle, breaks } = learnHalfLife(breaksSeenIn(visits), wholeOf(visits));
  return breaks === 0 ? DEFAULT_HALF_LIFE_MINUTES : Math.round(middle);
}
