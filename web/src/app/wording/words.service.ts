import { Injectable, InjectionToken, inject } from '@angular/core';
import { ageOf } from '@mansuet/core/knowledge/dogs';
import {
  duration,
  heading,
  inFormats,
  type LabelKind,
  type Language,
  list,
  say,
  sayingSource,
  stepTitle,
  within,
} from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { Reason, Saying, StepId, StepName, ZoneId } from '@mansuet/core/words';
import { FORMATS } from './formats';

/** The language of whoever looks at the page. It is chosen before the page begins and stays until it is loaded again. */
export const LANGUAGE = new InjectionToken<Language>('language', { providedIn: 'root', factory: () => ENGLISH });

/** Makes words of rules, facts and ids: the last thing that is done to them. */
@Injectable({ providedIn: 'root' })
export class Words {
  private readonly spoken = inject(LANGUAGE);
  /** With the measures of the salon that is open. */
  get language(): Language {
    return inFormats(this.spoken, FORMATS());
  }
  /** What each id is called within a sentence. */
  readonly labels = this.spoken.labels;

  /** A saying as a sentence. An arrow, so that lists can be mapped by it. */
  readonly say = (s: Saying): string => say(this.language, s);
  /** The same within a sentence or a list. */
  readonly within = (s: Saying): string => within(this.language, s);
  /** Where it comes from. */
  readonly source = (s: Saying): string => sayingSource(this.language, s);
  /** A reason with its source, as panels show it. */
  readonly withSource = (r: Reason): { text: string; source: string } => ({ text: this.say(r), source: this.source(r) });
  /** Things one after the other. */
  readonly list = (items: readonly string[]): string => list(this.language, items);
  /** Age on a day: "11 weeks". Dates are ISO. */
  age(born: string, today: string): string {
    return duration(this.language, ageOf(born, today));
  }
  /** What a step is called in a list. */
  readonly step = (name: StepName): string => this.heading('step', name);
  /** The same, with where it begins when its kind of work makes several steps. */
  readonly stepOf = (s: { readonly id: StepId; readonly name?: StepName; readonly zones?: readonly ZoneId[] }): string =>
    stepTitle(this.language, s);
  /** What an id is called in a heading or on a button. */
  heading<K extends LabelKind>(kind: K, id: keyof Language['labels'][K]): string {
    return heading(this.language, kind, id);
  }
}
