import { AsyncLocalStorage } from 'node:async_hooks';
import { randomBytes } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

const within = new AsyncLocalStorage<string>();

/** The request that something is done for; `undefined` for what nobody asked for. */
export const requestId = (): string | undefined => within.getStore();

/** A number of its own for each request, short enough to be read out on the phone; it goes back with the answer. */
export function numberRequest(_request: IncomingMessage, response: ServerResponse): string {
  const id = randomBytes(4).toString('hex');
  response.setHeader('x-request-id', id);
  return id;
}

/** Whatever `next` begins belongs to the request. */
export const during = (id: string, next: () => void): void => within.run(id, next);
