import { type FoundInPlace, LOOKED_FINDINGS, type LookedFinding, type LookedPart, type ZoneId } from '../words/index.js';
export type Looked = Readonly<Partial<Record<LookedPart, LookedFinding>>>;

/** Where a grass seed or a tick is; nothing for what nobody put in a place. */
export type FoundAt = Readonly<Partial<Record<FoundInPlace, readonly ZoneId[]>>>;

/** Whether a part can have a finding. `isLooked('ears', 'foul') // => true` */
export function isLooked(part: LookedPart, finding: LookedFinding): boolean {
  return (LOOKED_FINDINGS[part] as readonly string[]).includes(finding);
}
