import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { sql, type Selectable } from 'kysely';
import {
  AGREEMENT_OFFER,
  type AgreementAnswer,
  INTAKE_ANSWER,
  type IntakeAnswer,
  LINK_MINUTES,
  type LinkKind,
  type OwnerLink,
  type OwnerLinkView,
  WISH_OFFER,
  type WishAnswer,
} from '@mansuet/core/contract';
import { done, type Outcome, refused, saying, USUAL_FORMATS } from '@mansuet/core/words';
import { readKeptAccount } from '../after-visit/kept-account.js';
import { nextBooked } from '../after-visit/next-booked.js';
import type { Database, InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';
import { salonOf } from '../sign-in/sign-in.repository.js';

/** 256 random bits: guessing one is hopeless, and only its hash is stored. */
const SECRET_BYTES = 32;
const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();

export type LinkRow = Selectable<Tables['owner_link']>;

export interface NewLinkOf {
  readonly kind: LinkKind;
  readonly visitId: string | null;
  readonly madeBy: string;
  readonly toName: string;
  readonly phone: string;
  readonly asked: object;
}

/** Makes a link. The secret is told once and kept nowhere. */
export async function makeLink(
  trx: InSalon,
  salonId: string,
  link: NewLinkOf,
  now: Date,
): Promise<{ linkId: string; secret: string; expiresAt: Date }> {
  const secret = randomBytes(SECRET_BYTES).toString('base64url');
  const linkId = randomUUID();
  const expiresAt = new Date(now.getTime() + LINK_MINUTES[link.kind] * 60_000);
  // A newer link for the same visit takes the place of the older ones.
  if (link.visitId)
    await trx
      .updateTable('owner_link')
      .set({ taken_back_at: now.toISOString() })
      .where('visit_id', '=', link.visitId)
      .where('kind', '=', link.kind)
      .where('answered_at', 'is', null)
      .where('taken_back_at', 'is', null)
      .execute();
  await trx
    .insertInto('owner_link')
    .values({
      salon_id: salonId,
      link_id: linkId,
      secret_hash: hashOf(secret),
      kind: link.kind,
      visit_id: link.visitId,
      made_by: link.madeBy,
      to_name: link.toName,
      phone: link.phone,
      asked: JSON.stringify(link.asked),
      answer: null,
      made_at: now.toISOString(),
      expires_at: expiresAt.toISOString(),
    })
    .execute();
  return { linkId, secret, expiresAt };
}

/** Which salon and link a secret opens; `undefined` for a guessed or mistyped one. */
export async function findBySecret(db: Database, secret: string): Promise<{ salonId: string; linkId: string } | undefined> {
  if (!/^[\w-]{43}$/.test(secret)) return undefined;
  const { rows } = await sql<{ salon_id: string; link_id: string }>`select * from find_owner_link(${hashOf(secret)})`.execute(db.kysely);
  const row = rows[0];
  return row && { salonId: row.salon_id, linkId: row.link_id };
}

/** One link, locked when it is about to be answered: of two phones with the same link one is first. */
export async function readLink(trx: InSalon, linkId: string, lock = false): Promise<LinkRow | undefined> {
  const query = trx.selectFrom('owner_link').selectAll().where('link_id', '=', linkId);
  return (lock ? query.forUpdate() : query).executeTakeFirst();
}

export type LinkState = OwnerLink['state'];

export function stateOf(row: LinkRow, now: Date): LinkState {
  if (row.reviewed_at) return 'reviewed';
  if (row.set_aside_at) return 'set_aside';
  if (row.answered_at) return 'answered';
  if (row.taken_back_at) return 'taken_back';
  return row.expires_at <= now ? 'expired' : 'open';
}

/** What the holder of a link sees; nothing of a visit that was opened again. */
export async function viewOf(trx: InSalon, row: LinkRow): Promise<OwnerLinkView | undefined> {
  const salon = await salonOf(trx);
  const shared = {
    salonName: salon?.name ?? '',
    vetPhone: salon?.vetPhone ?? '',
    answeredAt: row.answered_at?.toISOString() ?? null,
    expiresAt: row.expires_at.toISOString(),
  };
  if (row.kind === 'account') {
    const kept = row.visit_id ? await readKeptAccount(trx, row.visit_id) : undefined;
    const dog = await trx
      .selectFrom('visit')
      .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
      .select('dog.name')
      .where('visit_id', '=', row.visit_id)
      .executeTakeFirst();
    if (!kept || !dog) return undefined;
    const hasNext = row.visit_id ? (await nextBooked(trx, row.visit_id)) !== undefined : false;
    return { kind: 'account', ...shared, dogName: dog.name, visitOn: kept.on, told: kept.told, hasNext };
  }
  if (row.kind === 'wish') {
    const { dogName, zone, times } = WISH_OFFER.parse(row.asked);
    return { kind: 'wish', ...shared, dogName, zone, times, formats: salon?.formats ?? USUAL_FORMATS };
  }
  return row.kind === 'agreement'
    ? { kind: 'agreement', ...shared, offer: AGREEMENT_OFFER.parse(row.asked) }
    : { kind: 'intake', ...shared, ownerName: row.to_name, phone: row.phone };
}

export async function keepAnswer(
  trx: InSalon,
  linkId: string,
  answer: AgreementAnswer | IntakeAnswer | WishAnswer,
  now: Date,
): Promise<void> {
  await trx
    .updateTable('owner_link')
    .set({ answer: JSON.stringify(answer), answered_at: now.toISOString() })
    .where('link_id', '=', linkId)
    .execute();
}

/** Links of a visit, or intakes when no visit is named; the newest first. */
export async function listLinks(trx: InSalon, visitId: string | undefined, now: Date): Promise<OwnerLink[]> {
  let query = trx.selectFrom('owner_link').selectAll().orderBy('made_at', 'desc').limit(100);
  query = visitId ? query.where('visit_id', '=', visitId) : query.where('kind', '=', 'intake');
  return (await query.execute()).map((row) => linkOf(row, now));
}

export function linkOf(row: LinkRow, now: Date): OwnerLink {
  const intake = row.kind === 'intake' && row.answer ? INTAKE_ANSWER.safeParse(row.answer) : undefined;
  return {
    linkId: row.link_id,
    kind: row.kind,
    visitId: row.visit_id,
    toName: row.to_name,
    state: stateOf(row, now),
    madeAt: row.made_at.toISOString(),
    expiresAt: row.expires_at.toISOString(),
    answeredAt: row.answered_at?.toISOString() ?? null,
    intake: intake?.success ? intake.data : null,
  };
}

/** Takes an open link back. */
export async function takeBack(trx: InSalon, linkId: string, now: Date): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('owner_link')
    .set({ taken_back_at: now.toISOString() })
    .where('link_id', '=', linkId)
    .where('answered_at', 'is', null)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst();
  return updated.numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}

/** An answered intake was read: taken into the file, or set aside. One that no longer waits was closed by somebody else. */
export async function closeIntake(
  trx: InSalon,
  linkId: string,
  how: 'reviewed_at' | 'set_aside_at',
  now: Date,
): Promise<Outcome<undefined>> {
  const updated = await trx
    .updateTable('owner_link')
    .set({ [how]: now.toISOString() })
    .where('link_id', '=', linkId)
    .where('kind', '=', 'intake')
    .where('answered_at', 'is not', null)
    .where('reviewed_at', 'is', null)
    .where('set_aside_at', 'is', null)
    .executeTakeFirst();
  return updated.numUpdatedRows > 0n ? done(undefined) : refused('conflict', saying('problem.intake_reviewed', {}));
}
