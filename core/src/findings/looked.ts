import { LOOKED_FINDINGS, type LookedFinding, type LookedPart } from '../words/index.js';
export type Looked = Readonly<Partial<Record<LookedPart, LookedFinding>>>;

/** Whether a part can have a finding. `isLooked('ears', 'foul') // => true` */
export function isLooked(part: LookedPart, finding: LookedFinding): boolean {
  return (LOOKED_FINDINGS[part] as readonly string[]).includes(finding);
}
