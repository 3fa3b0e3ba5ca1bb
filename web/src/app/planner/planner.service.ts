import { Injectable } from '@angular/core';
import type { PlanInput } from '@mansuet/core/plan';
import type { AskedOfWorker, PlanAnswers, PlanQuestion, Planned, ToldByWorker } from './plan-talk';

export type { NamedOdds, Planned, PlannedWay } from './plan-talk';

/** An answer that nobody waits for any more: a newer question was put. */
export class Superseded extends Error {
  constructor() {
    super('superseded');
  }
}

interface Waiting {
  readonly kind: PlanQuestion['kind'];
  readonly done: (answer: PlanAnswers[PlanQuestion['kind']]) => void;
  readonly fail: (error: Error) => void;
  readonly found: ((planned: Planned) => void) | undefined;
}

/** Makes plans in a web worker, and answers questions about them there. The same plan is not asked for twice. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  private worker: Worker | undefined;
  private nextId = 1;
  private readonly open = new Map<number, Waiting>();
  private latest: { key: string; planned: Promise<Planned> } | undefined;

  /** @param found told of a good plan while the search for a better one, or a proof, goes on */
  plan(input: PlanInput, found?: (planned: Planned) => void): Promise<Planned> {
    const key = JSON.stringify(input);
    if (this.latest?.key === key) return this.latest.planned;
    // What still runs is for a plan that is wanted no more: it would only keep this one waiting.
    if (this.open.size > 0) this.end(new Superseded());
    const planned = this.ask({ kind: 'plan', input }, found);
    this.latest = { key, planned };
    return planned;
  }

  /** A plan beside the one in hand: asked for each time, so that comparing does not drop what is kept. */
  planBeside(input: PlanInput): Promise<Planned> {
    return this.ask({ kind: 'plan', input });
  }

  /** Odds, "what if" and other ways of a plan. */
  ask<K extends PlanQuestion['kind']>(
    question: Extract<PlanQuestion, { kind: K }>,
    found?: (planned: Planned) => void,
  ): Promise<PlanAnswers[K]> {
    const worker = (this.worker ??= this.start());
    const id = this.nextId++;
    return new Promise<PlanAnswers[K]>((done, fail) => {
      // The worker answers a question with an answer of its kind.
      this.open.set(id, { kind: question.kind, done: (answer) => done(answer as PlanAnswers[K]), fail, found });
      const asked: AskedOfWorker = { id, question };
      worker.postMessage(asked);
    });
  }

  /** Ends a search that takes too long; the next question starts a new worker. */
  cancel(): void {
    this.end(new Error('cancelled'));
  }

  private end(why: Error): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.latest = undefined;
    for (const { fail } of this.open.values()) fail(why);
    this.open.clear();
  }

  private start(): Worker {
    const worker = new Worker(new URL('./plan.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<ToldByWorker>) => {
      const waiting = this.open.get(data.id);
      if (data.kind === 'found') {
        waiting?.found?.(data.planned);
        return;
      }
      this.open.delete(data.id);
      if (data.kind === 'done') waiting?.done(data.answer);
      else {
        this.latest = undefined;
        waiting?.fail(new Error(data.message));
      }
    });
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      // It answers nothing any more: the next question starts another one.
      if (this.worker === worker) this.end(new Error(event.message || 'the planner could not be started'));
    });
    return worker;
  }
}
