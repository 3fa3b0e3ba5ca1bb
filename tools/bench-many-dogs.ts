import pg from 'pg';
import { openDatabase } from '../server/src/database/database.js';
import { addDog } from '../server/src/dogs/dogs.repository.js';
import { DEMO_DOGS, formOf } from '../demo/src/dogs.js';
import { demoLead } from '../demo/src/load-salon.js';
import { seeded } from '../demo/src/random.js';

/** Enters invented dogs into the bench's database, through the function that stores what users enter. */
const [count = '20000', from = '0'] = process.argv.slice(2);
/** Numbers of the first and after the last: each dog has its own name and phone. */
const [first, end] = [Number(from), Number(from) + Number(count)];
const url = process.env['MANSUET_APP_URL'];
if (!url) throw new Error('MANSUET_APP_URL is not set');
const db = openDatabase(url);
const who = await demoLead(db);
if (!who) throw new Error('the demo salon is not there');

const random = seeded(11);
const SOUNDS = [
  'ba',
  'cor',
  'del',
  'fen',
  'gri',
  'hol',
  'ja',
  'kes',
  'lum',
  'mir',
  'nor',
  'os',
  'pel',
  'quin',
  'ros',
  'sel',
  'tam',
  'ul',
  'ver',
  'wil',
] as const;
const ENDS = ['a', 'by', 'der', 'ek', 'i', 'la', 'mond', 'ne', 'o', 'ser', 'ton', 'win'] as const;
const word = (syllables: number): string => {
  const text = Array.from({ length: syllables }, () => random.pick(SOUNDS)).join('') + random.pick(ENDS);
  return text.charAt(0).toUpperCase() + text.slice(1);
};
const BATCH = 250;
const like = DEMO_DOGS[0];
if (!like) throw new Error('the demo has no dogs');
const form = formOf(like, new Date());
const add = async (start: number): Promise<void> => {
  await db.inSalon(who.salonId, async (trx) => {
    for (let i = start; i < Math.min(start + BATCH, end); i++) {
      const owner = { name: `${word(1)} ${word(2)}`, phone: `0550 ${String(200_000 + i)}`, email: '', contacts: [] };
      await addDog(trx, who.salonId, { ...form, name: word(i % 3 === 0 ? 2 : 1) }, owner, '2026-11-25');
    }
  });
};
for (let at = first; at < end; at += BATCH) await add(at);
await db.close();
// What the database does by itself within minutes: the bench does not wait for it.
const owner = new pg.Client({ connectionString: process.env['MANSUET_OWNER_URL'] });
await owner.connect();
await owner.query('vacuum analyze dog, owner, search_word, search_posting, search_phone, dog_weight');
await owner.end();
