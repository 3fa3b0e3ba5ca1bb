import type { ClosingLine } from '../../../words/index.js';
/** What is done, and how, so that nobody is hurt at the end. */
export const CLOSING_LABELS: Readonly<Record<ClosingLine, string>> = {
  all_off: 'Tool, muzzle and loop off; a hand stays on the dog',
  cool_down: 'If it is hot: lukewarm water on belly and paws, moving air',
  ring_vet: 'Ring the vet',
  go: 'Go, lying on its side if it cannot stand; nose free',
  tool_away: 'Tool off and away; hands still on the dog',
  pressure: 'Where it bleeds: press 5 min, do not look in between',
  mat: 'The mat is freed, or left whole: nothing half cut that pulls',
  rinse: 'Rinse, lukewarm',
  towel: 'Towel, dryer stays off',
  lead_on: 'Lead on first, then the loop off: never a moment without either',
  out_of_tub: 'Out of the tub, two people or a step',
  down: 'Down to the floor by lift, ramp or two people; no jump',
  muzzle_off: 'Muzzle off on the floor, by who put it on, the dog facing away',
  dry_enough: 'Dry enough to go home: armpits, ears and feet felt',
  safe_place: 'To a quiet place of its own, with water',
  ring_owner: 'Ring the owner: what happened, when to fetch it',
};
