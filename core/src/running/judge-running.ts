/** What is looked at, in the order it is shown. */
export const RUNNING_PARTS = ['backup', 'disk', 'messages', 'devices', 'trouble'] as const;
export type RunningPart = (typeof RUNNING_PARTS)[number];

/** As it should be; worth a look this week; today. */
export const RUNNING_STATES = ['good', 'look', 'act'] as const;
export type RunningState = (typeof RUNNING_STATES)[number];

/** What is known of a salon's own machine. Moments are Unix ms. */
export interface RunningFacts {
  readonly nowMs: number;
  /** The last backup that was begun; `null`: none yet; `undefined`: nobody takes any here, where what is kept is not invented. */
  readonly backup: { readonly begunMs: number; readonly ok: boolean } | 'invented' | null | undefined;
  readonly disk: { readonly freeBytes: number; readonly bytes: number };
  readonly messages: {
    readonly waitingSinceMs: number | null;
    readonly waiting: number;
    readonly givenUp: number;
    readonly unsure: number;
  };
  /** Devices that entered something lately: how long the latest of their entries took to arrive, minutes. */
  readonly devices: readonly { readonly minutesLate: number }[];
  /** Since the server was started: what went wrong in a way that nobody foresaw, and questions to the database that took too long. */
  readonly trouble: { readonly errors: number; readonly slow: number };
}

/** A night may be missed for a reason; two are a fault. Hours, our defaults. */
const BACKUP_LOOK_HOURS = 30;
const BACKUP_ACT_HOURS = 54;
/** Under these a disk is full before long: a share, and bytes whatever its size. Our defaults. */
const DISK_LOOK_SHARE = 0.1;
const DISK_LOOK_BYTES = 5e9;
const DISK_ACT_BYTES = 1e9;
/** A message that waits so long is tried again and again, minutes. Our default. */
const MESSAGE_MINUTES = 60;
/** An entry is at the others within seconds; so late it was made without a network, minutes. Our default. */
export const DEVICE_LATE_MINUTES = 15;
/** A slow question now and then is a busy disk. Our default. */
const SLOW_LOOK = 20;

/**
 * How each part of the product runs: as it should, worth a look this week, or for today. Limits are our defaults, no source.
 */
export function judgeRunning(facts: RunningFacts): Readonly<Record<RunningPart, RunningState>> {
  const { nowMs, backup, disk, messages, devices, trouble } = facts;
  return {
    backup: backupState(backup, nowMs),
    disk:
      disk.freeBytes < DISK_ACT_BYTES
        ? 'act'
        : disk.freeBytes < Math.max(DISK_LOOK_SHARE * disk.bytes, Math.min(DISK_LOOK_BYTES, 0.5 * disk.bytes))
          ? 'look'
          : 'good',
    messages:
      messages.givenUp > 0 || messages.unsure > 0
        ? 'act'
        : messages.waitingSinceMs !== null && nowMs - messages.waitingSinceMs > MESSAGE_MINUTES * 60_000
          ? 'look'
          : 'good',
    devices: devices.some((d) => d.minutesLate > DEVICE_LATE_MINUTES) ? 'look' : 'good',
    trouble: trouble.errors > 0 || trouble.slow >= SLOW_LOOK ? 'look' : 'good',
  };
}

function backupState(backup: RunningFacts['backup'], nowMs: number): RunningState {
  if (backup === 'invented') return 'good';
  if (!backup) return 'act';
  const hours = (nowMs - backup.begunMs) / 3_600_000;
  if (hours > BACKUP_ACT_HOURS) return 'act';
  return !backup.ok || hours > BACKUP_LOOK_HOURS ? 'look' : 'good';
}
