/** The little of jStat that the specs read; it ships no types. */
declare module 'jstat' {
  const jStat: {
    readonly gamma: { inv(p: number, shape: number, scale: number): number };
    readonly beta: { cdf(x: number, a: number, b: number): number };
  };
  export default jStat;
}
