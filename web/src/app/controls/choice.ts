/** One thing that can be chosen. */
export interface Choice<T> {
  readonly value: T;
  readonly label: string;
  /** Said below the label, in a list. */
  readonly detail?: string;
  /** The whole name for who cannot see what stands round it. */
  readonly says?: string;
  readonly disabled?: boolean;
}

/** Choices of a closed set, in its order, by its labels. */
export function choicesOf<T extends string>(values: readonly T[], labels: Readonly<Record<T, string>>): readonly Choice<T>[] {
  return values.map((value) => ({ value, label: labels[value] }));
}

let made = 0;
/** An id that no other element of the page has. */
export const freshId = (of: string): string => `${of}-${++made}`;
