import { ENGLISH } from '../../locales/en/index.js';
import { termOf } from '../../locales/index.js';
import { SHEARS, TOOL_KINDS, ZONE_IDS, type ZoneId } from '../../words/index.js';
import { partOf, permittedTools, zoneFacts, type ZoneHandling, zoneHandling } from './index.js';

// Common practice, no source.
describe('zoneHandling', () => {
  const FACTS: readonly (readonly [ZoneId, Partial<ZoneHandling>])[] = [
    ['anus', { stroke: 'sideways_and_down', shearsDegrees: undefined }],
    ['tuck_up_left', { stroke: 'inside_out', shearsDegrees: undefined }],
    ['armpit_right', { stroke: 'inside_out' }],
    ['groin_left', { stroke: 'outwards' }],
    ['eye_left', { stroke: 'away_from_eye', tension: 'stretch', guardFinger: 'finger_over_it', shearsDegrees: 45 }],
    ['stop', { stroke: 'away_from_eye', tension: 'stretch' }],
    ['bridge', { stroke: 'away_from_eye' }],
    ['lips', { tension: 'stretch', guardFinger: 'thumb_before_tongue' }],
    ['chin', { guardFinger: 'thumb_before_tongue' }],
    ['ear_leather_left', { stroke: 'along_the_edge', guardFinger: 'thumb_on_edge' }],
    ['sanitary', { tension: 'draw_forward', guardFinger: 'finger_over_it' }],
    ['belly', { guardFinger: 'finger_over_it', bladeDegrees: 0 }],
    ['throat', { tension: 'stretch' }],
    ['fore_paw_left', { stroke: 'scoop', tension: 'spread' }],
    ['hind_paw_right', { stroke: 'scoop', tension: 'spread' }],
    ['carpal_left', { stroke: 'round_it', guardFinger: 'finger_behind_it' }],
    ['dewclaw_right', { stroke: 'round_it', guardFinger: 'finger_behind_it' }],
    ['foreleg_left', { stroke: 'with_grain', guardFinger: 'finger_behind_it' }],
    ['tail', { guardFinger: 'finger_behind_it', stroke: 'with_grain' }],
    ['back', { stroke: 'with_grain', tension: 'steady', guardFinger: 'none', bladeDegrees: 0, shearsDegrees: 45 }],
    ['nose', { stroke: 'none', tension: 'let_hang' }],
    ['wrinkles', { stroke: 'none' }],
    ['fore_nails_left', { stroke: 'none', tension: 'let_hang' }],
  ];
  for (const [zone, expected] of FACTS) it(`of ${zone}`, () => expect(zoneHandling(zone)).toEqual(jasmine.objectContaining(expected)));

  it('has an angle for shears exactly where some shears may come', () => {
    for (const zone of ZONE_IDS) {
      const some = SHEARS.some((t) => permittedTools(zone).includes(t));
      expect(zoneHandling(zone).shearsDegrees)
        .withContext(zone)
        .toBe(some ? 45 : undefined);
      expect(some).withContext(zone).toBe(!zoneFacts(zone).noShears);
    }
  });

  it('parts the tools of a zone into permitted and forbidden, and leaves some', () => {
    for (const zone of ZONE_IDS) {
      expect([...permittedTools(zone), ...zoneHandling(zone).forbids].sort()).toEqual([...TOOL_KINDS].sort());
      expect(permittedTools(zone).length).withContext(zone).toBeGreaterThan(0);
    }
  });

  it('keeps nail tools to nails and dewclaws, ear tools to the canal, blowing off the face', () => {
    for (const zone of ZONE_IDS) {
      const permitted = permittedTools(zone);
      expect(permitted.includes('nail_clipper'))
        .withContext(zone)
        .toBe(['fore_nails', 'hind_nails', 'dewclaw'].includes(partOf(zone)));
      expect(permitted.includes('forceps'))
        .withContext(zone)
        .toBe(partOf(zone) === 'ear_canal');
      const nails = partOf(zone).endsWith('nails');
      expect(permitted.includes('high_velocity_dryer'))
        .withContext(zone)
        .toBe(!['face', 'ears'].includes(zoneFacts(zone).group) && !nails);
    }
  });

  it('lets no splitter into ears, armpits, groin, tuck-up or folds, and no rake into them either', () => {
    for (const zone of ['ear_base_left', 'ear_leather_right', 'armpit_left', 'groin_right', 'tuck_up_left', 'lips', 'anus'] as const) {
      expect(permittedTools(zone)).not.toContain('mat_splitter');
      expect(permittedTools(zone)).not.toContain('rake');
    }
    expect(permittedTools('side_left')).toContain('mat_splitter');
    expect(permittedTools('side_left')).toContain('rake');
    expect(permittedTools('throat')).not.toContain('rake');
  });

  it('keeps brushes off eyes, nostrils and the canal', () => {
    expect(permittedTools('eye_left')).not.toContain('slicker');
    expect(permittedTools('eye_left')).toContain('fine_comb');
    expect(permittedTools('nose')).not.toContain('clipper');
    expect(permittedTools('ear_canal_left')).not.toContain('fine_comb');
  });
});

describe('terms', () => {
  it('find the flank fold by any of its names', () => {
    for (const name of ['tuck-up', 'Flank fold', ' flank flap ', 'STIFLE FLAP']) expect(termOf(ENGLISH, name)?.part).toBe('tuck_up');
  });
  it('know nothing of other words', () => expect(termOf(ENGLISH, 'engine')).toBeUndefined());
  it('use no word for two things', () => {
    const words = ENGLISH.terms.flatMap((t) => [t.word, ...t.also]).map((w) => w.toLowerCase());
    expect(new Set(words).size).toBe(words.length);
    for (const t of ENGLISH.terms) expect(t.means.length).withContext(t.word).toBeGreaterThan(20);
  });
});
