import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { SMTPServer } from 'smtp-server';

/** A mail server of its own, on loopback alone: it delivers nothing and keeps each mail as a file. */
export interface MailStandIn {
  readonly url: string;
  close(): Promise<void>;
}

/**
 * Starts it. For the demo: what is sent there can be opened, and leaves this machine for nowhere.
 * @param folder where mails are written as `.eml`; nowhere when it is not set
 */
export async function startMailStandIn(folder: string | undefined): Promise<MailStandIn> {
  let count = 0;
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    onData: (stream, _session, answer) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => void chunks.push(chunk));
      stream.on('error', (error) => answer(error));
      stream.on('end', () => {
        keep(folder, `mail-${process.pid}-${++count}.eml`, Buffer.concat(chunks)).then(
          () => answer(),
          (error: unknown) => answer(error instanceof Error ? error : new Error(String(error))),
        );
      });
    },
  });
  await new Promise<void>((done, fail) => {
    server.once('error', fail);
    server.listen(0, '127.0.0.1', done);
  });
  const address = server.server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  return { url: `smtp://127.0.0.1:${port}`, close: () => new Promise<void>((done) => server.close(() => done())) };
}

async function keep(folder: string | undefined, name: string, mail: Buffer): Promise<void> {
  if (!folder) return;
  await mkdir(folder, { recursive: true });
  await writeFile(join(folder, name), mail, { mode: 0o600 });
}
