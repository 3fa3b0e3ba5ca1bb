import type { PlanChange } from '@mansuet/core/visit';
import type { Words } from '../wording/words.service';

/** Changes that are named; the others are counted. */
const NAMED = 3;

/** What a new plan has other than the one at the table, in a line. */
export function sayChanges(words: Words, changes: readonly PlanChange[]): string {
  const named = changes.slice(0, NAMED).map((c) => sayChange(words, c));
  const more = changes.length - named.length;
  return [...named, ...(more > 0 ? [`${more} more`] : [])].join('; ');
}

function sayChange(words: Words, c: PlanChange): string {
  const name = `“${words.step(c.name)}”`;
  if (c.kind === 'new') return `${name} is new`;
  if (c.kind === 'gone') return `${name} is left out`;
  if (c.kind === 'moved') return c.after ? `${name} comes after “${words.step(c.after)}”` : `${name} comes first`;
  if (c.kind === 'hold') return `${name} with another hold: ${words.labels.hold[c.hold]}`;
  return `${name} takes ${Math.round(c.now)} min, not ${Math.round(c.was)}`;
}
