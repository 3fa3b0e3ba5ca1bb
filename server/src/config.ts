import * as z from 'zod';

const CONFIG = z
  .object({
    MANSUET_OWNER_URL: z.string().startsWith('postgres://'),
    MANSUET_APP_URL: z.string().startsWith('postgres://'),
    MANSUET_LISTEN_URL: z.string().startsWith('postgres://').optional(),
    MANSUET_PORT: z.coerce.number().int().min(1).max(65535),
    MANSUET_HOST: z.string().default('127.0.0.1'),
    MANSUET_PUBLIC_URL: z.url({ protocol: /^https?$/ }).optional(),
    MANSUET_TLS_CERT: z.string().optional(),
    MANSUET_TLS_KEY: z.string().optional(),
    MANSUET_TLS_AUTHORITY: z.string().optional(),
    MANSUET_DOOR_PORT: z.coerce.number().int().min(1).max(65535).optional(),
    MANSUET_TRUST_PROXY: z.coerce.number().int().min(0).max(8).default(0),
    MANSUET_HSTS_SECONDS: z.coerce.number().int().min(0).max(63_072_000).default(0),
    MANSUET_SESSION_SECRET: z.string().min(32),
    MANSUET_WEB_DIR: z.string().optional(),
    MANSUET_OUTBOX_DIR: z.string().optional(),
    MANSUET_SMTP_URL: z.url({ protocol: /^smtps?$/ }).optional(),
    MANSUET_MAIL_FROM: z.email().optional(),
    MANSUET_METRICS_PORT: z.coerce.number().int().min(1).max(65535).optional(),
    MANSUET_LAST_BACKUP_FILE: z.string().optional(),
    MANSUET_DATA_DIR: z.string().default('.'),
    MANSUET_DEMO: z.enum(['0', '1']).default('0'),
    MANSUET_LOG: z.enum(['silent', 'warn', 'info']).default('info'),
    MANSUET_CLOCK_AHEAD_MS: z.coerce.number().int().default(0),
  })
  .superRefine((c, wrong) => {
    const needs = (path: string, message: string): void => wrong.addIssue({ code: 'custom', path: [path], message });
    if ((c.MANSUET_TLS_CERT === undefined) !== (c.MANSUET_TLS_KEY === undefined))
      needs('MANSUET_TLS_CERT', 'certificate and key come together: set MANSUET_TLS_CERT and MANSUET_TLS_KEY');
    if (!isLoopback(c.MANSUET_HOST) && c.MANSUET_TLS_CERT === undefined && c.MANSUET_TRUST_PROXY === 0)
      needs(
        'MANSUET_HOST',
        'tablets keep nothing for when the network is gone without HTTPS: set a certificate, or MANSUET_TRUST_PROXY where a proxy speaks TLS',
      );
    if ((c.MANSUET_SMTP_URL === undefined) !== (c.MANSUET_MAIL_FROM === undefined))
      needs(
        'MANSUET_MAIL_FROM',
        'a mail server and the address that mails come from go together: set MANSUET_SMTP_URL and MANSUET_MAIL_FROM',
      );
    if (c.MANSUET_TRUST_PROXY > 0 && c.MANSUET_PUBLIC_URL === undefined)
      needs('MANSUET_PUBLIC_URL', 'behind a proxy the address that people use has to be said');
  });

/** A certificate and its key, as files. */
export interface Tls {
  readonly cert: string;
  readonly key: string;
  /** The certificate of the local authority that signed it: offered to tablets at the door. */
  readonly authority: string | undefined;
}

export interface Config {
  /** Owns the tables; used for migrations and nothing else. */
  readonly ownerUrl: string;
  /** Owns nothing; every request runs with it. */
  readonly appUrl: string;
  /** The same role past any pool that lends a connection for one transaction only: what is said to a connection has to be heard by it. */
  readonly listenUrl: string;
  readonly port: number;
  readonly host: string;
  /** The address that people use, without a slash at its end: links for owners begin with it, whatever a request says. */
  readonly publicUrl: string;
  readonly tls: Tls | undefined;
  /** Plain HTTP for tablets that do not trust the certificate yet, and for who typed no "https". */
  readonly doorPort: number | undefined;
  /** Proxies in front whose word on who asks counts. */
  readonly trustProxy: number;
  /** For how long browsers are to use nothing but HTTPS here; 0 says nothing. */
  readonly hstsSeconds: number;
  readonly sessionSecret: string;
  readonly webDir: string | undefined;
  /** Where the stand-in for text messages writes them as files; nowhere when it is not set. */
  readonly outboxDir: string | undefined;
  /** The mail server, and the address that mails come from; without them mails wait and say why. */
  readonly smtpUrl: string | undefined;
  readonly mailFrom: string | undefined;
  /** Where it is measured, on loopback; nowhere when it is not set. */
  readonly metricsPort: number | undefined;
  readonly lastBackupFile: string | undefined;
  readonly dataDir: string;
  readonly demo: boolean;
  readonly log: 'silent' | 'warn' | 'info';
  /** The time, as the product takes it: that of the machine, but for tests that must not meet midnight. */
  readonly clock: () => Date;
}

const isLoopback = (host: string): boolean => host === 'localhost' || host === '::1' || host.startsWith('127.');

/** Reads the configuration from the environment. @throws ZodError that names each missing variable */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const c = CONFIG.parse(env);
  const scheme = c.MANSUET_TLS_CERT === undefined ? 'http' : 'https';
  return {
    ownerUrl: c.MANSUET_OWNER_URL,
    appUrl: c.MANSUET_APP_URL,
    listenUrl: c.MANSUET_LISTEN_URL ?? c.MANSUET_APP_URL,
    port: c.MANSUET_PORT,
    host: c.MANSUET_HOST,
    publicUrl: (
      c.MANSUET_PUBLIC_URL ?? `${scheme}://${isLoopback(c.MANSUET_HOST) ? c.MANSUET_HOST : 'localhost'}:${c.MANSUET_PORT}`
    ).replace(/\/+$/, ''),
    tls:
      c.MANSUET_TLS_CERT !== undefined && c.MANSUET_TLS_KEY !== undefined
        ? { cert: c.MANSUET_TLS_CERT, key: c.MANSUET_TLS_KEY, authority: c.MANSUET_TLS_AUTHORITY }
        : undefined,
    doorPort: c.MANSUET_DOOR_PORT,
    trustProxy: c.MANSUET_TRUST_PROXY,
    hstsSeconds: c.MANSUET_HSTS_SECONDS,
    sessionSecret: c.MANSUET_SESSION_SECRET,
    webDir: c.MANSUET_WEB_DIR,
    outboxDir: c.MANSUET_OUTBOX_DIR,
    smtpUrl: c.MANSUET_SMTP_URL,
    mailFrom: c.MANSUET_MAIL_FROM,
    metricsPort: c.MANSUET_METRICS_PORT,
    lastBackupFile: c.MANSUET_LAST_BACKUP_FILE,
    dataDir: c.MANSUET_DATA_DIR,
    demo: c.MANSUET_DEMO === '1',
    log: c.MANSUET_LOG,
    clock: () => new Date(Date.now() + c.MANSUET_CLOCK_AHEAD_MS),
  };
}
