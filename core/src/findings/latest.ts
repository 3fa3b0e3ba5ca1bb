/**
 * The latest word counts: a list with one entry more, in which what was said of the same thing before gives way. The new entry stands last.
 * @param entries what was said, one entry a thing
 * @param about names the thing that an entry is about
 * @example withLatest([{ zone: 'rump', grade: 1 }, { zone: 'chest', grade: 2 }], { zone: 'rump', grade: 3 }, (z) => z.zone).map((z) => z.grade) // => [2, 3]
 */
export function withLatest<T>(entries: readonly T[], entry: T, about: (entry: T) => string): T[] {
  return [...entries.filter((e) => about(e) !== about(entry)), entry];
}
