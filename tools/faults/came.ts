/** What was kept through a fault, and what of it was taken back. */
export interface Came {
  readonly entries: number;
  readonly voids: number;
}
