import { inject, signal } from '@angular/core';
import type * as z from 'zod';
import { errorsOf } from './errors-of';
import { fieldErrors, sayFailure, type Answer } from '../server/api.service';
import { Words } from '../wording/words.service';

/** How a form is checked and kept: errors beside the fields, trouble in words, and what was typed stays whatever comes of it. */
export class KeptForm {
  private readonly words = inject(Words);
  readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  readonly trouble = signal('');
  readonly said = signal('');
  readonly busy = signal(false);

  /** @returns what was kept; `undefined` when it was not */
  async keep<Form, T>(
    schema: z.ZodType<Form>,
    form: unknown,
    send: (form: Form) => Promise<Answer<T>>,
    says: string,
  ): Promise<{ readonly value: T } | undefined> {
    const checked = schema.safeParse(form);
    this.errors.set(errorsOf(this.words, checked));
    this.trouble.set('');
    this.said.set('');
    if (!checked.success) {
      this.trouble.set($localize`:@@form.look:Something is missing or wrong: look at what stands beside the fields.`);
      return undefined;
    }
    this.busy.set(true);
    const answer = await send(checked.data);
    this.busy.set(false);
    if (answer.ok) {
      this.said.set(says);
      return { value: answer.value };
    }
    this.trouble.set(sayFailure(this.words, answer.failure));
    this.errors.set(fieldErrors(this.words, answer.failure));
    return undefined;
  }
}
