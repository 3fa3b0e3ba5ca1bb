import { existsSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { userInfo } from 'node:os';
import { spawnSync } from 'node:child_process';
import { Plain, ROOT } from '../place.js';
import { isRoot } from '../run-command.js';
import { unitOf } from './unit.js';

const UNIT_FILE = '/etc/systemd/system/mansuet.service';

/** `./mansuet install-service`: from now on it starts with the machine. @param shown only shows the unit @throws Plain where there is no systemd, or no right to it */
export function installService(env: NodeJS.ProcessEnv, shown: boolean): void {
  const user = env['SUDO_USER'] ?? userInfo().username;
  const own = Object.entries(env).flatMap(([key, value]) =>
    key.startsWith('MANSUET_') && value !== undefined ? [[key, value] as const] : [],
  );
  const path = [
    ...new Set([dirname(process.execPath), '/usr/local/sbin', '/usr/local/bin', '/usr/sbin', '/usr/bin', '/sbin', '/bin']),
  ].join(':');
  const unit = unitOf({ root: ROOT, user, path, env: Object.fromEntries(own) });
  if (shown) return void process.stdout.write(unit);
  if (!existsSync('/run/systemd/system'))
    throw new Plain(
      'systemd does not run on this machine. ./mansuet install-service --print shows the unit; ./mansuet serve starts it by hand.',
    );
  if (!isRoot()) throw new Plain('This needs the rights of root: sudo ./mansuet install-service');
  // Passphrases and passwords may stand in it.
  writeFileSync(UNIT_FILE, unit, { mode: 0o600 });
  for (const args of [['daemon-reload'], ['enable', 'mansuet.service'], ['restart', 'mansuet.service']]) {
    const done = spawnSync('systemctl', args, { encoding: 'utf8' });
    if (done.status !== 0) throw new Plain(`systemctl ${args.join(' ')} failed:\n${done.stderr.trim()}`);
  }
  process.stdout.write(
    `Mansuet starts with this machine from now on, as ${user}.\nHow it goes: systemctl status mansuet; what it says: journalctl -u mansuet.\nNo more: systemctl disable --now mansuet\n`,
  );
}
