/** Placeholder until measured. */
export function bench(): Promise<void> {
  return Promise.resolve();
}
