import { parseArgs } from 'node:util';
import type { BackupAsked } from './backup/backup.js';
import type { RestoreAsked } from './backup/restore.js';
import { Plain } from './place.js';

const command = process.argv[2] ?? '';
const rest = process.argv.slice(3);
try {
  if (command === 'demo' || command === 'serve') {
    const product = await import('./product.js');
    await (mustStay(rest, command) ? product.stay(command) : product.start(command));
  } else if (command === 'install-service') (await import('./service/install.js')).installService(process.env, shownOnly(rest));
  else if (command === 'stop') (await import('./product.js')).stop();
  else if (command === 'reset') await (await import('./reset.js')).reset(process.argv[3], new Date());
  else if (command === 'backup') await (await import('./backup/backup.js')).backup(process.env, backupAsked(rest), new Date());
  else if (command === 'restore') await (await import('./backup/restore.js')).restore(process.env, restoreAsked(rest), new Date());
  else if (command === 'test') process.exitCode = await (await import('./test.js')).test(process.argv.slice(3));
  else if (command === 'drill') process.exitCode = await (await import('./cluster/drill.js')).drill(rest);
  else if (command === 'bench') await (await import('./bench.js')).bench();
} catch (error) {
  if (error instanceof Plain) process.stderr.write(`${error.message}\n`);
  else process.stderr.write(`This should not have happened: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  process.exitCode = 1;
}

function mustStay(args: readonly string[], name: string): boolean {
  return asked(
    () => parseArgs({ args: [...args], options: { stay: { type: 'boolean' } } }).values.stay === true,
    `./mansuet ${name} [--stay]`,
  );
}
function shownOnly(args: readonly string[]): boolean {
  return asked(
    () => parseArgs({ args: [...args], options: { print: { type: 'boolean' } } }).values.print === true,
    './mansuet install-service [--print]',
  );
}
function backupAsked(args: readonly string[]): BackupAsked {
  return asked(() => {
    const { list, whole, note, to } = parseArgs({
      args: [...args],
      options: { list: { type: 'boolean' }, whole: { type: 'boolean' }, note: { type: 'string' }, to: { type: 'string' } },
    }).values;
    return { ...(list ? { list } : {}), ...(whole ? { whole } : {}), ...(note ? { note } : {}), ...(to ? { to } : {}) };
  }, './mansuet backup [--list] [--whole] [--note "why"] [--to /folder]');
}
function restoreAsked(args: readonly string[]): RestoreAsked {
  return asked(() => {
    const { from, at } = parseArgs({ args: [...args], options: { from: { type: 'string' }, at: { type: 'string' } } }).values;
    return { ...(from ? { from } : {}), ...(at ? { at } : {}) };
  }, './mansuet restore [--from /folder] [--at "2026-11-30 14:05"]');
}
/** @throws Plain for an option that is not there */
function asked<T>(read: () => T, usage: string): T {
  try {
    return read();
  } catch (error) {
    throw new Plain(`${error instanceof Error ? error.message : String(error)}\n${usage}`);
  }
}
