const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/CrOS/, 'Chromebook'],
  [/Macintosh/, 'Mac'],
  [/Windows/, 'Windows'],
  [/Linux/, 'Linux'],
];
/** In this order: each names those after it as well. */
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];

/** A browser and its machine, from what it says of itself. `deviceOf('') // => 'a browser'` */
export function deviceOf(agent: string): string {
  const of = (known: typeof SYSTEMS): string | undefined => known.find(([is]) => is.test(agent))?.[1];
  const [browser, system] = [of(BROWSERS), of(SYSTEMS)];
  if (!browser && !system) return $localize`:@@device.some:a browser`;
  if (!browser || !system) return browser ?? system ?? '';
  return $localize`:@@device.on:${browser}:browser: on ${system}:system:`;
}
