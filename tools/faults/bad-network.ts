import { createServer, request, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

/** What the way between a tablet and the server does to what goes over it. */
export type Weather = 'fine' | 'cut' | 'slow' | 'twice' | 'disordered';

/** A small proxy of our own: it cuts, slows, doubles and disorders what goes through it. */
export class BadNetwork {
  weather: Weather = 'fine';
  private readonly server: Server;

  constructor(
    private readonly to: number,
    private readonly chance: () => number,
  ) {
    this.server = createServer((asked, answer) => void this.pass(asked, answer).catch(() => answer.destroy()));
  }

  listen(port: number): Promise<void> {
    return new Promise((done) => this.server.listen(port, '127.0.0.1', done));
  }
  close(): Promise<void> {
    this.server.closeAllConnections();
    return new Promise((done) => this.server.close(() => done()));
  }

  private async pass(asked: IncomingMessage, answer: ServerResponse): Promise<void> {
    const chunks: Buffer[] = [];
    for await (const chunk of asked) chunks.push(Buffer.isBuffer(chunk) ? chunk : Buffer.from(String(chunk)));
    const body = Buffer.concat(chunks);
    // Half of what is cut never arrives; of the other half only the answer is lost.
    if (this.weather === 'cut' && this.chance() < 0.5) return void asked.socket.destroy();
    if (this.weather === 'slow') await wait(200 + 800 * this.chance());
    if (this.weather === 'disordered') await wait(400 * this.chance());
    const first = this.ask(asked, body);
    const second = this.weather === 'twice' ? this.ask(asked, body) : first;
    const [told] = await Promise.all([first, second]);
    if (this.weather === 'cut') return void asked.socket.destroy();
    answer.writeHead(told.status, told.headers).end(told.body);
  }

  private ask(asked: IncomingMessage, body: Buffer): Promise<{ status: number; headers: IncomingMessage['headers']; body: Buffer }> {
    return new Promise((done, fail) => {
      const out = request({ host: '127.0.0.1', port: this.to, path: asked.url, method: asked.method, headers: asked.headers });
      out.on('error', fail);
      out.on('response', (told) => {
        const chunks: Buffer[] = [];
        told.on('data', (chunk: Buffer) => chunks.push(chunk));
        told.on('error', fail);
        told.on('end', () => done({ status: told.statusCode ?? 502, headers: told.headers, body: Buffer.concat(chunks) }));
      });
      out.end(body);
    });
  }
}

export const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
