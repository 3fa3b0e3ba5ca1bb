import * as z from 'zod';

const CONFIG = z.object({
  MANSUET_OWNER_URL: z.string().startsWith('postgres://'),
  MANSUET_APP_URL: z.string().startsWith('postgres://'),
  MANSUET_PORT: z.coerce.number().int().min(1).max(65535),
  MANSUET_HOST: z.string().default('127.0.0.1'),
  MANSUET_SESSION_SECRET: z.string().min(32),
  MANSUET_WEB_DIR: z.string().optional(),
  MANSUET_OUTBOX_DIR: z.string().optional(),
  MANSUET_DEMO: z.enum(['0', '1']).default('0'),
  MANSUET_LOG: z.enum(['silent', 'warn', 'info']).default('info'),
  MANSUET_CLOCK_AHEAD_MS: z.coerce.number().int().default(0),
});

export interface Config {
  /** Owns the tables; used for migrations and nothing else. */
  readonly ownerUrl: string;
  /** Owns nothing; every request runs with it. */
  readonly appUrl: string;
  readonly port: number;
  readonly host: string;
  readonly sessionSecret: string;
  readonly webDir: string | undefined;
  /** Where the stand-in for text messages writes them as files; nowhere when it is not set. */
  readonly outboxDir: string | undefined;
  readonly demo: boolean;
  readonly log: 'silent' | 'warn' | 'info';
  /** The time, as the product takes it: that of the machine, but for tests that must not meet midnight. */
  readonly clock: () => Date;
}

/** Reads the configuration from the environment. @throws ZodError that names each missing variable */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const c = CONFIG.parse(env);
  return {
    ownerUrl: c.MANSUET_OWNER_URL,
    appUrl: c.MANSUET_APP_URL,
    port: c.MANSUET_PORT,
    host: c.MANSUET_HOST,
    sessionSecret: c.MANSUET_SESSION_SECRET,
    webDir: c.MANSUET_WEB_DIR,
    outboxDir: c.MANSUET_OUTBOX_DIR,
    demo: c.MANSUET_DEMO === '1',
    log: c.MANSUET_LOG,
    clock: () => new Date(Date.now() + c.MANSUET_CLOCK_AHEAD_MS),
  };
}
