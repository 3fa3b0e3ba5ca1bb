import type { ChildProcess } from 'node:child_process';
import type { Page } from '@playwright/test';
import pg from 'pg';
import { SESSION } from '@mansuet/core/contract';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { makeEvent, uuidV7 } from '@mansuet/core/log';
import { freePort } from '../tools/free-port.js';
import { expect, startServer, stopServer } from './support.js';

/** A server with an empty database, of one test alone. */
export interface EmptyServer {
  readonly origin: string;
  close(): Promise<void>;
}

export async function emptyServer(): Promise<EmptyServer> {
  const admin = new pg.Client({ connectionString: process.env['MANSUET_ADMIN_URL'] });
  await admin.connect();
  const database = `empty_${Date.now()}`;
  await admin.query(`create database ${database} owner mansuet_owner`);
  const on = (name: string): string => (process.env[name] ?? '').replace(/\/[^/]*$/, `/${database}`);
  const port = await freePort();
  const server: ChildProcess = await startServer(port, {
    MANSUET_OWNER_URL: on('MANSUET_OWNER_URL'),
    MANSUET_APP_URL: on('MANSUET_APP_URL'),
    MANSUET_DEMO: '0',
  });
  return {
    origin: `http://127.0.0.1:${port}`,
    close: async () => {
      await stopServer(server);
      await admin.query(`drop database ${database} with (force)`);
      await admin.end();
    },
  };
}

const AHEAD_MS = Number(process.env['MANSUET_CLOCK_AHEAD_MS'] ?? 0);
const bytes = (into: Uint8Array): Uint8Array => crypto.getRandomValues(into as Uint8Array<ArrayBuffer>);

/** Who founds a salon on it, signed in on a page, and enters what a test begins with. */
export class Founder {
  private csrf = '';
  private staffId = '';
  private last: Parameters<typeof makeEvent>[1]['last'];

  constructor(
    private readonly page: Page,
    private readonly origin: string,
  ) {}

  private async send(method: 'POST' | 'PUT', path: string, data: object): Promise<unknown> {
    const reply = await this.page.request.fetch(this.origin + path, { method, data, headers: { 'x-csrf-token': this.csrf } });
    expect(reply.ok(), `${path}: ${await reply.text()}`).toBe(true);
    return reply.status() === 204 ? undefined : ((await reply.json()) as unknown);
  }

  /** A salon that is open every day from eight to six, in a place of its own. */
  async found(name: string, timeZone: string): Promise<void> {
    const person = { name, login: 'lead', password: 'ten letters and more', vetName: 'Vet', vetPhone: '0550 1' };
    const { signedIn } = SESSION.parse(await this.send('POST', '/api/first-run', { salonName: 'Saltgrass', ...person }));
    this.csrf = signedIn?.csrf ?? '';
    this.staffId = signedIn?.staff.staffId ?? '';
    if (!signedIn) throw new Error('nobody is signed in');
    const { formats, handLimits, priceRule } = signedIn.salon;
    const form = { name: 'Saltgrass', vetName: 'Vet', vetPhone: '0550 1', currency: 'CAD', ratePerMinuteMinor: 80, timeZone };
    await this.send('PUT', '/api/salon', { ...form, formats, handLimits, priceRule, version: 1 });
    const week = Array.from({ length: 7 }, () => ({ from: '08:00', to: '18:00' }));
    await this.send('PUT', '/api/salon/opening', { week, closed: [], version: 2 });
  }
  async colleague(name: string): Promise<void> {
    const login = name.split(' ')[0]?.toLowerCase();
    await this.send('POST', '/api/staff', { name, login, password: 'ten letters and more', role: 'groomer', trained: true });
  }
  /** A dog of eight kilograms that is booked with the lead, so many minutes from now. @returns the dog's id */
  async booked(dog: string, minutesFromNow: number, sessionMinutes: number): Promise<string> {
    const owner = { name: `Owner of ${dog}`, phone: '0550 2', email: '', contacts: [] };
    const form = { ...EMPTY_DOG, name: dog, born: '2021-06-01', weightKg: 8 };
    const { id } = (await this.send('POST', '/api/dogs', { dog: form, owner })) as { id: string };
    const nowMs = Date.now() + AHEAD_MS;
    const visitId = uuidV7(nowMs, bytes);
    const event = makeEvent(
      {
        type: 'visit_booked',
        body: {
          dogId: id,
          arrivesAt: new Date(nowMs + minutesFromNow * 60_000).toISOString(),
          groomerId: this.staffId,
          asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes },
          helperThere: false,
          zone: 'UTC',
        },
      },
      { visitId, by: this.staffId, device: 'e2e', nowMs, random: bytes, last: this.last },
    );
    this.last = event.stamp;
    await this.send('POST', `/api/visits/${visitId}/events`, { events: [event] });
    return id;
  }
}
