import { readFile, statfs } from 'node:fs/promises';
import { Router } from 'express';
import { sql } from 'kysely';
import { LAST_BACKUP, type Running } from '@mansuet/core/contract';
import { judgeRunning } from '@mansuet/core/running';
import { done } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import type { Measures } from './measures.js';

export interface WatchParts extends RouteParts {
  readonly measures: Measures;
  /** Where whoever takes backups writes down how the last one went; none: nobody does here. */
  readonly lastBackupFile: string | undefined;
  /** A folder on the disk that fills up. */
  readonly dataDir: string;
  /** What is in it is invented, and made anew at any time. */
  readonly isDemo: boolean;
}

/** `GET /api/running`: how the product itself runs, for the lead. */
export function runningRoutes(parts: WatchParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/running',
    route('manage_salon', NOTHING, async ({ trx, now }) => {
      const [backup, disk] = await Promise.all([lastBackup(parts.lastBackupFile), freeOn(parts.dataDir)]);
      const { since, ...counted } = parts.measures.trouble;
      const daysAgo = new Date(now.getTime() - DAYS * 86_400_000);
      // What a demo was made with came from no device.
      const heardFrom = parts.isDemo && since > daysAgo ? since : daysAgo;
      const [messages, devices] = [await messagesOf(trx), await devicesOf(trx, heardFrom)];
      const judged = judgeRunning({
        nowMs: now.getTime(),
        backup: parts.isDemo ? 'invented' : backup && { begunMs: Date.parse(backup.begunAt), ok: backup.ok },
        disk,
        messages: { ...messages, waitingSinceMs: messages.waitingSince === null ? null : Date.parse(messages.waitingSince) },
        devices,
        trouble: counted,
      });
      const known: Running = { parts: judged, disk, messages, devices, trouble: { ...counted, since: since.toISOString() } };
      return done(backup === undefined || parts.isDemo ? known : { ...known, backup });
    }),
  );
  return router;
}

/** @returns `undefined` where nobody takes backups, `null` where none was begun yet */
async function lastBackup(file: string | undefined): Promise<Running['backup']> {
  if (file === undefined) return undefined;
  try {
    return LAST_BACKUP.safeParse(JSON.parse(await readFile(file, 'utf8'))).data ?? null;
  } catch (error) {
    if (error instanceof SyntaxError || (error instanceof Error && Reflect.get(error, 'code') === 'ENOENT')) return null;
    throw error;
  }
}

async function freeOn(folder: string): Promise<Running['disk']> {
  const { bavail, blocks, bsize } = await statfs(folder);
  return { freeBytes: bavail * bsize, bytes: blocks * bsize };
}

async function messagesOf(trx: InSalon): Promise<Running['messages']> {
  const { rows } = await sql<{ waiting: number; given_up: number; unsure: number; since: Date | null }>`select
    count(*) filter (where state in ('waiting', 'sending'))::integer as waiting, count(*) filter (where state = 'given_up')::integer as given_up,
    count(*) filter (where state = 'unsure')::integer as unsure, min(sent_at) filter (where state in ('waiting', 'sending')) as since
    from message`.execute(trx);
  const row = rows[0];
  return {
    waiting: row?.waiting ?? 0,
    givenUp: row?.given_up ?? 0,
    unsure: row?.unsure ?? 0,
    waitingSince: row?.since?.toISOString() ?? null,
  };
}

/** Entries of the last days are looked at. */
const DAYS = 2;
const AWAY_DAYS = 14;
/** How long the latest entry of each device took until it was here: an entry of what was earlier is as late as the device made it so. */
async function devicesOf(trx: InSalon, from: Date): Promise<Running['devices']> {
  // A device may have been away for longer than is looked at.
  const visitsFrom = new Date(from.getTime() - AWAY_DAYS * 86_400_000);
  const { rows } = await sql<{ device: string; who: string; heard_at: Date; late: number }>`
    select distinct on (e.device) e.device, s.name as who, e.received_at as heard_at,
      greatest(0, extract(epoch from e.received_at) / 60 - e.stamp_wall_ms / 60000.0)::float as late
    from visit v join visit_event e on e.salon_id = v.salon_id and e.visit_id = v.visit_id
      join staff s on s.salon_id = e.salon_id and s.staff_id = e.by_staff
    where v.arrives_at > ${visitsFrom.toISOString()}::timestamptz and e.received_at > ${from.toISOString()}::timestamptz
    order by e.device, e.seq desc`.execute(trx);
  return rows.map((r) => ({ device: r.device, who: r.who, heardAt: r.heard_at.toISOString(), minutesLate: Math.round(Number(r.late)) }));
}
