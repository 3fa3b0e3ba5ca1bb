import type { PlanInput } from '@mansuet/core/plan';
import { anInput } from '../core/src/testing/dogs.js';

// Crust, a tight armpit and a matted thigh: with all eight things asked for that makes 12 steps.
const base: PlanInput = anInput(
  { asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'], wantedMm: 9, sessionMinutes: 150 } },
  {},
  {
    zones: [
      { zone: 'armpit_left', matGrade: 3, skin: 'red', crust: false },
      { zone: 'thigh_left', matGrade: 2, skin: 'sound', crust: false },
      { zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true },
    ],
  },
);

const dogs: readonly PlanInput[] = [
  base,
  { ...base, dog: { ...base.dog, triggers: [{ cause: 'nails' }] } },
  { ...base, dog: { ...base.dog, born: '2013-01-01' } },
  { ...base, dog: { ...base.dog, triggers: [{ cause: 'clipper' }] }, feelOver: { ...base.feelOver, mood: 'tense' } },
  { ...base, feelOver: { ...base.feelOver, joints: { hip_left: 'stiff' } } },
];

/** Five dogs, each with a short, an ordinary and a long session. */
export const PLAN_CASES: readonly PlanInput[] = dogs.flatMap((d) =>
  [95, 130, 200].map((sessionMinutes) => ({ ...d, asked: { ...d.asked, sessionMinutes } })),
);
