type Raw = Readonly<Record<string, unknown>>;

/**
 * Version 2 to 3: a planned step gets pieces, one for each place it was planned in (what water and air reach is one place), a posture
 * by the hold it had, and the whole of its kind of work as its share; what was put off says no day.
 */
export function liftFrom2(raw: Raw): Raw {
  const body = record(raw['body']);
  if (raw['type'] !== 'plan_accepted') return { ...raw, v: 3 };
  const plan = record(body['plan']);
  return {
    ...raw,
    v: 3,
    body: {
      ...body,
      plan: {
        ...plan,
        steps: list(plan['steps']).map((s) => ({ ...s, pieces: piecesOf(s), posture: postureOf(s), share: 1 })),
        notToday: list(plan['notToday']).map((n) => ({ ...n, withinDays: null })),
      },
    },
  };
}

/** What version 2 did to the whole dog at once. */
const WHOLE_DOG: readonly unknown[] = ['bath', 'bath_head', 'rinse_folds', 'towel', 'dry'];
const WET: readonly unknown[] = ['bath', 'bath_head', 'rinse_folds', 'towel'];
const LYING: readonly unknown[] = ['lap_or_side', 'under_arm'];

function piecesOf(step: Raw): Raw[] {
  const zones = Array.isArray(step['zones']) ? step['zones'].map(String) : [];
  const places = WHOLE_DOG.includes(step['id']) ? [zones] : zones.map((z) => [z]);
  const minutes = Number(step['minutes']) / Math.max(1, places.length);
  return places.flatMap((at) =>
    at[0] === undefined
      ? []
      : [{ id: `${String(step['id'])}:${at[0]}`, zones: at, minutes, blade: step['blade'], guard: step['guard'], mm: null, marks: [] }],
  );
}

function postureOf(step: Raw): string {
  if (WET.includes(step['id'])) return 'in_tub';
  return LYING.includes(step['hold']) ? 'lap' : 'standing';
}

const record = (x: unknown): Raw => (typeof x === 'object' && x !== null ? { ...x } : {});
const list = (x: unknown): Raw[] => (Array.isArray(x) ? x.map(record) : []);
