/** The little of jStat that the specs read; it ships no types. */
declare module 'jstat' {
  const jstat: {
    readonly gamma: { inv(p: number, shape: number, scale: number): number; cdf(x: number, shape: number, scale: number): number };
    readonly beta: { cdf(x: number, a: number, b: number): number };
    readonly normal: { cdf(x: number, mean: number, deviation: number): number };
  };
  export default jstat;
}
