/** Why a database does not do its work: the connection is gone, it takes no writes, its disk is full, it took too long, others are in the way, or the salon is not there. */
export type DatabaseTrouble = 'lost' | 'read_only' | 'full' | 'slow' | 'busy' | 'moved';

/** PostgreSQL's error codes (manual, appendix A), a class by its first two characters; ours is said by `stay_in`. */
const BY_SQLSTATE: Readonly<Record<string, DatabaseTrouble>> = {
  '08': 'lost',
  '57P01': 'lost',
  '57P02': 'lost',
  '57P03': 'lost',
  '25006': 'read_only',
  '53': 'busy',
  '53100': 'full',
  '57014': 'slow',
  '25P03': 'slow',
  '55P03': 'busy',
  '40001': 'busy',
  '40P01': 'busy',
  MV001: 'moved',
};

/** What the network says in its own words. */
const BY_SYSTEM: Readonly<Record<string, DatabaseTrouble>> = {
  ECONNREFUSED: 'lost',
  ECONNRESET: 'lost',
  EPIPE: 'lost',
  ETIMEDOUT: 'lost',
  ENOTFOUND: 'lost',
  ENOSPC: 'full',
};

/** What the driver says without a code. */
const BY_MESSAGE: readonly (readonly [RegExp, DatabaseTrouble])[] = [
  [/^Connection terminated|not queryable|^Client was closed/, 'lost'],
  [/^timeout exceeded when trying to connect|^timeout expired/, 'busy'],
  [/^Query read timeout/, 'slow'],
];

/** What is the matter with the database, if that is what was thrown. */
export function databaseTrouble(thrown: unknown): DatabaseTrouble | undefined {
  if (typeof thrown !== 'object' || thrown === null) return undefined;
  const code: unknown = Reflect.get(thrown, 'code');
  if (typeof code === 'string') {
    const known = BY_SYSTEM[code] ?? BY_SQLSTATE[code] ?? (code.length === SQLSTATE_LENGTH ? BY_SQLSTATE[code.slice(0, 2)] : undefined);
    if (known) return known;
  }
  const message = thrown instanceof Error ? thrown.message : '';
  return BY_MESSAGE.find(([said]) => said.test(message))?.[1];
}
const SQLSTATE_LENGTH = 5;
