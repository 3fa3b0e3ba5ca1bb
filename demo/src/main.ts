import { readConfig } from '@mansuet/server/config';
import { openDatabase } from '@mansuet/server/database/database';
import { migrate } from '@mansuet/server/database/migrate';
import { loadDeskWork } from './desk-work.js';
import { demoLead, foundDemoSalon, loadPast, loadToday, todayIsEmpty } from './load-salon.js';

/** Loads the demo salon into an empty database; on a later day it only books that day. */
const config = readConfig(process.env);
await migrate(config.ownerUrl);
const db = openDatabase(config.appUrl);
try {
  const now = config.clock();
  const founded = await foundDemoSalon(db);
  const past = founded ? await loadPast(db, founded, now) : undefined;
  if (founded) await loadDeskWork(db, founded, now);
  const who = founded ?? (await demoLead(db));
  const today = who && (await todayIsEmpty(db, who, now)) ? await loadToday(db, who, now) : 0;
  process.stdout.write(
    past
      ? `Demo salon loaded: ${past.dogs} dogs, ${past.pastVisits} past visits, ${today} today.\n`
      : today > 0
        ? `A new day: ${today} dogs booked.\n`
        : 'The demo salon is there already.\n',
  );
} finally {
  await db.close();
}
