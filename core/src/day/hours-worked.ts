/** What the second pair of hands bears of a stretch. Our default. */
export const HELPER_SHARE = 0.5;
const HOUR = 60;

/** Minutes that people work in a day, at least one, so that nobody's share is divided by nothing. */
export const hoursOf = (works: readonly { readonly from: number; readonly to: number }[]): number =>
  Math.max(
    1,
    works.reduce((sum, w) => sum + w.to - w.from, 0),
  ) / HOUR;
