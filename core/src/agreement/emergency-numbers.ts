/** Whom an owner's file names, with numbers. */
interface Reachable {
  readonly phone: string;
  readonly contacts: readonly { readonly phone: string }[];
}

/** Numbers that must be known before work begins. Common practice, no source: the owner's and a second one. */
export const NUMBERS_WANTED = 2;

/**
 * Telephone numbers by which somebody is reached in an emergency, each once, however it is written.
 * @param second one more that was given with the agreement; `null` when the owner says that there is none
 * @example emergencyNumbers({ phone: '0550 1', contacts: [{ phone: '05501' }] }, '0550 2') // => ['0550 1', '0550 2']
 */
export function emergencyNumbers(owner: Reachable, second?: string | null): string[] {
  const digits = (phone: string): string => phone.replace(/[^0-9+]/g, '');
  const seen = new Set<string>();
  return [owner.phone, ...owner.contacts.map((c) => c.phone), second ?? '']
    .map((phone) => phone.trim())
    .filter((phone) => digits(phone) !== '' && !seen.has(digits(phone)) && seen.add(digits(phone)));
}

/** Whether a second number is still to be asked for: neither known, nor given today, nor said to be missing. */
export function secondNumberMissing(owner: Reachable, second: string | null | undefined): boolean {
  return second !== null && emergencyNumbers(owner, second).length < NUMBERS_WANTED;
}
