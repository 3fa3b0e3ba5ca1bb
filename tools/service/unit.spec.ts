import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { ROOT } from '../place.js';
import { unitOf } from './unit.js';

describe('the unit of the service', () => {
  const unit = unitOf({
    root: '/srv/a salon 100%',
    user: 'imke',
    path: '/usr/bin:/bin',
    env: { MANSUET_HOST: '0.0.0.0', MANSUET_PUBLIC_URL: 'https://salon.example/"x"' },
  });

  it('starts with the machine, again after a failure, and ends in order', () => {
    const lines = unit.split('\n');
    for (const line of [
      'User=imke',
      'Restart=on-failure',
      'KillMode=mixed',
      'WantedBy=multi-user.target',
      'Environment="PATH=/usr/bin:/bin"',
    ])
      expect(lines).toContain(line);
    expect(lines).toContain('ExecStart="/srv/a salon 100%%/mansuet" serve --stay');
    expect(lines).toContain('Environment="MANSUET_PUBLIC_URL=https://salon.example/\\"x\\""');
  });

  it('is a unit to systemd itself, where that is installed', () => {
    if (spawnSync('systemd-analyze', ['--version']).status !== 0) return pending('systemd is not installed here');
    const folder = mkdtempSync(join(tmpdir(), 'mansuet-unit-'));
    const file = join(folder, 'mansuet.service');
    writeFileSync(file, unitOf({ root: ROOT, user: 'root', path: '/usr/bin:/bin', env: { MANSUET_PORT: '4310' } }));
    const { stderr } = spawnSync('systemd-analyze', ['verify', '--man=no', file], { encoding: 'utf8' });
    rmSync(folder, { recursive: true, force: true });
    expect(stderr.split('\n').filter((line) => line.includes('mansuet.service'))).toEqual([]);
  });
});
