import type { PlanInput } from '@mansuet/core/plan';

const base: PlanInput = {
  dog: {
    name: 'Moss',
    sex: 'female',
    neutered: true,
    born: '2021-01-01',
    weightKg: 20,
    coat: 'curly',
    nose: 'medium',
    ears: 'drop',
    tail: 'long',
    build: 'light',
    conditions: [],
    biteHistory: false,
    triggers: [],
    treatsAllowed: true,
    standingSeenMinutes: undefined,
    visitsBefore: 3,
  },
  feelOver: {
    // Crust, a tight armpit and a matted thigh: with all eight things asked for that makes 12 steps.
    zones: [
      { zone: 'armpit_left', matGrade: 3, skin: 'red', crust: false },
      { zone: 'thigh_left', matGrade: 2, skin: 'sound', crust: false },
      { zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true },
    ],
    marks: [],
    joints: {},
    mood: 'still',
    biteTold: false,
  },
  asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'], wantedMm: 9, sessionMinutes: 150 },
  history: [],
  fit: 'go',
  helperThere: false,
  refused: [],
  trained: true,
  today: '2026-11-25',
};

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
