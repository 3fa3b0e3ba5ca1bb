import { HttpClient, HttpErrorResponse, type HttpResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import * as z from 'zod';
import { knownSaying, type Problem, PROBLEM } from '@mansuet/core/contract';
import { saying } from '@mansuet/core/words';
import type { Words } from '../wording/words.service';
import { DeviceClock } from './device-clock';
import { NOW } from './now';

/** What came instead of an answer. `offline` is the network's or the server's absence, not a refusal. */
export type Failure = { readonly kind: 'offline' } | { readonly kind: 'refused'; readonly problem: Problem };
export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: Failure };

/** Calls to the server. Every answer is checked against the contract; expected failures are values. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);
  private readonly clock = inject(DeviceClock);
  private readonly device = inject(NOW);
  /** Set by the session; sent with every change. */
  csrf = '';

  get<T>(path: string, schema: z.ZodType<T>): Promise<Answer<T>> {
    return this.send('GET', path, undefined, schema);
  }

  /** @param more headers beside the session's */
  async send<T>(
    method: 'GET' | 'POST' | 'PUT' | 'DELETE',
    path: string,
    body: unknown,
    schema: z.ZodType<T>,
    more: Readonly<Record<string, string>> = {},
  ): Promise<Answer<T>> {
    const asked = this.device();
    let response: HttpResponse<unknown>;
    try {
      response = await firstValueFrom(
        this.http.request<unknown>(method, `/api${path}`, { body, headers: { 'x-csrf-token': this.csrf, ...more }, observe: 'response' }),
      );
    } catch (error) {
      return { ok: false, failure: failureOf(error) };
    }
    const serverMs = Number(response.headers.get(TIME_HEADER) ?? NaN);
    if (Number.isFinite(serverMs)) this.clock.look(asked, serverMs, this.device());
    const parsed = schema.safeParse(response.body);
    if (parsed.success) return { ok: true, value: parsed.data };
    return { ok: false, failure: { kind: 'refused', problem: unreadable(parsed.error.issues[0]?.path.join('.') ?? '') } };
  }
}

/** The server's clock when it answered, Unix ms. */
const TIME_HEADER = 'x-mansuet-time';

/** For calls that answer nothing. */
export const NOTHING = z.null().or(z.undefined());

function failureOf(error: unknown): Failure {
  if (!(error instanceof HttpErrorResponse) || error.status === 0) return { kind: 'offline' };
  const problem = PROBLEM.safeParse(error.error);
  if (problem.success) return problem.data.code === 'unavailable' ? { kind: 'offline' } : { kind: 'refused', problem: problem.data };
  // A proxy in between that cannot reach the server answers in its own words.
  if (error.status >= 502 && error.status <= 504) return { kind: 'offline' };
  return { kind: 'refused', problem: unreadable(String(error.status)) };
}

function unreadable(where: string): Problem {
  return {
    type: '/problems/internal',
    title: '',
    status: 500,
    code: 'internal',
    detail: where,
    says: saying('problem.other_version', {}),
  };
}

/** A failure in a sentence that says what to do, in the language of whoever reads it. */
export function sayFailure(words: Words, failure: Failure): string {
  if (failure.kind === 'offline') return 'The server does not answer. What you typed is still here; try again in a moment.';
  const { code, detail, says, request } = failure.problem;
  const known = knownSaying(says);
  const more = known ? words.say(known) : detail;
  const title = words.heading('problem', code);
  const number = request === undefined ? '' : $localize`:@@failure.number: (${request}:number:)`;
  return `${title}${more ? ` ${more}` : ''}${number}`;
}

/** What is wrong with single fields, by path. */
export function fieldErrors(words: Words, failure: Failure): ReadonlyMap<string, string> {
  if (failure.kind !== 'refused') return new Map();
  return new Map(
    (failure.problem.errors ?? []).map((e) => {
      const known = knownSaying(e.says);
      return [e.path, known ? words.say(known) : e.message];
    }),
  );
}
