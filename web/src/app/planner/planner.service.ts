import { Injectable } from '@angular/core';
import type { HandlingPlan, PlanInput } from '@mansuet/core/plan';

export interface Planned {
  readonly plan: HandlingPlan;
  /** Milliseconds in the worker. */
  readonly ms: number;
}
interface WorkerAnswer extends Planned {
  readonly id: number;
}

/** Makes plans in a web worker. The same question is not asked twice. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  private worker: Worker | undefined;
  private nextId = 1;
  private readonly open = new Map<number, { done: (p: Planned) => void; fail: (e: Error) => void }>();
  private latest: { key: string; planned: Promise<Planned> } | undefined;

  plan(input: PlanInput): Promise<Planned> {
    const key = JSON.stringify(input);
    if (this.latest?.key !== key) this.latest = { key, planned: this.ask(input) };
    return this.latest.planned;
  }

  /** A plan beside the one in hand: asked for each time, so that comparing does not drop what is kept. */
  planBeside(input: PlanInput): Promise<Planned> {
    return this.ask(input);
  }

  /** Ends a search that takes too long; the next question starts a new worker. */
  cancel(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.latest = undefined;
    for (const { fail } of this.open.values()) fail(new Error('cancelled'));
    this.open.clear();
  }

  private ask(input: PlanInput): Promise<Planned> {
    const worker = (this.worker ??= this.start());
    const id = this.nextId++;
    return new Promise<Planned>((done, fail) => {
      this.open.set(id, { done, fail });
      worker.postMessage({ id, input });
    });
  }

  private start(): Worker {
    const worker = new Worker(new URL('./plan.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<WorkerAnswer>) => {
      this.open.get(data.id)?.done(data);
      this.open.delete(data.id);
    });
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      for (const { fail } of this.open.values()) fail(new Error(event.message));
      this.open.clear();
      this.latest = undefined;
    });
    return worker;
  }
}
