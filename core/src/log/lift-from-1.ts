type Raw = Readonly<Record<string, unknown>>;

/**
 * Version 1 to 2: sentences become `{said}`, steps get the name that their label stood for, tools the salon's own id (none), a plan
 * what was told with it (nothing), and a lift test that is never made on coat that the fine teeth pass through is no longer claimed.
 */
export function liftFrom1(raw: Raw): Raw {
  const body = record(raw['body']);
  const change = CHANGES[String(raw['type'])];
  return { ...raw, v: 2, body: change ? change(body) : body };
}

const CHANGES: Readonly<Partial<Record<string, (body: Raw) => Raw>>> = {
  zone_felt: (b) => ({ ...b, ...(b['comb'] === 'fine_passes' ? { lift: null } : {}) }),
  blade_used: (b) => ({ ...b, toolId: null }),
  blade_touched: (b) => ({ ...b, toolId: null }),
  plan_accepted: (b) => {
    const plan = record(b['plan']);
    return {
      ...b,
      told: null,
      plan: {
        ...plan,
        steps: list(plan['steps']).map((s) => ({
          ...s,
          name: s['label'] === CLIP_OFF_LABEL ? 'clip_off_body' : s['id'],
          cautions: said(s['cautions']),
          why: said(s['why']),
        })),
        notToday: list(plan['notToday']).map((n) => ({ ...n, what: { said: n['what'] }, why: said(n['why']) })),
      },
    };
  },
};

/** What version 1 called a step that takes the whole matted coat off; it had no other sign of it. */
const CLIP_OFF_LABEL = 'Clip the matted coat off the body';

const said = (sentences: unknown): { said: unknown }[] => (Array.isArray(sentences) ? sentences.map((s: unknown) => ({ said: s })) : []);
const record = (x: unknown): Raw => (typeof x === 'object' && x !== null ? { ...x } : {});
const list = (x: unknown): Raw[] => (Array.isArray(x) ? x.map(record) : []);
