import type { Logger } from 'pino';
import type { Measures } from './measures.js';
import { requestId } from './request-id.js';

/** What takes longer is logged, ms. Our default: a person notices it. */
const SLOW_MS = 300;

/** Hears of every question to the database. The text of a slow one is logged, what it was asked about never is. */
export function hearQueries(measures: Measures, log: Logger, slowMs = SLOW_MS): (ms: number, text: string) => void {
  return (ms, text) => {
    const isSlow = ms >= slowMs;
    measures.query(ms, isSlow);
    if (isSlow) log.warn({ ms: Math.round(ms), sql: text.replaceAll(/\s+/g, ' '), request: requestId() }, 'slow question to the database');
  };
}
