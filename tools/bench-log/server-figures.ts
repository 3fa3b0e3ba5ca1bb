import { randomUUID } from 'node:crypto';
import pg from 'pg';
import type { VisitEvent } from '../../core/src/log/index.js';
import { sayHasOfToday, TODAY } from '../../core/src/contract/index.js';
import type { BenchSalon } from '../bench-salon.js';
import { median } from '../median.js';
import { BenchPerson, fill, hands, TAP, timed } from './people.js';

const TABLETS = 50;
const BATCH = 50;
const SECONDS = 8;
/** As many as the server's own pool has. */
const CONNECTIONS = 10;
const TAPS = 120;
/** At the speed of this bench some thirty entries. */
const LATE_MS = 100;

type Row = (what: string, promised: string, measured: string) => void;

/** What the server bears, and what a tap costs it in a short and in a long visit. */
export async function serverFigures(salon: BenchSalon, row: Row): Promise<void> {
  const person = await BenchPerson.signIn(salon.origin);
  await todayFigure(person, row);
  const visits = await Promise.all(Array.from({ length: TABLETS }, () => person.visitAtTable()));
  const visitOf = (hand: number): string => visits[hand % visits.length] ?? '';
  const pool = new pg.Pool({ connectionString: salon.appUrl, max: CONNECTIONS });
  try {
    for (const [size, promised] of [
      [1, 300],
      [BATCH, 2000],
    ] as const) {
      const drafts = Array.from({ length: size }, () => TAP);
      const send = await hands(TABLETS, SECONDS, (hand) => person.send(visitOf(hand), person.make(visitOf(hand), drafts)));
      const raw = await hands(TABLETS, SECONDS, (hand) => insert(pool, person, person.make(visitOf(hand), drafts)));
      const [ours, bare] = [send, raw].map(({ jobs, seconds }) => Math.round((jobs * size) / seconds));
      row(
        `entries a second from ${TABLETS} tablets, ${size === 1 ? 'one by one' : `${size} at a time`}`,
        `over ${promised}`,
        `${ours}; raw inserts through as many connections ${bare}: ${((ours ?? 0) / (bare ?? 1)).toFixed(2)} of it`,
      );
    }
  } finally {
    await pool.end();
  }
  await appendFigures(person, row);
}

/** One entry or more as the server stores them, with row-level security and a commit of their own, and nothing else. */
async function insert(pool: pg.Pool, person: BenchPerson, events: readonly VisitEvent[]): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query('begin');
    await client.query(`select set_config('mansuet.salon', $1, true)`, [person.salonId]);
    const values = events.flatMap((e) => [
      person.salonId,
      e.id,
      randomUUID(),
      e.at,
      e.by,
      e.stamp.device,
      e.stamp.wallMs,
      e.stamp.counter,
      e.v,
      e.type,
      JSON.stringify(e.body),
    ]);
    const width = values.length / events.length;
    const places = events.map((_, i) => `(${Array.from({ length: width }, (_, k) => `$${i * width + k + 1}`).join(',')})`).join(',');
    await client.query(
      `insert into visit_event (salon_id, event_id, visit_id, at, by_staff, device, stamp_wall_ms, stamp_counter, v, type, body) values ${places}`,
      values,
    );
    await client.query('commit');
  } finally {
    client.release();
  }
}

/** One entry after the other: in order, taken back, and late. */
async function appendFigures(person: BenchPerson, row: Row): Promise<void> {
  const costs = new Map<number, { inOrder: number; taken: number; late: number }>();
  for (const entries of [10, 5000]) {
    const visitId = await person.visitAtTable();
    await fill(person, visitId, entries);
    const inOrder: number[] = [];
    const taken: number[] = [];
    const late: number[] = [];
    for (let i = 0; i < TAPS; i++) {
      const made = person.make(visitId, [TAP]);
      inOrder.push(await timed(() => person.send(visitId, made)));
      if (i % 12 !== 0) continue;
      const [target] = made;
      if (target)
        taken.push(
          await timed(() => person.send(visitId, person.make(visitId, [{ type: 'voided', body: { target: target.id, why: 'undo' } }]))),
        );
      const [one] = person.make(visitId, [TAP]);
      if (one)
        late.push(await timed(() => person.send(visitId, [{ ...one, stamp: { ...one.stamp, wallMs: one.stamp.wallMs - LATE_MS } }])));
    }
    costs.set(entries, { inOrder: median(inOrder), taken: median(taken), late: median(late) });
  }
  const [short, long] = [costs.get(10), costs.get(5000)];
  if (!short || !long) return;
  const ms = (n: number): string => `${n.toFixed(1)} ms`;
  row(
    'an entry in order, to its answer: at 10 entries; at 5,000',
    'at most 1.5 ×',
    `${ms(short.inOrder)}; ${ms(long.inOrder)}: ${(long.inOrder / short.inOrder).toFixed(2)} ×`,
  );
  row(
    'one taken back; one that is late by some thirty entries, at 5,000',
    'printed',
    `${ms(long.taken)}; ${ms(long.late)} (at 10: ${ms(short.taken)}; ${ms(short.late)})`,
  );
}

/** What every other device fetches after a tap. */
async function todayFigure(person: BenchPerson, row: Row): Promise<void> {
  const today = TODAY.parse(await (await person.ask('GET', '/api/today')).json());
  const visitId = today.visits[0]?.visitId ?? '';
  const has = sayHasOfToday(today.visits.map((v) => ({ visitId: v.visitId, cursor: v.cursor, tag: v.tag })));
  await person.send(visitId, person.make(visitId, [TAP]));
  const path = `/api/today/news?has=${encodeURIComponent(has)}`;
  const text = await (await person.ask('GET', path)).text();
  row(`Today after a tap, ${today.visits.length} dogs, before compression`, 'under 5 kB', `${(text.length / 1000).toFixed(1)} kB`);
}
