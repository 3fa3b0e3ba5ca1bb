import { LIVE_LINE } from '../../core/src/contract/index.js';
import { wait } from '../faults/bad-network.js';
import type { Person } from '../faults/tablet.js';
import { until } from './until.js';

const AGAIN_MS = 300;

/** A screen that follows along without being looked at: it hears which visits have grown, and comes again when its stream ends. */
export class Ear {
  private readonly aborted = new AbortController();
  private readonly heard = new Map<string, number>();
  private readonly listening: Promise<void>;
  /** How often its stream has begun. */
  opened = 0;

  constructor(
    private readonly url: string,
    private readonly person: Person,
  ) {
    this.listening = this.listen();
  }

  /** How long after a moment it heard that a visit has grown. */
  async hearsAfter(sinceMs: number, visitId: string): Promise<number> {
    await until(
      'a screen that follows along hears again',
      () => Promise.resolve((this.heard.get(visitId) ?? 0) > sinceMs || undefined),
      120_000,
      20,
    );
    return (this.heard.get(visitId) ?? 0) - sinceMs;
  }
  async close(): Promise<void> {
    this.aborted.abort();
    await this.listening;
  }

  private async listen(): Promise<void> {
    while (!this.aborted.signal.aborted) {
      // Cut off, refused or at its end: it comes again, as a browser does.
      await this.once().catch(() => undefined);
      await wait(AGAIN_MS);
    }
  }
  private async once(): Promise<void> {
    const answer = await fetch(`${this.url}/api/live`, { headers: { cookie: this.person.cookie }, signal: this.aborted.signal });
    if (!answer.ok || !answer.body) return;
    this.opened++;
    let rest = '';
    const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
    for (;;) {
      const { value: chunk, done } = await reader.read();
      if (done) return;
      const blocks = `${rest}${chunk}`.split('\n\n');
      rest = blocks.pop() ?? '';
      for (const block of blocks) {
        const data = /^event: visit\ndata: (.*)$/m.exec(block)?.[1];
        if (data !== undefined) this.heard.set(LIVE_LINE.parse(JSON.parse(data)).visitId, Date.now());
      }
    }
  }
}
