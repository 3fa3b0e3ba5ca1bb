import { Plain } from './place.js';

const command = process.argv[2] ?? '';
try {
  if (command === 'demo' || command === 'serve') await (await import('./product.js')).start(command);
  else if (command === 'stop') (await import('./product.js')).stop();
  else if (command === 'reset') await (await import('./reset.js')).reset(process.argv[3], new Date());
  else if (command === 'test') process.exitCode = await (await import('./test.js')).test(process.argv.slice(3));
  else if (command === 'bench') await (await import('./bench.js')).bench();
} catch (error) {
  if (error instanceof Plain) process.stderr.write(`${error.message}\n`);
  else process.stderr.write(`This should not have happened: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  process.exitCode = 1;
}
