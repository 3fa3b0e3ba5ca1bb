import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { alive } from './running-server.js';
import { ownerIn, TestRun } from './test-run.js';

describe('what a test run leaves', () => {
  const root = mkdtempSync(join(tmpdir(), 'mansuet-run-'));
  const said: string[] = [];
  const open = (): TestRun => new TestRun((line) => void said.push(line), ['pg-own'], root);
  // Long enough for any test; it is ended by what is tested, or with the test.
  const begun: ChildProcess[] = [];
  const begin = async (mark?: string): Promise<number> => {
    const env = mark === undefined ? process.env : { ...process.env, MANSUET_TEST_RUN: mark };
    const child = spawn('sleep', ['600'], { env, stdio: 'ignore' });
    begun.push(child);
    await new Promise((done) => child.once('spawn', done));
    return child.pid ?? 0;
  };
  const database = (name: string): string => {
    const folder = join(root, '.run', name);
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'PG_VERSION'), '15\n');
    return folder;
  };
  beforeEach(() => void said.splice(0));
  afterAll(() => {
    for (const child of begun) child.kill('SIGKILL');
    rmSync(root, { recursive: true, force: true });
  });

  it('is told by the mark that its processes inherit', () => {
    expect(ownerIn('HOME=/\0MANSUET_TEST_RUN=/a/b#17\0X=1', '/a/b')).toBe(17);
    expect(ownerIn('MANSUET_TEST_RUN=/a/bc#17', '/a/b')).toBeUndefined();
    expect(ownerIn('OLD_MANSUET_TEST_RUN=/a/b#17', '/a/b')).toBeUndefined();
  });
  it('is ended with it: a process that outlived its test, and a database that was not there before', async () => {
    const kept = database('pg');
    const old = database('pg-own');
    const run = open();
    const pid = await begin();
    const made = database('pg-faults');
    const left = run.end();
    expect(left).toEqual([`${pid}: sleep 600`]);
    expect(alive(pid)).toBeFalse();
    expect([kept, old, made].map((f) => existsSync(f))).toEqual([true, false, false]);
    expect(said).toEqual([]);
  });
  it('is ended by the next one where it was killed outright, and nothing of another checkout is', async () => {
    const stray = await begin(`${root}#999999999`);
    const other = await begin(`${root}-other#999999999`);
    const run = open();
    expect([alive(stray), alive(other)]).toEqual([false, true]);
    expect(said).toEqual([`Left by a test run that was killed, ended now: ${stray}: sleep 600`]);
    expect(run.end()).toEqual([]);
  });
  it('keeps the environment of whoever asked as it was', () => {
    const was = process.env['MANSUET_TEST_RUN'];
    open().end();
    expect(process.env['MANSUET_TEST_RUN']).toBe(was);
  });
});
