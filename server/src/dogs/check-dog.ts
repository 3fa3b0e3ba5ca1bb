import { birthDateProblem, type DogForm } from '@mansuet/core/knowledge/dogs';
import { lifeStage, weightQuestion } from '@mansuet/core/knowledge/dogs';
import { done, type Outcome, refused, refusedField } from '@mansuet/core/words';

/** Refuses what cannot be, and asks back about what may be a slip. */
export function checkDog(
  dog: Pick<DogForm, 'born' | 'weightKg' | 'size' | 'build'>,
  today: string,
  beforeKg: number | undefined,
  sure: readonly string[],
): Outcome<undefined> {
  const born = birthDateProblem(dog.born, today);
  if (born) return refusedField('dog.born', born);
  const grown = lifeStage(dog, today) !== 'puppy';
  const question = sure.includes('dog.weightKg') ? undefined : weightQuestion(dog, beforeKg, grown);
  return question ? refused('ask_back', undefined, [{ path: 'dog.weightKg', says: question }]) : done(undefined);
}
