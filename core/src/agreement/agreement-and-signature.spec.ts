import { dogKinds } from '../knowledge/dogs/index.js';
import { ENGLISH } from '../locales/en/index.js';
import { consentText } from '../locales/index.js';
import { SIGNATURE } from '../log/index.js';
import { compareWith, isWorthOffering, makePlan } from '../plan/index.js';
import { anInput, SPEC_DAY } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { type ZoneId, CONSENT_IDS } from '../words/index.js';
import { alternativesTo, CONSENT_TEXT_VERSION, isSigned, proposeAgreement, signaturePath } from './index.js';

const pad = (...strokes: number[][]) => ({ width: 300, height: 120, strokes });

describe('a signature', () => {
  it('is more than a slip of the finger', () => {
    expect(isSigned(undefined)).toBeFalse();
    expect(isSigned(pad([10, 10]))).toBeFalse();
    expect(isSigned(pad([10, 10, 20, 10], [40, 10, 50, 10]))).toBeFalse();
    expect(isSigned(pad([10, 10, 40, 10], [40, 10, 60, 10]))).toBeTrue();
  });
  it('draws as one path, dots included', () => {
    expect(signaturePath(pad([1, 2, 3, 4], [9, 9]))).toBe('M1 2L3 4M9 9l1 0');
  });
  it('has a size that a log can carry, and no place outside the pad', () => {
    expect(SIGNATURE.safeParse(pad([1, 2, 3, 4])).success).toBeTrue();
    for (const wrong of [
      pad(),
      pad([1]),
      pad([-1, 2]),
      pad([1.5, 2]),
      pad(Array.from({ length: 2002 }, () => 1)),
      { ...pad([1, 2]), width: 9 },
    ])
      expect(SIGNATURE.safeParse(wrong).success).withContext(JSON.stringify(wrong).slice(0, 60)).toBeFalse();
  });
});

describe('the words of a consent', () => {
  it('are found again by their version: a signature is worth the words it stands under', () => {
    for (const id of CONSENT_IDS) {
      expect(consentText(ENGLISH, id, CONSENT_TEXT_VERSION)?.length)
        .withContext(id)
        .toBeGreaterThan(20);
      expect(ENGLISH.labels.consent[id]).toBeTruthy();
    }
    expect(consentText(ENGLISH, 'muzzle', '1999-1')).toBeUndefined();
  });
});

describe('alternatives', () => {
  const mats = { zones: [{ zone: 'side_left' as const, matGrade: 2 as const, skin: 'sound' as const, crust: false }] };
  const input = anInput({ asked: { items: ['bath', 'body_clip', 'face', 'nails'], wantedMm: 13, sessionMinutes: 150 } }, {}, mats);
  const offered = alternativesTo(input, dogKinds(input.dog, input.feelOver, SPEC_DAY));

  it('are other wishes of the same visit, each with what it means', () => {
    expect(offered.map((a) => a.id)).toEqual(['shorter', 'with_helper', 'more_time', 'welfare_only']);
    for (const a of offered) {
      expect(sayReason(a.because)).not.toContain('…');
      expect(a.input.feelOver).toBe(input.feelOver);
    }
    expect(offered.find((a) => a.id === 'welfare_only')?.input.asked.items).toEqual(['nails']);
  });

  it('are not offered where they are what is asked for', () => {
    const plain = anInput({ helperThere: true, asked: { items: ['nails'], wantedMm: 3, sessionMinutes: 60 } });
    expect(alternativesTo(plain, []).map((a) => a.id)).toEqual(['more_time']);
  });

  it('are compared by what differs, and a plan that is the same is none', () => {
    const base = makePlan(input);
    const welfare = makePlan(offered.find((a) => a.id === 'welfare_only')!.input);
    const d = compareWith(base, welfare);
    expect(d.minutes).toBeLessThan(0);
    expect(d.less.includes('bath')).toBeTrue();
    expect(d.more).toEqual([]);
    expect(isWorthOffering(d)).toBeTrue();
    expect(compareWith(base, base)).toEqual({ minutes: 0, peak: 0, dose: 0, more: [], less: [] });
    expect(isWorthOffering(compareWith(base, base))).toBeFalse();
  });

  it('the agreement says where the wanted length cannot be promised, and how much can', () => {
    const tight = anInput({ asked: input.asked }, {}, { zones: [{ zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false }] });
    const says = proposeAgreement(makePlan(tight), tight, 90).possible.map(sayReason);
    expect(says).toContain('13 mm (1/2 in) was asked for; in left armpit no comb passes, so 1.5 mm (1/16 in) can be promised there.');
  });
});

const matted = anInput({}, {}, { zones: [{ zone: 'ear_leather_left', matGrade: 3, skin: 'sound', crust: false }] });
describe('proposeAgreement', () => {
  it('charges minutes for mats at the salon’s rate, and asks for the consents this plan needs', () => {
    const plan = makePlan(matted);
    const a = proposeAgreement(plan, matted, 90);
    expect(a.extraMinutes).toBeGreaterThan(0);
    expect(a.extraPriceMinor).toBe(a.extraMinutes * 90);
    expect(a.consents.filter((c) => c.required).map((c) => c.id)).toEqual(['close_clip', 'vet_emergency']);
  });
  it('says what the blades leave, place by place where it differs', () => {
    const tight = (zones: readonly ZoneId[]): string => {
      const input = anInput({}, {}, { zones: zones.map((zone) => ({ zone, matGrade: 3, skin: 'sound', crust: false })) });
      return proposeAgreement(makePlan(input), input, 90).possible.map(sayReason).join('\n');
    };
    expect(tight(['armpit_left', 'groin_left'])).toContain('clipped under: the coat there will be about 1.5 mm (1/16 in).');
    expect(tight(['armpit_left', 'hind_paw_left'])).toContain('about 1.5 mm (1/16 in) at left armpit.');
    expect(tight(['armpit_left', 'hind_paw_left'])).toMatch(/about 0\.\d+ mm \(1\/32 in\) at left hind paw/);
  });
  it('promises the length that the chosen blade or guard leaves, and each place where it differs', () => {
    const input = anInput(
      { asked: { items: ['body_clip'], wantedMm: 9, sessionMinutes: 120 } },
      { injuries: [{ kind: 'burn', zone: 'belly', on: null, here: true }] },
    );
    const plan = makePlan(input);
    const left = new Map(
      plan.steps.flatMap((s) => s.pieces.flatMap((p) => (s.activity === 'body_clip' ? [[p.place, p.blade?.lengthMm]] : []))),
    );
    const said = proposeAgreement(plan, input, 90).possible.flatMap((r) =>
      r.rule === 'agree.body_length' || r.rule === 'agree.body_length_there' ? [r.facts.mm] : [],
    );
    expect(left.size).toBeGreaterThan(5);
    expect(new Set(said)).toEqual(new Set(left.values()));
  });
  it('charges nothing for a dog without mats', () => expect(proposeAgreement(makePlan(anInput()), anInput(), 90).extraPriceMinor).toBe(0));
  it('refuses a negative rate', () => expect(() => proposeAgreement(makePlan(anInput()), anInput(), -1)).toThrowError(RangeError));
});
