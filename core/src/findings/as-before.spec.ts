import { changedZones, foundBefore, isLooked, type LastFound, NOTHING_FOUND, stiffBefore } from './index.js';

const mat = { zone: 'armpit_left', matGrade: 3, skin: 'red', crust: false } as const;
const mark = { markId: 'm', zone: 'armpit_left', lengthMm: 6, widthMm: 4, border: 'regular', surface: 'smooth', isNew: true } as const;
const last: LastFound = {
  on: '2026-10-01',
  feelOver: {
    ...NOTHING_FOUND,
    zones: [
      mat,
      { zone: 'foreleg_left', matGrade: 0, skin: 'sound', crust: false },
      { zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true },
    ],
    marks: [mark, { ...mark, markId: 'n', zone: 'tail' }],
    joints: { hip_left: 'stiff', hip_right: 'free' },
    favours: 'hind_left',
    looked: { eyes: 'crusted', anal: 'clean' },
  },
};

describe('what the hands found the last time', () => {
  it('is asked for in its own area, healthy places left out', () => {
    expect(foundBefore('forelegs', last)).toEqual([
      { kind: 'zone', zone: 'armpit_left', grade: 3, skin: 'red', crust: false, strangles: undefined },
      { kind: 'mark', markId: 'm', zone: 'armpit_left', lengthMm: 6, widthMm: 4 },
    ]);
    expect(foundBefore('rear', last).map((f) => f.kind)).toEqual(['mark']);
    const head = foundBefore('head', last);
    expect(head).toContain({ kind: 'looked', part: 'eyes', finding: 'crusted' });
    expect(head).toContain(jasmine.objectContaining({ kind: 'zone', zone: 'eye_left', crust: true }));
    expect(foundBefore('forelegs', undefined)).toEqual([]);
  });

  it('has changed where coat, skin or crust is otherwise, once a hand was there', () => {
    const now = { ...NOTHING_FOUND, zones: [{ ...mat, skin: 'sound' as const }] };
    expect(changedZones(now, new Set(), last)).toEqual(['armpit_left']);
    expect(changedZones({ ...now, zones: [mat] }, new Set(), last)).toEqual([]);
    expect(changedZones({ ...now, zones: [{ ...mat, matGrade: 1 }] }, new Set(), last)).toEqual(['armpit_left']);
    expect(changedZones({ ...now, zones: [{ ...mat, crust: true }] }, new Set(), last)).toEqual(['armpit_left']);
    // Felt and sound today: what was there is gone.
    expect(changedZones(NOTHING_FOUND, new Set(['forelegs']), last)).toEqual(['armpit_left']);
    expect(changedZones(NOTHING_FOUND, new Set(['rear']), last)).toEqual([]);
    expect(changedZones(now, new Set(['forelegs']), undefined)).toEqual([]);
  });

  it('names joints that were not free, and the leg it spared', () => {
    expect(stiffBefore(last)).toEqual({ joints: ['hip_left'], favours: 'hind_left' });
    expect(stiffBefore({ ...last, feelOver: { ...last.feelOver, favours: 'none' } }).favours).toBeUndefined();
    expect(stiffBefore(undefined)).toEqual({ joints: [], favours: undefined });
  });

  it('knows which finding belongs to which part', () => {
    expect([isLooked('ears', 'foul'), isLooked('ears', 'crusted'), isLooked('eyes', 'crusted')]).toEqual([true, false, true]);
  });
});
