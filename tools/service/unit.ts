/** What a unit is made of. */
export interface Serves {
  /** The checkout, in full. */
  readonly root: string;
  /** Who it runs as. */
  readonly user: string;
  /** Where node is, for systemd has a short path of its own. */
  readonly path: string;
  /** Settings of the product, as they are now. */
  readonly env: Readonly<Record<string, string>>;
}

/** Time in which server and database end by themselves, seconds. Our default. */
const STOP_SECONDS = 90;
/** Packages and pages may have to be made first, seconds. */
const START_SECONDS = 900;

/** Starts with the machine, is started again when it fails, and writes into the journal, which is kept short by itself. */
export function unitOf({ root, user, path, env }: Serves): string {
  const settings = Object.entries({ PATH: path, ...env }).sort(([a], [b]) => (a < b ? -1 : 1));
  return [
    '[Unit]',
    'Description=Mansuet, the record of a grooming salon',
    'After=network-online.target',
    'Wants=network-online.target',
    'StartLimitIntervalSec=600',
    'StartLimitBurst=5',
    '',
    '[Service]',
    'Type=exec',
    `User=${user}`,
    `WorkingDirectory=${escaped(root)}`,
    ...settings.map(([key, value]) => `Environment="${key}=${escaped(value).replaceAll('"', '\\"')}"`),
    `ExecStart="${escaped(root)}/mansuet" serve --stay`,
    'Restart=on-failure',
    'RestartSec=5',
    // The command ends what it started, in order; only what is left then is killed.
    'KillMode=mixed',
    `TimeoutStartSec=${START_SECONDS}`,
    `TimeoutStopSec=${STOP_SECONDS}`,
    '',
    '[Install]',
    'WantedBy=multi-user.target',
    '',
  ].join('\n');
}

/** A percent sign begins a specifier, a backslash an escape. */
const escaped = (text: string): string => text.replaceAll('\\', '\\\\').replaceAll('%', '%%');
