import { proposeAgreement } from '../agreement/index.js';
import { whatKindChanges } from '../knowledge/dogs/index.js';
import { readEvent } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { accountInEnglish } from '../testing/account.js';
import { aDog } from '../testing/dogs.js';
import { findWordingFaults, RULE_IDS } from '../testing/parity.js';
import { pseudoLanguage } from '../testing/pseudo-language.js';
import { readFixture } from '../testing/read-fixture.js';
import { recordedVisits } from '../testing/recorded-visits.js';
import { replay } from '../visit/index.js';
import { DOG_KINDS, FACTS, reason, type RuleId, RULES, type Saying, saying, ZONE_IDS } from '../words/index.js';
import { ENGLISH } from './en/index.js';
import { heading, inBoth, LABELS_OF, type Language, list, say, sayingSource, within } from './index.js';

/** Every key of a value, as paths. */
function keysOf(value: unknown, at = ''): string[] {
  if (typeof value !== 'object' || value === null) return [at];
  return Object.entries(value).flatMap(([k, v]) => keysOf(v, `${at}.${k}`));
}
/** Facts of every kind, so that any rule can be said. */
const SOME: Readonly<Record<string, unknown>> = {
  number: 3,
  signed: -2,
  weeks: 6,
  days: 1,
  months: 4,
  duration: 'P11W',
  day: '2026-11-28',
  month: 5,
  size: [12, 8],
  text: 'Ωμ',
  blade: '10',
  guard: '1',
};
function someFacts(rule: RuleId): Saying {
  const facts = Object.fromEntries(
    RULES[rule].facts.map((f) => {
      const name = f.replace('?', '') as keyof typeof FACTS;
      const kind: string = FACTS[name];
      if (kind in SOME) return [name, SOME[kind]];
      if (kind === 'saying') return [name, saying('what.bath', {})];
      if (kind === 'sayings') return [name, [saying('what.bath', {}), saying('what.zone', { zone: 'back' })]];
      const alias: Readonly<Record<string, string>> = LABELS_OF;
      const table = Object.keys(ENGLISH.labels[(alias[kind] ?? kind) as keyof Language['labels']]);
      const first = kind === 'hazard' ? 'nick' : table[0];
      return [name, alias[kind] && kind !== 'hazard' ? [first, table[1]] : first];
    }),
  );
  return { rule, facts };
}

describe('English', () => {
  it('has a sentence and a source for every rule, and each names the facts of its rule', () => {
    expect(RULE_IDS.length).toBeGreaterThan(550);
    expect(Object.keys(ENGLISH.sentences).sort()).toEqual([...RULE_IDS].sort());
    expect(findWordingFaults(ENGLISH)).toEqual([]);
  });
  it('says every rule whole, begun with a capital and without a fact left open', () => {
    for (const rule of RULE_IDS) {
      const said = say(ENGLISH, someFacts(rule));
      expect(said)
        .withContext(rule)
        .not.toMatch(/…|\{|undefined|\[object|  /);
      expect(said)
        .withContext(rule)
        .toMatch(/^[^a-z]/);
      if (!/^(what|if)\./.test(rule) && !/\}$/.test(ENGLISH.sentences[rule]))
        expect(said)
          .withContext(rule)
          .toMatch(/[.?!)]$/);
    }
  });
  it('says nothing twice: no two rules have the same sentence', () => {
    const by = new Map<string, string>();
    for (const rule of RULE_IDS.filter((r) => !r.startsWith('what.'))) {
      const sentence = ENGLISH.sentences[rule];
      expect(by.get(sentence))
        .withContext(`${rule} and ${by.get(sentence) ?? ''}`)
        .toBeUndefined();
      by.set(sentence, rule);
    }
  });
  it('has one and many right', () => {
    expect(say(ENGLISH, reason('kind.lumps', { count: 1 }))).toBe('1 mark on the map today.');
    expect(say(ENGLISH, reason('kind.lumps', { count: 2 }))).toBe('2 marks on the map today.');
    expect(say(ENGLISH, reason('next.nails', { weeks: 1 }))).toBe('Nails grow back in 1 week.');
    expect(say(ENGLISH, reason('told.worked', { minutes: 60, break_minutes: 5, count: 1 }))).toBe(
      'The visit took 60 min, 5 min of them in 1 break.',
    );
    expect(say(ENGLISH, reason('tool.not_in_this_zone', { tool: 'rake', zone: 'nose' }))).toBe(
      'There is no work for an undercoat rake on the nose leather.',
    );
  });
  it('says what may be missing in other words', () => {
    expect(say(ENGLISH, reason('told.incident', { incident: 'nick', text: '09:10' }))).toBe('Nick at 09:10: how bad it is was not said.');
    expect(say(ENGLISH, reason('told.incident', { incident: 'nick', harm: 'mild', zone: 'belly', text: '09:10' }))).toBe(
      'Nick at 09:10, belly: mild: heals by itself.',
    );
    expect(say(ENGLISH, reason('fit.heat_caution', { celsius: 23, factors: [] }))).toContain('23 °C and any dog');
  });
  it('writes numbers short: one decimal, two digits that count below one', () => {
    const mm = (x: number): string => say(ENGLISH, reason('blade.default', { blade: '10', mm: x }));
    expect([mm(1.5), mm(2), mm(12.34), mm(1234.56), mm(0.0456), mm(0)].map((s) => / (\S+) mm/.exec(s)?.[1])).toEqual([
      '1.5',
      '2',
      '12.3',
      '1234.6',
      '0.046',
      '0',
    ]);
    expect(say(ENGLISH, saying('if.dose', { dose_more: -12 }))).toBe('Dose −12 point-minutes');
  });
  it('gives a length of coat in both units, the inch as rulers have it (1 in = 25.4 mm)', () => {
    const both = [0.2, 1.5, 3, 6, 9, 13, 25.4, 38].map((mm) => inBoth(ENGLISH, mm));
    expect(both).toEqual([
      '0.2 mm (1/32 in)',
      '1.5 mm (1/16 in)',
      '3 mm (1/8 in)',
      '6 mm (1/4 in)',
      '9 mm (3/8 in)',
      '13 mm (1/2 in)',
      '25.4 mm (1 in)',
      '38 mm (1 1/2 in)',
    ]);
  });
  it('names every zone, with and without its side', () => {
    expect(Object.keys(ENGLISH.labels.zone).sort()).toEqual([...ZONE_IDS].sort());
    expect([ENGLISH.labels.zone.armpit_left, ENGLISH.forms.zone.part.armpit_left]).toEqual(['left armpit', 'armpit']);
    expect(heading(ENGLISH, 'step', 'clip_off_body')).toBe('Clip the matted coat off the body');
    expect(list(ENGLISH, ['a', 'b', 'c'])).toBe('a, b, c');
  });
  it('shows a fact that it was not given as …, an id that it does not know as it is, and a weight outside 0 to 1 is refused', () => {
    const bare = { rule: 'blade.default', facts: { mm: 1 } } as const;
    expect(say(ENGLISH, bare)).toContain('…');
    expect(within(ENGLISH, { rule: 'what.zone', facts: { zone: 'antler' as never } })).toBe('the antler');
    expect(() => reason('blade.none_left', { zone: 'back' }, 1.1)).toThrowError(RangeError);
    expect(() => reason('blade.none_left', { zone: 'back' }, -0.1)).toThrowError(RangeError);
    expect(sayingSource(ENGLISH, reason('blade.none_left', { zone: 'back' }))).toBe('common practice, no source');
  });
});

