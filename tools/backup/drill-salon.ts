import { randomBytes, randomUUID, webcrypto } from 'node:crypto';
import { EMPTY_DOG } from '../../core/src/knowledge/dogs/index.js';
import { type EventDraft, makeEvents, uuidV7 } from '../../core/src/log/index.js';
import { type Database, openDatabase } from '../../server/src/database/database.js';
import { migrate } from '../../server/src/database/migrate.js';
import { addDog } from '../../server/src/dogs/dogs.repository.js';
import { keepPhoto } from '../../server/src/photos/photos.repository.js';
import { foundSalon, type Who } from '../../server/src/sign-in/sign-in.repository.js';
import { appendEvents } from '../../server/src/visits/append-events.js';
import { Plain } from '../place.js';
import { type Cluster, ensureDatabase } from '../postgres.js';

const random = (into: Uint8Array): Uint8Array => webcrypto.getRandomValues(into);

/** A salon whose entries can be told from each other: what the drill backs up and reads back. */
export class DrillSalon {
  private constructor(
    private readonly db: Database,
    private readonly who: Who,
    private readonly dogs: readonly string[],
  ) {}

  static async open(cluster: Cluster, database: string): Promise<DrillSalon> {
    await ensureDatabase(cluster, database);
    await migrate(cluster.url('mansuet_owner', database));
    const db = openDatabase(cluster.url('mansuet_app', database));
    const founded = await foundSalon(db, {
      salonName: 'Drill',
      name: 'Lead',
      login: 'lead',
      password: randomBytes(12).toString('base64url'),
      vetName: 'Vet (invented)',
      vetPhone: '0550 1',
      timeZone: 'Pacific/Auckland',
    });
    if (!founded.ok) throw new Plain('the salon of the drill could not be founded');
    const who = founded.value;
    return DrillSalon.of(db, who);
  }

  /** A salon that is there, with some dogs of its own. */
  static async of(db: Database, who: Who): Promise<DrillSalon> {
    const owner = { name: 'Perpetua Glain', phone: '0550 1', email: '', contacts: [] };
    const dogs = await db.inSalon(who.salonId, async (trx) => {
      const ids: string[] = [];
      for (let i = 0; i < 5; i++) {
        const dog = { ...EMPTY_DOG, name: `Moss ${i}`, born: '2021-06-01', weightKg: 10 + i };
        ids.push(await addDog(trx, who.salonId, dog, owner, '2026-01-01'));
      }
      return ids;
    });
    return new DrillSalon(db, who, dogs);
  }

  /** Some hours of a salon: visits with entries, each with a photograph. */
  async work(visits: number): Promise<void> {
    const { salonId, staffId } = this.who;
    for (let i = 0; i < visits; i++) {
      const dogId = this.dogs[i % this.dogs.length] ?? '';
      const visitId = uuidV7(Date.now(), random);
      const arrivesAt = new Date().toISOString();
      const asked = { items: ['bath' as const], wantedMm: 9, sessionMinutes: 90 };
      const drafts: EventDraft[] = [
        { type: 'visit_booked', body: { dogId, arrivesAt, groomerId: staffId, asked, helperThere: false, zone: 'Pacific/Auckland' } },
        { type: 'file_read', body: {} },
        { type: 'fit_answered', body: { signs: [], vetAgreed: false, roomCelsius: 20 } },
        { type: 'mood_felt', body: { mood: 'relaxed' } },
        { type: 'weighed', body: { kg: 10 + i / 10 } },
      ];
      const at = { visitId, by: staffId, device: 'drill', nowMs: Date.now(), random, last: undefined };
      await this.db.inSalon(salonId, async (trx) => {
        const stored = await appendEvents(trx, salonId, visitId, makeEvents(drafts, at));
        if (!stored.ok) throw new Plain('an entry of the drill was refused');
        const photo = { photoId: randomUUID(), dogId, visitId, takenOn: '2026-11-30', kind: 'before' as const, zone: null };
        const picture = { picture: randomBytes(40_000), small: randomBytes(3_000), width: 800, height: 600 };
        const kept = await keepPhoto(trx, salonId, photo, picture);
        if (!kept.ok) throw new Plain('a photograph of the drill was refused');
      });
    }
  }

  close(): Promise<void> {
    return this.db.close();
  }
}
