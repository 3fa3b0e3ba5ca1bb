import fc from 'fast-check';
import { aBladeQuestion } from '../../testing/blade-questions.js';
import { anyHouse } from '../../testing/random-dogs.js';
import { CLEANLINESS, COATS, COMPETENCES, MAT_GRADES, MOVEMENTS, ZONE_IDS } from '../../words/index.js';
import { BLADES, type BladeChoice, type BladeQuestion, chooseBlade } from './index.js';

const anyQuestion: fc.Arbitrary<BladeQuestion> = fc
  .record({
    zone: fc.constantFrom(...ZONE_IDS),
    matGrade: fc.constantFrom(...MAT_GRADES),
    skinKnown: fc.boolean(),
    coat: fc.constantFrom(...COATS),
    wantedMm: fc.constantFrom(0.5, 1.2, 1.5, 3, 6, 9, 13, 20),
    cleanliness: fc.constantFrom(...CLEANLINESS),
    movement: fc.constantFrom(...MOVEMENTS),
    competence: fc.constantFrom(...COMPETENCES),
    house: anyHouse,
    drawer: fc.subarray([...BLADES], { minLength: 1 }),
  })
  // A guard is no bare blade: where it may not go on, the longest bare one comes after it.
  .map((q) => aBladeQuestion({ ...q, guards: [] }));

/** Millimetres that are left by the closest pass; nothing cut leaves everything. */
const left = (c: BladeChoice): number => (c.blade === undefined ? Infinity : c.lengthMm);

// Common practice, no source: what makes skin more delicate never gives a closer blade; the grade of the mat itself is exempt.
describe('a blade that is never closer for it, where no mat decides', () => {
  const HARDER: readonly (readonly [string, Partial<BladeQuestion>])[] = [
    ['burned here before', { burnedHere: true }],
    ['thin skin', { thinSkin: true }],
    ['red skin', { skin: 'red' }],
    ['sore skin', { skin: 'sore' }],
    ['a mark lies here', { markHere: true }],
    ['skin that nobody knows', { skinKnown: false }],
    ['overgrown', { overgrown: true }],
    ['a face to be careful with', { faceCare: true }],
    ['a dog that shifts', { movement: 'shifts' }],
    ['a dog that jerks', { movement: 'jerks' }],
  ];
  for (const [name, harder] of HARDER)
    it(name, () =>
      fc.assert(
        fc.property(anyQuestion, (q) => {
          if (q.matGrade >= 2 || (harder.movement !== undefined && q.movement !== 'still')) return;
          const before = chooseBlade(q);
          const now = chooseBlade({ ...q, ...harder });
          expect(left(now))
            .withContext(JSON.stringify({ ...q, drawer: q.drawer.map((b) => b.id), house: 0 }))
            .toBeGreaterThanOrEqual(left(before));
        }),
        { numRuns: 1500 },
      ),
    );
});
