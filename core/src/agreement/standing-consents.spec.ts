import { houseRules } from '../knowledge/house-rules/index.js';
import type { VisitSummary } from '../visit/index.js';
import { CONSENT_TEXT_VERSION, standingConsents } from './index.js';

type Past = Pick<VisitSummary, 'on' | 'consents'>;
type Given = NonNullable<Past['consents']>[number];
const given = (id: Given['id'], change: Partial<Given> = {}): Given => ({
  id,
  agreed: true,
  name: 'Perpetua Glain',
  textVersion: CONSENT_TEXT_VERSION,
  ...change,
});
const visit = (on: string, ...consents: Given[]): Past => ({ on, consents });
const hold = (past: readonly Past[], rule: 'each_visit' | 'half_a_year' | 'a_year' = 'half_a_year'): string[] =>
  standingConsents(past, '2026-11-29', houseRules({ consentsHold: rule })).map((c) => `${c.id} ${c.on} ${c.until}`);

describe('standingConsents', () => {
  it('hold for the time that the salon has set, to the day', () => {
    const past = [visit('2026-06-01', given('vet_emergency')), visit('2026-03-01', given('photographs'))];
    expect(hold(past, 'each_visit')).toEqual([]);
    expect(hold(past)).toEqual(['vet_emergency 2026-06-01 2026-11-30']);
    expect(hold(past, 'a_year')).toEqual(['vet_emergency 2026-06-01 2027-06-01', 'photographs 2026-03-01 2027-03-01']);
    expect(hold([visit('2026-05-31', given('muzzle'))])).toEqual(['muzzle 2026-05-31 2026-11-29']);
    expect(hold([visit('2026-05-30', given('muzzle'))])).toEqual([]);
  });
  it('end with a refusal, and begin anew with the next yes', () => {
    const yes = visit('2026-10-01', given('muzzle'));
    const no = visit('2026-10-20', given('muzzle', { agreed: false }));
    expect(hold([yes, no])).toEqual([]);
    const sameDay = visit('2026-10-01', given('muzzle', { agreed: false }));
    expect([hold([yes, sameDay]), hold([sameDay, yes])]).toEqual([[], []]);
    expect(hold([yes, no, visit('2026-11-01', given('muzzle'))])).toEqual(['muzzle 2026-11-01 2027-05-02']);
  });
  it('are none for other words than those asked now, nor for a coat that was clipped close', () => {
    expect(hold([visit('2026-11-01', given('muzzle', { textVersion: '2025-1' }))])).toEqual([]);
    expect(hold([visit('2026-11-01', given('close_clip'), given('clip_off'))], 'a_year')).toEqual([]);
  });
  it('are none where an earlier version wrote no answers down', () => expect(hold([{ on: '2026-11-01' }, { on: null }])).toEqual([]));
});
