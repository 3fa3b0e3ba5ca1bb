import { readFileSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { pino } from 'pino';
import { createApp } from './app.js';
import type { Config } from './config.js';
import { openDatabase } from './database/database.js';
import { migrate } from './database/migrate.js';
import { createDoor } from './door/door.js';
import { attachedTo } from './after-visit/attached.js';
import { mailBySmtp, NO_MAIL, textStandIn } from './messages/carriers.js';
import { startMailStandIn } from './messages/mail-stand-in.js';
import { PostOffice } from './messages/post-office.js';
import { LiveHub } from './live/live-hub.js';
import { Measures } from './watch/measures.js';
import { metricsDoor } from './watch/metrics-door.js';
import { hearQueries } from './watch/slow-queries.js';
import { DEMO_LOGINS } from './sign-in/demo-logins.js';

export interface Running {
  readonly port: number;
  close(): Promise<void>;
}

/** Migrates, opens everything and listens. @returns how to close it again, connections of live streams included */
export async function serve(config: Config): Promise<Running> {
  const log = pino({ level: config.log });
  await migrate(config.ownerUrl);
  const measures = new Measures(config.clock());
  const db = openDatabase(config.appUrl, {}, hearQueries(measures, log));
  measures.gauge('mansuet_database_connections', 'Connections to the database.', () => db.pool.totalCount);
  measures.gauge('mansuet_database_waiting', 'Requests that wait for a connection to the database.', () => db.pool.waitingCount);
  const hub = new LiveHub(config.listenUrl, log);
  await hub.start();
  measures.gauge('mansuet_live_streams', 'Open streams of screens that follow along.', () => hub.size);
  // Nothing of the demo leaves this machine, whatever is set.
  const standIn = config.demo ? await startMailStandIn(config.outboxDir) : undefined;
  const smtp = standIn?.url ?? config.smtpUrl;
  const post = new PostOffice({
    db,
    log,
    clock: config.clock,
    carriers: { text: textStandIn(config.outboxDir), mail: smtp ? mailBySmtp(smtp, config.mailFrom ?? 'salon@localhost') : NO_MAIL },
    attachments: attachedTo,
    onDue: (count) => measures.messagesDue(count),
  });
  post.start();
  const app = createApp({
    db,
    hub,
    send: (salonId, messageId) => post.send(salonId, messageId),
    log,
    clock: config.clock,
    publicUrl: config.publicUrl,
    trustProxy: config.trustProxy,
    hstsSeconds: config.hstsSeconds,
    sessionSecret: config.sessionSecret,
    webDir: config.webDir,
    demoLogins: config.demo ? DEMO_LOGINS : [],
    measures,
    lastBackupFile: config.lastBackupFile,
    dataDir: config.dataDir,
  });
  const { tls, doorPort } = config;
  const server = tls ? createHttpsServer({ cert: readFileSync(tls.cert), key: readFileSync(tls.key) }, app) : createHttpServer(app);
  await listen(server, config.port, config.host);
  const door =
    tls && doorPort !== undefined
      ? createHttpServer(
          createDoor({
            publicUrl: config.publicUrl,
            authority: tls.authority === undefined ? undefined : readFileSync(tls.authority, 'utf8'),
          }),
        )
      : undefined;
  if (door && doorPort !== undefined) await listen(door, doorPort, config.host);
  const metrics = config.metricsPort === undefined ? undefined : metricsDoor(measures.registry);
  if (metrics && config.metricsPort !== undefined) await listen(metrics, config.metricsPort, '127.0.0.1');
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : config.port,
    close: async () => {
      await Promise.all([server, ...(door ? [door] : []), ...(metrics ? [metrics] : [])].map(closed));
      await post.close();
      await standIn?.close();
      await hub.close();
      await db.close();
    },
  };
}

function listen(server: Server, port: number, host: string): Promise<void> {
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(port, host, done);
  });
}

function closed(server: Server): Promise<void> {
  const over = new Promise<void>((done) => server.close(() => done()));
  server.closeAllConnections();
  return over;
}
