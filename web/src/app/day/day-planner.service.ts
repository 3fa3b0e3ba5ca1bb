import { DestroyRef, Injectable, inject } from '@angular/core';
import type { AskedOfDayWorker, DayAnswers, DayQuestion, ToldByDayWorker } from './day-talk';

interface Waiting {
  readonly done: (answer: DayAnswers[DayQuestion['kind']]) => void;
  readonly fail: (error: Error) => void;
}

/** Plans days in a web worker of their own: a plan at the table never waits for one. It ends with the page that asks. */
@Injectable()
export class DayPlanner {
  private worker: Worker | undefined;
  private nextId = 1;
  private readonly open = new Map<number, Waiting>();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  ask<K extends DayQuestion['kind']>(question: Extract<DayQuestion, { kind: K }>): Promise<DayAnswers[K]> {
    const worker = (this.worker ??= this.start());
    const id = this.nextId++;
    return new Promise<DayAnswers[K]>((done, fail) => {
      // The worker answers a question with an answer of its kind.
      this.open.set(id, { done: (answer) => done(answer as DayAnswers[K]), fail });
      worker.postMessage({ id, question } satisfies AskedOfDayWorker);
    });
  }

  private start(): Worker {
    const worker = new Worker(new URL('./day.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<ToldByDayWorker>) => {
      const waiting = this.open.get(data.id);
      this.open.delete(data.id);
      if (data.ok) waiting?.done(data.answer);
      else waiting?.fail(new Error(data.message));
    });
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      // It answers nothing any more: the next question starts another one.
      this.worker?.terminate();
      this.worker = undefined;
      for (const { fail } of this.open.values()) fail(new Error(event.message || 'the day could not be planned'));
      this.open.clear();
    });
    return worker;
  }
}
