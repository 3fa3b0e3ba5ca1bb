import { gradeAfterDryer, gradeMat, withLatest, type ZoneFinding } from '../../findings/index.js';
import type { VisitState } from '../state.js';
import type { Appliers } from './appliers.js';
import { minuteOf } from './work-state.js';
/** What hands and eyes found. */
export const APPLY_FINDINGS: Appliers<
  | 'file_read'
  | 'fit_answered'
  | 'dog_asked'
  | 'zone_felt'
  | 'zone_as_before'
  | 'mark_felt'
  | 'mark_as_before'
  | 'mark_gone'
  | 'place_resented'
  | 'warned_before'
  | 'area_felt'
  | 'part_looked'
  | 'weighed'
  | 'dryer_tested'
  | 'joint_felt'
  | 'leg_favoured'
  | 'mood_felt'
  | 'bite_told'
  | 'feel_over_done'
> = {
  file_read: (s, _, atMs) => {
    s.fileReadMs = atMs;
  },
  fit_answered: (s, { body }) => {
    s.fit = { ...body, told: body.told ?? [] };
  },
  dog_asked: (s, { body }) => {
    const { muzzleUsed, soreWhenLifted, liesOn, guards, slipsCollar } = body;
    s.dogAsked = {
      ...s.dogAsked,
      ...(muzzleUsed === undefined ? {} : { muzzleUsed }),
      ...(soreWhenLifted === undefined ? {} : { soreWhenLifted }),
      ...(liesOn === undefined ? {} : { liesOn }),
      ...(guards === undefined ? {} : { guards }),
      ...(slipsCollar === undefined ? {} : { slipsCollar }),
    };
  },
  zone_felt: (s, { body }) => {
    const before = s.feelOver.zones.find((z) => z.zone === body.zone);
    setZone(s, {
      zone: body.zone,
      matGrade: body.comb === null ? (before?.matGrade ?? 0) : gradeMat(body.comb, body.lift),
      skin: body.skin,
      crust: body.crust,
      ...(body.strangles ? { strangles: true } : {}),
      tests: body.comb === null ? (before?.tests ?? {}) : { comb: body.comb, ...(body.lift ? { lift: body.lift } : {}) },
    });
  },
  zone_as_before: (s, { body }) => {
    const { grade, on, strangles, ...felt } = body;
    setZone(s, { ...felt, matGrade: grade, ...(strangles ? { strangles } : {}), tests: { asBefore: on } });
  },
  mark_felt: (s, { body }) => {
    s.feelOver = { ...s.feelOver, marks: withLatest(s.feelOver.marks, body, (m) => m.markId) };
    s.marksGone.delete(body.markId);
  },
  mark_as_before: (s, { body }) => {
    const { on, ...mark } = body;
    s.feelOver = { ...s.feelOver, marks: withLatest(s.feelOver.marks, { ...mark, isNew: false, asBefore: on }, (m) => m.markId) };
    s.marksGone.delete(body.markId);
  },
  mark_gone: (s, { body }) => {
    s.feelOver = { ...s.feelOver, marks: s.feelOver.marks.filter((m) => m.markId !== body.markId) };
    s.marksGone.add(body.markId);
  },
  place_resented: (s, { body }) => {
    const others = (s.feelOver.resents ?? []).filter((z) => z !== body.zone);
    s.feelOver = { ...s.feelOver, resents: body.resents ? [...others, body.zone] : others };
    if (body.resents) s.bearsAt.delete(body.zone);
    else s.bearsAt.add(body.zone);
  },
  warned_before: (s, { body }) => {
    s.feelOver = { ...s.feelOver, warned: body.what ?? undefined };
  },
  area_felt: (s, { body }) => {
    s.areasFelt.set(body.area, body.as);
    // Joints that are all free: no leg is spared.
    if (body.area === 'joints' && body.as === 'sound' && s.feelOver.favours === undefined) s.feelOver = { ...s.feelOver, favours: 'none' };
  },
  part_looked: (s, { body }) => {
    const { part, finding, zones } = body;
    // What was said last of a part holds whole: with its places, or with none.
    const foundAt = part === 'seeds' || part === 'ticks' ? { foundAt: { ...s.feelOver.foundAt, [part]: zones ?? [] } } : {};
    s.feelOver = { ...s.feelOver, looked: { ...s.feelOver.looked, [part]: finding }, ...foundAt };
  },
  weighed: (s, { body }) => {
    s.weightKg = body.kg;
  },
  dryer_tested: (s, { body }) => {
    const felt = s.feelOver.zones.find((z) => z.zone === body.zone);
    if (felt) setZone(s, { ...felt, matGrade: gradeAfterDryer(felt.matGrade, body.test), tests: { ...felt.tests, dryer: body.test } });
  },
  joint_felt: (s, { body }) => {
    s.feelOver = { ...s.feelOver, joints: { ...s.feelOver.joints, [body.joint]: body.comfort } };
  },
  leg_favoured: (s, { body }) => {
    s.feelOver = { ...s.feelOver, favours: body.leg ?? 'none' };
  },
  mood_felt: (s, e, atMs) => {
    // Once the work runs it is a reading of the moment; what was felt before any tool stays what it was.
    if (s.work) {
      s.work.strain.push({ kind: 'state_seen', minute: minuteOf(s.work, atMs), mood: e.body.mood });
      return;
    }
    s.moodFelt = true;
    s.feelOver = { ...s.feelOver, mood: e.body.mood };
  },
  bite_told: (s, { body }) => {
    s.feelOver = { ...s.feelOver, biteTold: body.told };
  },
  feel_over_done: (s) => {
    s.feelOverDone = true;
  },
};

/** A zone is felt anew: what was said of it before gives way. */
function setZone(s: VisitState, felt: ZoneFinding): void {
  s.feelOver = { ...s.feelOver, zones: withLatest(s.feelOver.zones, felt, (z) => z.zone) };
}
