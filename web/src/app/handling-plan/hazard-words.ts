import { likelihoodClass, type RegisterRow } from '@mansuet/core/knowledge/hazards';

/** How often something happens in such work, from often to rare, as it is read from above. */
export const LIKELIHOODS = [
  { value: 5, label: $localize`:@@hazards.certain:almost certain` },
  { value: 4, label: $localize`:@@hazards.likely:likely` },
  { value: 3, label: $localize`:@@hazards.possible:possible` },
  { value: 2, label: $localize`:@@hazards.unlikely:unlikely` },
  { value: 1, label: $localize`:@@hazards.rare:rare` },
] as const;

/** How bad it is at worst, the least first. */
export const SEVERITIES: readonly string[] = [
  $localize`:@@hazards.negligible:negligible`,
  $localize`:@@hazards.minor:minor`,
  $localize`:@@hazards.moderate:moderate`,
  $localize`:@@hazards.major:major`,
  $localize`:@@hazards.worst:worst`,
];

/** The same in a sentence. */
export const HARM: readonly string[] = [
  $localize`:@@hazards.hardlyHarm:hardly any harm`,
  $localize`:@@hazards.minorHarm:minor harm`,
  $localize`:@@hazards.moderateHarm:moderate harm`,
  $localize`:@@hazards.majorHarm:major harm`,
  $localize`:@@hazards.lastingHarm:death or lasting harm`,
];

const often = (per1000Minutes: number): string => LIKELIHOODS.find((l) => l.value === likelihoodClass(per1000Minutes))?.label ?? '';

/** What a hazard is before the plan's controls and with them: "possible; as planned unlikely", or that nothing eases it. */
export function sayEased(row: Pick<RegisterRow, 'before' | 'after'>): string {
  const [was, is] = [often(row.before), often(row.after)];
  return was === is
    ? $localize`:@@hazards.asBefore:${was}:often:, also as planned`
    : $localize`:@@hazards.eased:${was}:was:; as planned ${is}:is:`;
}

/** The weightiest first: what is left after the controls, then what was there before. */
export const byWeightLeft = (a: RegisterRow, b: RegisterRow): number =>
  b.scoreAfter - a.scoreAfter || b.scoreBefore - a.scoreBefore || b.chanceToday - a.chanceToday;
