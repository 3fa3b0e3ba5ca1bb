/** Fills an array with random bytes: `crypto.getRandomValues` in a browser and in Node, a seeded one in tests and the demo. */
export type RandomBytes = (into: Uint8Array) => Uint8Array;

/**
 * A UUID of version 7 (RFC 9562, 5.7): 48 bits of Unix time in milliseconds, then random. Ids made later sort later, and a device
 * can make them without asking a server.
 * @param nowMs Unix time, ms, 0 to 2^48 − 1
 * @throws RangeError when the time does not fit 48 bits
 */
export function uuidV7(nowMs: number, random: RandomBytes): string {
  if (!(nowMs >= 0 && nowMs < 2 ** 48)) throw new RangeError(`uuidV7: time ${nowMs} does not fit 48 bits`);
  const bytes = random(new Uint8Array(16));
  let rest = Math.floor(nowMs);
  for (let i = 5; i >= 0; i--) {
    bytes[i] = rest % 256;
    rest = Math.floor(rest / 256);
  }
  bytes[6] = 0x70 | ((bytes[6] ?? 0) & 0x0f);
  bytes[8] = 0x80 | ((bytes[8] ?? 0) & 0x3f);
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
