import { createServer, type Server } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app.js';
import type { Config } from './config.js';
import { openDatabase } from './database/database.js';
import { migrate } from './database/migrate.js';
import { StandInGateway } from './messages/gateway.js';
import { LiveHub } from './live/live-hub.js';
import { DEMO_LOGINS } from './sign-in/demo-logins.js';

export interface Running {
  readonly port: number;
  close(): Promise<void>;
}

/** Migrates, opens everything and listens. @returns how to close it again, connections of live streams included */
export async function serve(config: Config): Promise<Running> {
  const log = pino({ level: config.log });
  await migrate(config.ownerUrl);
  const db = openDatabase(config.appUrl);
  const hub = new LiveHub(config.appUrl, log);
  await hub.start();
  const app = createApp({
    db,
    hub,
    gateway: new StandInGateway(config.outboxDir),
    log,
    clock: config.clock,
    sessionSecret: config.sessionSecret,
    webDir: config.webDir,
    demoLogins: config.demo ? DEMO_LOGINS : [],
  });
  const server = createServer(app);
  await listen(server, config.port, config.host);
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : config.port,
    close: async () => {
      const closed = new Promise<void>((done) => server.close(() => done()));
      server.closeAllConnections();
      await closed;
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
