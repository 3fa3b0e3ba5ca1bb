/** Why a device does not keep what is written to it, and what to do, in words; what is not known is said as the browser says it. */
export function sayStorageTrouble(thrown: unknown): string {
  const names = namesOf(thrown);
  if (names.some((n) => n === 'QuotaExceededError'))
    return $localize`:@@storage.full:The storage of this device is full. Free some space, such as pictures or downloads, and tap it again.`;
  if (names.some((n) => BLOCKED.includes(n)))
    return $localize`:@@storage.blocked:This browser keeps nothing: a private window, or storage switched off for this page. Open it in an ordinary window.`;
  if (names.some((n) => CLOSED.includes(n)))
    return $localize`:@@storage.closed:The storage of this page was closed, perhaps by another tab with a newer version. Load the page again.`;
  return thrown instanceof Error ? thrown.message : String(thrown);
}

const BLOCKED: readonly string[] = ['MissingAPIError', 'OpenFailedError', 'SecurityError', 'InvalidStateError', 'InvalidAccessError'];
const CLOSED: readonly string[] = ['DatabaseClosedError', 'VersionError', 'VersionChangeError'];

/** The names of an error and of those that it wraps: the database's library keeps the browser's own inside. */
function namesOf(thrown: unknown, depth = 0): string[] {
  if (typeof thrown !== 'object' || thrown === null || depth > 4) return [];
  const name: unknown = Reflect.get(thrown, 'name');
  const inner: unknown = Reflect.get(thrown, 'inner');
  return [...(typeof name === 'string' ? [name] : []), ...namesOf(inner, depth + 1)];
}
