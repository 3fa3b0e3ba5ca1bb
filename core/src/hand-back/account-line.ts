import type { AccountSection, Saying } from '../words/index.js';

/** One thing that an owner is told: sentences that belong together. */
export interface AccountLine {
  /** By which it is said otherwise or left out: the same whenever the account is made. */
  readonly key: string;
  readonly section: AccountSection;
  readonly says: readonly Saying[];
  /** `vet`: for a vet; `hurt`: something was hurt. Both stand out, and are never left out of the record. */
  readonly stands?: 'vet' | 'hurt' | undefined;
}

/** A line with one sentence or several. */
export function line(section: AccountSection, key: string, says: Saying | readonly Saying[], stands?: AccountLine['stands']): AccountLine {
  return { key: `${section}.${key}`, section, says: 'rule' in says ? [says] : says, ...(stands ? { stands } : {}) };
}
