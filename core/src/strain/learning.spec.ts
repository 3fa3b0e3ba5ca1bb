import { firstWatch, noiseOrPlace, type SeenWork, suspectTriggers } from './index.js';

const work = (change: Partial<SeenWork>): SeenWork => ({
  activity: 'nails',
  group: 'feet',
  tool: 'nail_tool',
  posture: 'leg_lifted',
  minutes: 10,
  points: 20,
  ...change,
});
describe('noiseOrPlace', () => {
  const calm = (change: Partial<SeenWork>): SeenWork => work({ minutes: 30, points: 15, ...change });
  const upset = (change: Partial<SeenWork>): SeenWork => work({ minutes: 15, points: 75, ...change });
  const back = calm({ tool: 'brush', group: 'body' });

  it('is the place when shears upset it there as much as clippers', () => {
    const a = noiseOrPlace('clipper', 'face', [
      upset({ tool: 'clipper', group: 'face' }),
      upset({ tool: 'shears', group: 'face' }),
      calm({ tool: 'clipper', group: 'body' }),
      back,
    ]);
    expect(a.verdict).toBe('place');
    expect(a.placeChance).toBeGreaterThan(0.99);
    expect(a.toolChance).toBeLessThan(0.5);
  });
  it('is the tool when it upsets everywhere', () => {
    const a = noiseOrPlace('clipper', 'face', [
      upset({ tool: 'clipper', group: 'face' }),
      calm({ tool: 'shears', group: 'face' }),
      upset({ tool: 'clipper', group: 'body' }),
      back,
    ]);
    expect(a.verdict).toBe('tool');
  });
  it('can be both, neither, or only the two together', () => {
    const seen = (together: SeenWork, place: SeenWork, tool: SeenWork): SeenWork[] => [together, place, tool, back];
    const at = { tool: 'clipper', group: 'face' } as const;
    const shears = { tool: 'shears', group: 'face' } as const;
    const body = { tool: 'clipper', group: 'body' } as const;
    expect(noiseOrPlace('clipper', 'face', seen(upset(at), upset(shears), upset(body))).verdict).toBe('both');
    expect(noiseOrPlace('clipper', 'face', seen(calm(at), calm(shears), calm(body))).verdict).toBe('neither');
    expect(noiseOrPlace('clipper', 'face', seen(upset(at), calm(shears), calm(body))).verdict).toBe('only_together');
  });
  it('says that it does not know while a side was not seen for 5 min', () => {
    const a = noiseOrPlace('clipper', 'face', [
      upset({ tool: 'clipper', group: 'face' }),
      upset({ tool: 'shears', group: 'face', minutes: 4.9 }),
      back,
    ]);
    expect(a.verdict).toBe('not_enough');
    expect(a.placeChance).toBeUndefined();
    expect(a.reasons[0]!.rule).toBe('trigger.not_enough');
  });
  it('needs the place, the tool and the rest, each for 5 min, and counts each work on its own side only', () => {
    const at = upset({ tool: 'clipper', group: 'face' });
    const place = upset({ tool: 'shears', group: 'face' });
    const tool = calm({ tool: 'clipper', group: 'body' });
    const verdict = (...seen: SeenWork[]): string => noiseOrPlace('clipper', 'face', seen).verdict;
    expect(verdict(at, place, back)).toBe('not_enough');
    expect(verdict(at, tool, back)).toBe('not_enough');
    expect(verdict(at, place, tool)).toBe('not_enough');
    const exact = (s: SeenWork): SeenWork => ({ ...s, minutes: 5, points: s.points });
    expect(verdict(exact(at), exact(place), { ...tool, minutes: 5, points: 2 }, { ...back, minutes: 5, points: 2 })).toBe('place');
    const a = noiseOrPlace('clipper', 'face', [at, place, tool, back]);
    // In bursts of eight: Gamma(9.875, 2.375) against 1.5 × Gamma(2.375, 4.25): the place alone, whatever was seen of clippers in the face.
    expect(a.placeChance).toBe(noiseOrPlace('clipper', 'face', [{ ...at, points: 0 }, place, tool, back]).placeChance);
    expect(a.togetherChance).toBe(
      noiseOrPlace('clipper', 'face', [at, { ...place, points: 0 }, { ...tool, points: 90 }, back]).togetherChance,
    );
    expect(a.reasons[0]!.facts['percent']).toBe(99);
    expect(a.reasons[0]!.weight).toBe(0.8);
  });
  it('finds cells that stand out, with tool, place and posture, the surest first', () => {
    const found = suspectTriggers([
      back,
      calm({ tool: 'dryer', group: 'body' }),
      upset({ tool: 'nail_tool', group: 'feet', posture: 'leg_lifted', points: 240 }),
      upset({ tool: 'clipper', group: 'face', posture: 'head_held', minutes: 20, points: 400 }),
      upset({ tool: 'shears', group: 'rear', minutes: 2, points: 40 }),
    ]);
    expect(found.map((f) => `${f.tool} ${f.group} ${f.posture}`)).toEqual(['clipper face head_held', 'nail_tool feet leg_lifted']);
    expect(found[0]!.chance).toBeGreaterThanOrEqual(found[1]!.chance);
    expect(suspectTriggers([back])).toEqual([]);
    expect([found[0]!.minutes, found[0]!.points]).toEqual([20, 400]);
    expect(suspectTriggers([{ ...back, minutes: 5, points: 2 }, upset({ tool: 'nail_tool', minutes: 5, points: 80 })]).length).toBe(1);
    expect(suspectTriggers([{ ...back, minutes: 4.9, points: 2 }, upset({ tool: 'nail_tool', minutes: 5, points: 80 })])).toEqual([]);
  });
});

describe('firstWatch', () => {
  const spell = (minutes: number, reachedWatch: boolean, activity = 'face') => ({ activity, minutes, reachedWatch });
  it('calls few spells few', () => {
    const w = firstWatch('face', [spell(3, true), spell(5, false)]);
    expect([w.spells, w.reached]).toEqual([2, 1]);
    expect(w.reasons[0]!.rule).toBe('watch.few');
  });
  it('counts finished without trouble as censored, of its own activity alone', () => {
    const w = firstWatch('face', [
      spell(4, true),
      spell(6, true),
      spell(6, false),
      spell(9, true),
      spell(12, false),
      spell(1, true, 'nails'),
    ]);
    expect(w.steps.map((s) => [s.time, s.atRisk])).toEqual([
      [4, 5],
      [6, 4],
      [9, 2],
    ]);
    expect(w.medianMinutes).toBe(9);
    expect(w.reasons[0]!.rule).toBe('watch.median');
  });
  it('says when it mostly stayed settled', () => {
    const w = firstWatch(
      'bath',
      [1, 2, 3, 4, 5].map((m) => spell(m, false, 'bath')),
    );
    expect(w.medianMinutes).toBeUndefined();
    expect(w.meanMinutes).toBe(5);
    expect(w.reasons[0]!.rule).toBe('watch.mostly_settled');
  });
});
