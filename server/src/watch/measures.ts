import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';

/** What is counted of one process since it was started, for whoever scrapes it (Prometheus' text format), and for the lead's page. */
export class Measures {
  readonly registry = new Registry();
  private readonly requests = new Histogram({
    name: 'mansuet_http_request_seconds',
    help: 'Time until a request was answered, by method, route and kind of answer.',
    labelNames: ['method', 'route', 'answer'],
    buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [this.registry],
  });
  private readonly queries = new Histogram({
    name: 'mansuet_database_query_seconds',
    help: 'Time of a question to the database.',
    buckets: [0.001, 0.0025, 0.005, 0.01, 0.025, 0.05, 0.1, 0.5, 1, 5, 15],
    registers: [this.registry],
  });
  private readonly slowQueries = new Counter({
    name: 'mansuet_database_slow_queries_total',
    help: 'Questions to the database that took longer than is logged.',
    registers: [this.registry],
  });
  private readonly errors = new Counter({
    name: 'mansuet_unexpected_errors_total',
    help: 'Requests that failed in a way that nobody foresaw.',
    registers: [this.registry],
  });
  private readonly due = new Gauge({
    name: 'mansuet_messages_due',
    help: 'Messages that were due when the post office looked last.',
    registers: [this.registry],
  });
  private counted = { errors: 0, slow: 0, slowestMs: 0 };

  /** @param since when the process was started */
  constructor(private readonly since: Date) {
    collectDefaultMetrics({ register: this.registry });
  }

  /** A number that is looked up when somebody asks for it. */
  gauge(name: string, help: string, read: () => number): void {
    new Gauge({
      name,
      help,
      registers: [this.registry],
      collect() {
        this.set(read());
      },
    });
  }

  query(ms: number, isSlow: boolean): void {
    this.queries.observe(ms / 1000);
    this.counted.slowestMs = Math.max(this.counted.slowestMs, ms);
    if (!isSlow) return;
    this.slowQueries.inc();
    this.counted.slow++;
  }
  unexpected(): void {
    this.errors.inc();
    this.counted.errors++;
  }
  messagesDue(count: number): void {
    this.due.set(count);
  }
  get trouble(): { readonly errors: number; readonly slow: number; readonly slowestMs: number; readonly since: Date } {
    return { ...this.counted, since: this.since };
  }

  /** Every request by the route that answered it: an address with an id in it is not one of its own. */
  readonly requestsOf: RequestHandler = (request, response, next) => {
    const stop = this.requests.startTimer({ method: request.method });
    response.on('finish', () => {
      const path: unknown = Reflect.get(Object(request.route), 'path');
      const route = typeof path === 'string' ? `${request.baseUrl}${path}` : 'none';
      stop({ route, answer: `${Math.floor(response.statusCode / 100)}xx` });
    });
    next();
  };
}
