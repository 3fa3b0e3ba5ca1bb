import { readConfig } from './config.js';
import { serve } from './serve.js';

const config = readConfig(process.env);
try {
  const running = await serve(config);
  process.stdout.write(`listening on ${config.host}:${running.port}, as ${config.publicUrl}\n`);
  const stop = (): void => {
    running.close().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
} catch (error) {
  const code = error instanceof Error ? Reflect.get(error, 'code') : undefined;
  if (code === 'EADDRINUSE')
    process.stderr.write(
      `Port ${config.port} is in use. Stop what runs there, or choose another: MANSUET_PORT=${config.port + 1} ./mansuet demo\n`,
    );
  else process.stderr.write(`Mansuet could not start: ${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
}
