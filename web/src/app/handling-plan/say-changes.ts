import { HOLDS } from '@mansuet/core/knowledge/holds';
import type { PlanChange } from '@mansuet/core/visit';

/** Changes that are named; the others are counted. */
const NAMED = 3;

/** What a new plan has other than the one at the table, in a line. */
export function sayChanges(changes: readonly PlanChange[]): string {
  const named = changes.slice(0, NAMED).map(sayChange);
  const more = changes.length - named.length;
  return [...named, ...(more > 0 ? [`${more} more`] : [])].join('; ');
}

function sayChange(c: PlanChange): string {
  const name = `“${c.label}”`;
  if (c.kind === 'new') return `${name} is new`;
  if (c.kind === 'gone') return `${name} is left out`;
  if (c.kind === 'moved') return c.after ? `${name} comes after “${c.after}”` : `${name} comes first`;
  if (c.kind === 'hold') return `${name} with another hold: ${HOLDS[c.hold].label}`;
  return `${name} takes ${Math.round(c.now)} min, not ${Math.round(c.was)}`;
}
