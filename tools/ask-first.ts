import { createInterface } from 'node:readline/promises';
import { Plain } from './place.js';

/** @param otherwise what is said when something else is typed @throws Plain unless the word is typed, or piped in */
export async function askFor(word: string, what: string, otherwise = 'Nothing was deleted.'): Promise<void> {
  process.stdout.write(`${what}\n`);
  const asking = createInterface({ input: process.stdin, output: process.stdout });
  const typed = await new Promise<string>((done) => {
    asking.once('close', () => done(''));
    void asking.question(`Type ${word} to go on, anything else to leave it as it is: `).then(done);
  });
  asking.close();
  if (typed.trim() !== word) throw new Plain(`\n${otherwise}`);
}

/** A moment as part of a name of a file. */
export const stampOf = (now: Date): string => now.toISOString().slice(0, 19).replaceAll(':', '-');
