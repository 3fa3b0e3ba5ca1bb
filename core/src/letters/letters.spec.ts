import { LETTER } from '../contract/index.js';
import { ENGLISH } from '../locales/en/index.js';
import type { EventDraft } from '../log/index.js';
import { EMPTY_DOG } from '../knowledge/dogs/index.js';
import { BOOKED, eventsOf, SPEC_STAFF, VISIT } from '../testing/visit-events.js';
import { replay } from '../visit/index.js';
import { incidentReport, type LetterFacts, vetLetter } from './index.js';

const ID = '01900000-0000-7000-8000-0000000000aa';
const MARK = '01900000-0000-7000-8000-0000000000bb';
const mark = { markId: MARK, zone: 'back', border: 'regular', surface: 'smooth' } as const;

function facts(...more: readonly EventDraft[]): LetterFacts {
  const all: readonly EventDraft[] = [
    BOOKED,
    { type: 'mark_felt', body: { ...mark, lengthMm: 8, widthMm: 6, isNew: false } },
    { type: 'part_looked', body: { part: 'ears', finding: 'foul' } },
    { type: 'part_looked', body: { part: 'eyes', finding: 'clear' } },
    { type: 'zone_felt', body: { zone: 'belly', comb: 'fine_passes', lift: null, skin: 'sore', crust: false } },
    { type: 'work_started', body: {} },
    { type: 'incident', body: { incidentId: ID, kind: 'bite_or_scratch_person', harm: 'mild', zone: null, what: 'At the tub' } },
    ...more,
  ];
  return {
    state: replay(VISIT, eventsOf(all.map((d): [number, EventDraft] => [1, d]))),
    file: {
      dogId: VISIT,
      version: 1,
      dog: { ...EMPTY_DOG, name: 'Moss', born: '2020-01-01', weightKg: 18 },
      owner: { ownerId: VISIT, version: 1, name: 'Ines Roe', phone: '0550 1', email: '', contacts: [] },
      archived: false,
      mergedInto: null,
      merged: [],
      weights: [],
      vetSeen: [],
      photos: [],
      notes: [],
      visits: [],
      marks: [{ ...mark, visitId: ID, seenOn: '2026-09-02', lengthMm: 6, widthMm: 6 }],
    },
    salon: { name: 'Tidewrack', vetName: 'Practice', vetPhone: '0550 9', timeZone: 'UTC' },
    staff: [{ staffId: SPEC_STAFF, name: 'Imke Aldous' }],
    language: ENGLISH,
    today: '2026-11-25',
  };
}
const textOf = (letter: ReturnType<typeof vetLetter>): string => JSON.stringify(letter);

describe('a letter to a vet', () => {
  const letter = vetLetter(facts());
  it('has the shape that is published', () => expect(LETTER.safeParse(letter).success).toBeTrue());
  it('says what was seen and felt, and nothing of what is well', () => {
    const text = textOf(letter);
    for (const part of ['ears: black or foul', 'belly: sore', 'Bite or scratch to a person']) expect(text).toContain(part);
    expect(text).not.toContain('eyes');
  });
  it('gives each mark all its sizes and its change as measured', () => {
    expect(letter.marks[0]?.seen.map((s) => s.lengthMm)).toEqual([6, 8]);
    expect(letter.marks[0]?.growth).toBe('2 mm longer than 12 weeks before, as measured');
  });
  it('names no illness, no cause and no drug', () =>
    expect(textOf(letter)).not.toMatch(/diagnos|tumou?r|allerg|antibiotic|otitis|cortis|mg\b/i));
});

describe('a report of an incident', () => {
  const told: readonly EventDraft[] = [
    {
      type: 'incident_more',
      body: { incidentId: ID, bite: 2, factors: ['moved'], prevented: 'Wet the feet last.', action: 'Two at the tub.', actionBy: 'Imke' },
    },
    { type: 'owner_told', body: { incidentId: ID, name: 'Ines Roe', how: 'by_phone', said: 'All of it.' } },
  ];
  const report = (...more: readonly EventDraft[]): string => {
    const f = facts(...more);
    const [incident] = f.state.incidents;
    return incident ? textOf(incidentReport(f, incident)) : '';
  };
  it('cites the classes that it uses, and says what played a part and what is changed', () => {
    const text = report(...told);
    for (const part of [
      'WHO International Classification for Patient Safety',
      'Bite level 2: teeth touched, no puncture (assessment of bites by I. Dunbar).',
      'The dog moved suddenly',
      'Wet the feet last.',
      'Two at the tub, Imke',
      'Ines Roe was told by phone by Imke Aldous',
    ])
      expect(text).toContain(part);
  });
  it('keeps who added what, and says what is still open', () => {
    expect(report(...told)).toContain('Imke Aldous added, 25 November 2026');
    expect(report()).toContain('Not told yet.');
  });
});