describe('a second language', () => {
  const other = pseudoLanguage(ENGLISH);
  /** Letters of English that are no unit, number, blade or name. */
  const english = (text: string): string | null => /[a-z]{3,}/i.exec(text.replaceAll(/#\S+|\b(?:mm|cm|kg|min|μμ)\b/g, ''))?.[0] ?? null;

  it('is one object with the same keys and facts', () => {
    expect(keysOf(other).sort()).toEqual(keysOf(ENGLISH).sort());
    expect(findWordingFaults(other)).toEqual([]);
  });
  it('says every rule with nothing of English left', () => {
    for (const rule of RULE_IDS)
      expect(english(say(other, someFacts(rule))))
        .withContext(`${rule}: ${say(other, someFacts(rule))}`)
        .toBeNull();
  });
  it('says plans, agreements and hand-backs of the demo’s dogs with nothing of English left', () => {
    for (const { input: kept } of recordedVisits().slice(0, 10)) {
      const input = { ...kept, dog: { ...kept.dog, name: 'Ωμ' } };
      const plan = makePlan(input);
      const all: readonly Saying[] = [
        ...plan.reasons,
        ...plan.standing.reasons,
        ...plan.kinds.map((k) => k.because),
        ...plan.steps.flatMap((s) => [
          ...s.cautions,
          ...s.reasons,
          ...s.whyHere,
          ...s.hold.reasons,
          ...s.hold.rejected.map((r) => r.because),
        ]),
        ...plan.steps.flatMap((s) => (s.blade?.rejected ?? []).map((r) => r.because)),
        ...plan.notToday.flatMap((n) => [n.what, ...n.reasons]),
        ...plan.register.flatMap((r) => r.reasons),
        ...proposeAgreement(plan, input, 90).possible,
        ...DOG_KINDS.flatMap(whatKindChanges),
      ];
      for (const s of all)
        expect(english(say(other, s)))
          .withContext(`${s.rule}: ${say(other, s)}`)
          .toBeNull();
    }
    const logs = readFixture('log/fixtures/logs-v1.json.gz') as readonly { visitId: string; events: readonly unknown[] }[];
    for (const log of logs) {
      const events = log.events.flatMap((raw) => {
        const read = readEvent(raw);
        return read.ok ? [read.event] : [];
      });
      const state = replay(log.visitId, events);
      // What people wrote, and what version 1 kept as a sentence alone, is not translated.
      const told = accountInEnglish(state, { ...aDog(), name: 'Ωμ' })
        .flatMap((l) => l.says)
        .filter((s) => !/told\.(left|vet|within|incident|near_miss|stopped|not_today|skipped|why_written)/.test(s.rule));
      for (const s of told)
        expect(english(say(other, s)))
          .withContext(`${s.rule}: ${say(other, s)}`)
          .toBeNull();
    }
  });
});
