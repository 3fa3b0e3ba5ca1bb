import { measureStrain, type StrainEntry } from '@mansuet/core/strain';
import { TestBed } from '@angular/core/testing';
import { Words } from '../wording/words.service';
import { adviceFor } from './advice';

const at = (entries: StrainEntry[], now: number) =>
  adviceFor(TestBed.inject(Words), measureStrain({ ...VISIT, entries }, now), { vetName: 'Port Ellery practice', vetPhone: '0550 9' });
/** Easy work on a dog that came settled. */
const VISIT = { stretches: [{ fromMinute: 0, toMinute: undefined, ratePerMinute: 0.3 }], start: 5, halfLifeMinutes: 6 };

describe('advice at the table', () => {
  it('is calm and keeps the protection on when the dog is settled', () =>
    expect(at([{ kind: 'signal', minute: 1, signal: 'soft_body' }], 2).head).toBe('Settled'));
  it('asks when nothing was entered for long', () => {
    const a = at([], 9);
    expect(a.head).toBe('Not observed');
    expect(a.says).toContain('9 min');
  });
  it('says pause at a growl and stop at the second hard sign, urgently', () => {
    const growl = (minute: number): StrainEntry => ({ kind: 'signal', minute, signal: 'growl' });
    expect(at([growl(1)], 2)).toEqual(jasmine.objectContaining({ head: 'Pause', urgent: true }));
    expect(at([growl(1), growl(2)], 3)).toEqual(jasmine.objectContaining({ head: 'Stop', urgent: true }));
  });
  it('says what a pause needs to count, and that minutes alone lower nothing', () => {
    const eye: StrainEntry = { kind: 'signal', minute: 1, signal: 'whale_eye' };
    const rest: StrainEntry = { kind: 'break_started', minute: 2 };
    expect(at([{ kind: 'signal', minute: 1, signal: 'growl' }], 2).says).toContain('5 min on, with a good sign');
    expect(at([eye], 2).says).toContain('minutes alone lower nothing');
    expect(at([eye, { ...eye, signal: 'lip_lick' }], 1.5).head).toBe('Watch');
    expect(at([eye, rest], 30).says).toContain('minutes alone lower nothing');
    expect(at([eye, rest, { kind: 'state_seen', minute: 20, mood: 'relaxed' }], 30).head).toBe('Settled');
  });
  it('reads "unclear" when signs have ceased without a good one, and asks', () => {
    const eye: StrainEntry = { kind: 'signal', minute: 1, signal: 'whale_eye' };
    expect(at([eye], 3).head).toBe('Watch');
    expect(at([eye], 5)).toEqual(jasmine.objectContaining({ head: 'Unclear', band: 'watch', urgent: false }));
    expect(at([eye, { kind: 'signal', minute: 4, signal: 'soft_body' }], 7).head).toBe('Settled');
  });
  it('names the vet and the number at a body alarm', () => {
    const a = at([{ kind: 'signal', minute: 1, signal: 'collapse' }], 2);
    expect(a.head).toBe('Vet now');
    expect(a.says).toContain('0550 9');
  });
});
