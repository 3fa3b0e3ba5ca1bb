import { sayClock, sayDate } from '@mansuet/core/days';
import { CLOCK_FORMS, DATE_FORMS, type Formats, LENGTH_UNITS, TEMPERATURE_UNITS, WEIGHT_UNITS } from '@mansuet/core/words';
import type { Choice } from '../controls/choice';

const UNIT_NAMES = {
  mm: $localize`:@@format.mm:millimetres`,
  inch: $localize`:@@format.inch:inches`,
  kg: $localize`:@@format.kg:kilograms`,
  lb: $localize`:@@format.lb:pounds`,
  celsius: $localize`:@@format.celsius:°C`,
  fahrenheit: $localize`:@@format.fahrenheit:°F`,
} as const;
/** Shown as they would be written. */
const EXAMPLE = { clock: '14:30', date: '2027-03-09' } as const;

interface FormatChoice {
  readonly key: keyof Formats;
  readonly label: string;
  readonly of: readonly Choice<string>[];
}
const units = (of: readonly (keyof typeof UNIT_NAMES)[]): Choice<string>[] => of.map((value) => ({ value, label: UNIT_NAMES[value] }));

/** How a salon may write its measures, times and dates. */
export const FORMAT_CHOICES: readonly FormatChoice[] = [
  { key: 'length', label: $localize`:@@format.length:Lengths`, of: units(LENGTH_UNITS) },
  { key: 'weight', label: $localize`:@@format.weight:Weights`, of: units(WEIGHT_UNITS) },
  { key: 'temperature', label: $localize`:@@format.temperature:Temperatures`, of: units(TEMPERATURE_UNITS) },
  {
    key: 'clock',
    label: $localize`:@@format.clock:Times`,
    of: CLOCK_FORMS.map((value) => ({ value, label: sayClock(EXAMPLE.clock, value) })),
  },
  {
    key: 'date',
    label: $localize`:@@format.date:Dates`,
    of: DATE_FORMS.map((value) => ({ value, label: sayDate(EXAMPLE.date, value, 'weekday') })),
  },
];
