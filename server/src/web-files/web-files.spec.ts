import express from 'express';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { handleProblems } from '../problems/handle-problems.js';
import { webFiles } from './web-files.js';

describe('webFiles', () => {
  let server: Server;
  let url: string;
  let directory: string;

  beforeAll(async () => {
    // A checkout may lie in a folder that is hidden.
    directory = join(mkdtempSync(join(tmpdir(), 'mansuet-web-')), '.hidden');
    mkdirSync(directory);
    writeFileSync(join(directory, 'index.html'), '<title>Mansuet</title>');
    writeFileSync(join(directory, 'main-ABCD1234.js'), '1');
    writeFileSync(join(directory, 'icon.svg'), '<svg/>');
    const app = express();
    app.use(pinoHttp({ logger: pino({ level: 'silent' }), autoLogging: false }));
    app.use(webFiles(directory));
    app.use(handleProblems(() => undefined));
    server = createServer(app);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const address = server.address();
    url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
  });
  afterAll(() => {
    server.close();
    rmSync(join(directory, '..'), { recursive: true });
  });

  for (const path of ['/', '/today', '/visits/1/work']) {
    it(`gives the page for ${path}, never to be kept`, async () => {
      const answer = await fetch(url + path);
      expect(await answer.text()).toContain('Mansuet');
      expect(answer.headers.get('cache-control')).toBe('no-cache');
    });
  }
  it('lets hashed files be kept for a year, others not', async () => {
    expect((await fetch(`${url}/main-ABCD1234.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${url}/icon.svg`)).headers.get('cache-control')).toBe('no-cache');
  });
  for (const path of ['/main-OLDOLD12.js', '/nothing.png', '/api/nothing', '/..%2f..%2fpackage.json']) {
    it(`answers ${path} with 404, not with the page`, async () => {
      const answer = await fetch(url + path);
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(await answer.text()).not.toContain('<title>');
    });
  }
});
