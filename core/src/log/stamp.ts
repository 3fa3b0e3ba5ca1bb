/**
 * A hybrid logical clock stamp (Kulkarni et al. 2014, "Logical Physical Clocks", OPODIS, from memory): wall time as far as it goes,
 * a counter where it does not, the device to break ties. A tablet with a wrong clock cannot put an effect before its cause.
 */
export interface Stamp {
  /** Unix time, ms: never behind what this device has seen. */
  readonly wallMs: number;
  readonly counter: number;
  readonly device: string;
}

/**
 * The stamp of a new event on a device.
 * @param last the latest stamp this device made or saw
 * @example nextStamp({ wallMs: 500, counter: 3, device: 'b' }, 400, 'a') // => { wallMs: 500, counter: 4, device: 'a' }
 */
export function nextStamp(last: Stamp | undefined, nowMs: number, device: string): Stamp {
  if (!last || nowMs > last.wallMs) return { wallMs: nowMs, counter: 0, device };
  return { wallMs: last.wallMs, counter: last.counter + 1, device };
}

/** The later of two stamps: what a device remembers after events of another one have come. */
export function laterStamp(a: Stamp | undefined, b: Stamp): Stamp {
  return a && compareStamps(a, b) > 0 ? a : b;
}

/** Order of stamps: below 0 when `a` comes first. */
export function compareStamps(a: Stamp, b: Stamp): number {
  return a.wallMs - b.wallMs || a.counter - b.counter || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0);
}
