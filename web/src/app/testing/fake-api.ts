import type { Provider } from '@angular/core';
import type * as z from 'zod';
import type { ProblemCode } from '@mansuet/core/words';
import { ApiService, type Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';

export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
  /** Beside the session's; left out where there are none. */
  readonly headers?: Readonly<Record<string, string>>;
}
interface Refusal {
  readonly code: ProblemCode;
  readonly title: string;
  readonly status?: number;
  readonly detail?: string;
  readonly errors?: readonly { readonly path: string; readonly message: string }[];
}
export const OFFLINE: Answer<never> = { ok: false, failure: { kind: 'offline' } };

/** What the server says when it does not take something. */
export function refusal({ code, title, status = 422, detail, errors }: Refusal): Answer<never> {
  return {
    ok: false,
    failure: {
      kind: 'refused',
      problem: {
        type: `/problems/${code}`,
        title,
        status,
        code,
        ...(detail === undefined ? {} : { detail }),
        ...(errors ? { errors: errors.map((e) => ({ ...e })) } : {}),
      },
    },
  };
}

/** Takes every event of a batch. */
export const storesAll: Answerer = (body) => ({
  ok: true,
  value: { stored: (body as { events: { id: string }[] }).events.map((e) => e.id), known: [] },
});

/** Answers one call. */
export type Answerer = (body: unknown, path: string, headers: Readonly<Record<string, string>>) => Answer<unknown>;

/**
 * The server of all specs: it answers by the beginning of a path, remembers what it was sent, and holds its own answers against the
 * contract as the real one is held.
 */
export class FakeApi {
  readonly sent: Sent[] = [];
  online = true;
  /** What the session hands to the calls. */
  csrf = '';
  private readonly answerers = new Map<string, Answerer>([
    // Few specs are about rights of devices: the others have none.
    ['POST /grants', () => refusal({ code: 'forbidden', title: 'No rights in this spec.', status: 403 })],
    // Nor is anything due, or booked ahead.
    ['GET /due', () => ({ ok: true, value: { due: [] } })],
    ['GET /book?', () => ({ ok: true, value: { people: [], visits: [] } })],
    ['GET /day-plan', () => ({ ok: true, value: { kept: null } })],
    ['GET /wishes', () => ({ ok: true, value: { wishes: [] } })],
    ['GET /booked-ahead', () => ({ ok: true, value: { visits: [] } })],
  ]);

  /** @param to method and beginning of a path; the longest beginning counts */
  answer(to: string, value: unknown): void {
    this.answerers.set(to, () => ({ ok: true, value }));
  }
  answerBy(to: string, answerer: Answerer): void {
    this.answerers.set(to, answerer);
  }
  refuse(to: string, why: Refusal): void {
    this.answerers.set(to, () => refusal(why));
  }

  get(path: string, schema: z.ZodType): Promise<Answer<unknown>> {
    return this.send('GET', path, undefined, schema);
  }
  send(
    method: string,
    path: string,
    body: unknown,
    schema: z.ZodType,
    headers: Readonly<Record<string, string>> = {},
  ): Promise<Answer<unknown>> {
    if (!this.online) return Promise.resolve(OFFLINE);
    this.sent.push({ method, path, body, ...(Object.keys(headers).length > 0 ? { headers } : {}) });
    const [, answerer] =
      [...this.answerers].filter(([to]) => `${method} ${path}`.startsWith(to)).sort(([a], [b]) => b.length - a.length)[0] ?? [];
    const answer: Answer<unknown> = answerer?.(body, path, headers) ?? { ok: true, value: null };
    if (!answer.ok) return Promise.resolve(answer);
    const read = schema.safeParse(answer.value);
    if (read.success) return Promise.resolve({ ok: true, value: read.data });
    return Promise.reject(new Error(`The spec’s answer to ${method} ${path} breaks the contract: ${read.error.message}`));
  }
  /** Bodies that went to a path. */
  bodies(method: string, path: string): unknown[] {
    return this.sent.filter((s) => s.method === method && s.path === path).map((s) => s.body);
  }

  provider(): Provider {
    return { provide: ApiService, useValue: this };
  }
  /** With somebody signed in who may do everything. */
  providers(): Provider[] {
    return [
      this.provider(),
      { provide: SessionService, useValue: { signedIn: () => ({ staff: { name: 'Imke Aldous' } }), may: () => true } },
    ];
  }
}
