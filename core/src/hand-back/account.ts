import { ACCOUNT_SECTIONS, type AccountSection, type Reason, reason } from '../words/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import type { VisitState } from '../visit/index.js';
import { type AccountLine, line } from './account-line.js';
import { doneTold } from './done-told.js';
import { foundTold } from './found-told.js';
import { happenedTold } from './happened-told.js';
import { homeCare, watchTonight } from './home-care.js';
import { howItTook, type TookSpell } from './how-it-took.js';
import { leftTold } from './left-told.js';
import type { MarksKnown } from './marks-told.js';

/** What an account is made of, beside the log. */
export interface AccountFacts {
  readonly dog: Pick<DogFacts, 'name' | 'born' | 'weightKg' | 'coat'>;
  readonly file: MarksKnown;
  /** ISO date. */
  readonly today: string;
  /** Why that day is proposed or was booked. */
  readonly next: Reason | undefined;
  /** A moment on the salon's clock. */
  readonly clock: (ms: number) => string;
  /** Money in the salon's currency, from its smallest coin. */
  readonly money: (minor: number) => string;
}

/** All that an owner is told of a visit, in the order in which it is read. */
export interface Account {
  readonly lines: readonly AccountLine[];
  readonly picture: readonly TookSpell[];
  /** Minutes of the visit that the picture spans. */
  readonly minutes: number;
}

/**
 * The account of a visit, from its log: what went otherwise, how the dog took it, what was done, what was left and why, what was found, what to do at
 * home, what to watch tonight, when it comes again, what it costs as agreed. Nothing that was found or left is missing.
 */
export function accountOf(state: VisitState, facts: AccountFacts): Account {
  const { dog, today } = facts;
  const took = howItTook(state, dog.name);
  const groomed = state.ended?.outcome !== 'not_today';
  const lines: AccountLine[] = [
    ...happenedTold(state, dog.name, facts.clock),
    ...(took ? [line('how', 'took', took.says)] : []),
    ...doneTold(state),
    ...leftTold(state, dog.name),
    ...(groomed || state.feelOverDone ? foundTold(state, facts.file) : []),
    ...homeCare(state, { dog, today }),
    ...watchTonight(state, dog.name),
    ...nextTold(state, facts.next),
    ...priceTold(state, facts.money),
  ];
  return { lines, picture: took?.picture ?? [], minutes: took?.minutes ?? 0 };
}

function nextTold(state: VisitState, because: Reason | undefined): AccountLine[] {
  const { nextVisit, handedBack } = state;
  const why = because ? [because] : [];
  if (nextVisit) return [line('next', 'booked', [reason('told.next_booked', { on: nextVisit.on, text: nextVisit.at }, 0.8), ...why])];
  if (handedBack?.nextVisit) return [line('next', 'agreed', [reason('told.next_agreed', { on: handedBack.nextVisit }, 0.8), ...why])];
  return because ? [line('next', 'proposed', [reason('told.next_proposed', {}, 0.4), because])] : [];
}

/** As it was agreed: nothing is reckoned anew at the end. */
function priceTold(state: VisitState, money: AccountFacts['money']): AccountLine[] {
  const { agreed } = state;
  if (!agreed || agreed.extraMinutes <= 0) return [];
  return [line('price', 'extra', reason('told.price', { minutes: agreed.extraMinutes, text: money(agreed.extraPriceMinor) }, 0.5))];
}

/** A line as the owner reads it, beside what the log says. */
export interface ToldLine {
  readonly key: string;
  readonly section: AccountSection;
  readonly text: string;
  /** What the log says; empty for a sentence of our own. */
  readonly recorded: string;
  readonly as: 'recorded' | 'changed' | 'left_out' | 'own';
  readonly stands: AccountLine['stands'];
}

/** Which section a sentence of our own stands in: `own.home.<id>`. */
const OWN = /^own\.([a-z]+)\./;

/**
 * The account in the salon's own words: sentences changed, left out and added. What the log knows stays beside them.
 * @param words what was changed, by line
 * @param say a saying as a sentence
 */
export function inOwnWords(
  account: Account,
  words: ReadonlyMap<string, string | null>,
  say: (r: AccountLine['says'][number]) => string,
): ToldLine[] {
  const recorded = account.lines.map(({ key, section, says, stands }): ToldLine => {
    const text = says.map(say).join(' ');
    const own = words.get(key);
    return {
      key,
      section,
      text: own ?? text,
      recorded: text,
      as: own === undefined ? 'recorded' : own === null ? 'left_out' : 'changed',
      stands,
    };
  });
  const added = [...words].flatMap(([key, text]): ToldLine[] => {
    const section = ACCOUNT_SECTIONS.find((s) => s === OWN.exec(key)?.[1]);
    return section && text !== null ? [{ key, section, text, recorded: '', as: 'own', stands: undefined }] : [];
  });
  return [...recorded, ...added];
}

/** Lines that are told, section by section, in the order in which they are read; sections without any are left out. */
export function bySection(lines: readonly ToldLine[]): { section: AccountSection; lines: ToldLine[] }[] {
  return ACCOUNT_SECTIONS.map((section) => ({ section, lines: lines.filter((l) => l.section === section && l.as !== 'left_out') })).filter(
    (s) => s.lines.length > 0,
  );
}
