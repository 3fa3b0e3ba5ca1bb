import { createServer, type Server } from 'node:net';

/** Loopback ports that are free now, each another one: all are held until the last is found. */
export async function freePorts(count: number): Promise<readonly number[]> {
  const held = await Promise.all(
    Array.from(
      { length: count },
      () =>
        new Promise<Server>((done, fail) => {
          const server = createServer();
          server.once('error', fail);
          server.listen(0, '127.0.0.1', () => done(server));
        }),
    ),
  );
  const ports = held.map((server) => {
    const address = server.address();
    return typeof address === 'object' && address ? address.port : 0;
  });
  await Promise.all(held.map((server) => new Promise((done) => server.close(done))));
  return ports;
}
