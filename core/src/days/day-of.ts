/** Names a place whose clock counts, as the IANA time zone database does: "Pacific/Auckland". */
export type Zone = string;

/** The place of salons that have named none. */
export const NO_ZONE: Zone = 'UTC';

/** Whether this machine knows a zone of that name. */
export function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

type Moment = string | number | Date;

/**
 * The day that a moment belongs to, ISO, in a place: everywhere in the product a day is this, and nothing else.
 * @param moment an instant: ISO with its offset, Unix ms, or a Date
 * @example dayOf('2026-11-29T11:30:00Z', 'Pacific/Auckland') // => '2026-11-30'
 * @throws RangeError for what is no moment, or a zone that is none
 */
export function dayOf(moment: Moment, zone: Zone): string {
  const { year, month, day } = partsOf(moment, zone);
  return `${year.padStart(4, '0')}-${month}-${day}`;
}

/** What the clock on a wall there shows: "09:30". @throws RangeError as {@link dayOf} */
export function clockOf(moment: Moment, zone: Zone): string {
  const { hour, minute } = partsOf(moment, zone);
  return `${hour}:${minute}`;
}

/**
 * The moment at which a day and a clock time are there. A time that the spring change leaves out is the one as far after the change (03:30 for 02:30); one that
 * the autumn change brings twice is the first.
 * @param day ISO date
 * @param clock `HH:MM`
 * @returns Unix ms
 * @example momentOf('2026-03-29', '02:30', 'Europe/Berlin') // => Date.parse('2026-03-29T01:30:00Z')
 * @throws RangeError for what is no date or time
 */
export function momentOf(day: string, clock: string, zone: Zone): number {
  const wanted = Date.parse(`${day}T${clock}:00Z`);
  if (Number.isNaN(wanted)) throw new RangeError(`momentOf: ${day} ${clock}`);
  const off = (ms: number): number => Date.parse(`${dayOf(ms, zone)}T${clockOf(ms, zone)}:00Z`) - Math.floor(ms / MINUTE_MS) * MINUTE_MS;
  // The offset before any change near it and the one after: one of them is right, and in the gap the earlier one goes past it.
  const [before, after] = [wanted - off(wanted - HALF_DAY_MS), wanted - off(wanted + HALF_DAY_MS)];
  const right = [before, after].filter((ms) => ms + off(ms) === wanted);
  return right.length > 0 ? Math.min(...right) : before;
}

/** A date some days later, or earlier. `addDays('2026-12-30', 3) // => '2027-01-02'` @throws RangeError for what is no date */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(day) + days * 2 * HALF_DAY_MS).toISOString().slice(0, 10);
}

const MINUTE_MS = 60_000;
const HALF_DAY_MS = 43_200_000;

const FORMATS = new Map<Zone, Intl.DateTimeFormat>();
function formatIn(zone: Zone): Intl.DateTimeFormat {
  const known = FORMATS.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    calendar: 'gregory',
    numberingSystem: 'latn',
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
  FORMATS.set(zone, made);
  return made;
}

function partsOf(moment: Moment, zone: Zone): Readonly<Record<'year' | 'month' | 'day' | 'hour' | 'minute', string>> {
  const found = new Map(
    formatIn(zone)
      .formatToParts(new Date(moment))
      .map((p) => [p.type, p.value]),
  );
  const part = (type: Intl.DateTimeFormatPartTypes): string => found.get(type) ?? '';
  return { year: part('year'), month: part('month'), day: part('day'), hour: part('hour'), minute: part('minute') };
}
