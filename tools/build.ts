import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, RUN, WEB_DIST } from './place.js';
import { must } from './run-command.js';

const SOURCES = ['core', 'server', 'demo', 'web', 'package-lock.json', 'tsconfig.base.json'];
const LEFT_OUT = ['node_modules', 'dist', '.angular'];

/** Builds server and browser code for production, unless nothing has changed since the last build. */
export async function build(say: (line: string) => void): Promise<void> {
  const stamp = join(RUN, 'build.sha256');
  const now = fingerprint();
  const whole = existsSync(join(WEB_DIST, 'index.html')) && existsSync(join(ROOT, 'server', 'dist', 'main.js'));
  if (whole && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('Building …');
  await must('Building the server', 'npx', ['tsc', '-b', 'core', 'server', 'demo']);
  await must('Building the screens', 'npm', ['run', 'build', '-w', 'web', '--silent']);
  writeFileSync(stamp, now);
}

function fingerprint(): string {
  const hash = createHash('sha256');
  const add = (path: string): void => {
    const facts = statSync(path);
    if (facts.isDirectory()) {
      for (const name of readdirSync(path).sort()) if (!LEFT_OUT.includes(name)) add(join(path, name));
    } else if (!path.endsWith('.tsbuildinfo')) {
      hash.update(path).update(readFileSync(path));
    }
  };
  for (const source of SOURCES) add(join(ROOT, source));
  return hash.digest('hex');
}
