import { request } from 'node:http';
import { Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { addressFor } from './public-address.js';

describe('the address that people use', () => {
  it('is the one that was said, whatever a request says', () =>
    expect(addressFor('https://salon.example:4310', 'evil.example')).toBe('https://salon.example:4310'));
  it('takes the name of the salon from the request where there are many, and nothing else', () => {
    const many = 'https://*.salons.example:8443';
    expect(addressFor(many, 'Moss.salons.example:8443')).toBe('https://moss.salons.example:8443');
    for (const strange of [
      undefined,
      '',
      'evil.example',
      'salons.example:8443',
      '.salons.example:8443',
      'moss.salons.example',
      'moss.salons.example:8443.evil.example',
      'evil.example/.salons.example:8443',
      'a.b.salons.example:8443',
    ])
      expect(() => addressFor(many, strange))
        .withContext(String(strange))
        .toThrowError();
  });

  describe('of a server with many salons', () => {
    let server: SpecServer;
    let browser: Browser;
    beforeAll(async () => {
      server = await specServer({ publicUrl: 'http://*.salons.example' });
      browser = new Browser(server.url);
      await browser.foundSalon();
    });
    afterAll(() => server.close());
    /** Invites somebody, as the page of that host does. */
    const invite = (host: string, login: string): Promise<{ status: number; text: string }> =>
      new Promise((done, fail) => {
        const headers = { host, cookie: browser.cookie, 'x-csrf-token': browser.csrf, 'content-type': 'application/json' };
        const asking = request(`${server.url}/api/people`, { method: 'POST', headers }, (answer) => {
          let text = '';
          answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
          answer.on('end', () => done({ status: answer.statusCode ?? 0, text }));
        });
        asking.on('error', fail);
        asking.end(JSON.stringify({ name: 'New', login, role: 'bather', trained: false }));
      });
    it('stands in the links that it makes', async () => {
      const { status, text } = await invite('moss.salons.example', 'new-one');
      expect([status, text]).toEqual([201, jasmine.stringContaining('"url":"http://moss.salons.example/join/')]);
    });
    it('is never one that a request made up', async () => {
      const { status, text } = await invite('evil.example', 'new-two');
      expect(status).toBe(404);
      expect(text).not.toContain('evil');
    });
  });
});
