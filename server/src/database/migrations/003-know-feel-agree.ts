import { sql, type Kysely } from 'kysely';
import { phoneDigits, searchWords } from '@mansuet/core/search';

const SALON_TABLES = ['dog_weight', 'mark_vet', 'photo', 'owner_link', 'message', 'search_word', 'search_posting'] as const;

const EARLIER_TABLES = ['salon', 'staff', 'owner', 'dog', 'dog_note', 'visit_event', 'visit', 'exposure', 'mark_seen', 'incident'] as const;

/** Asked once for each query and not once for each row: of 20,000 dogs that is most of the time of a search. */
const OF_SALON = `salon_id = (select nullif(current_setting('mansuet.salon', true), '')::uuid)`;

const STATEMENTS: readonly string[] = [
  // Trusted: the owner of a database may have it. Only for how many letters two words differ by.
  `create extension if not exists fuzzystrmatch`,
  `alter table dog
    add column born_within_months integer not null default 0, add column size text,
    add column vet_name text not null default '', add column vet_phone text not null default '',
    add column medicines text[] not null default '{}', add column product_allergies text[] not null default '{}',
    add column archived_at timestamptz, add column merged_into uuid, add column search_phones text not null default '',
    add foreign key (salon_id, merged_into) references dog, add check (merged_into is distinct from dog_id)`,
  `create index dog_merged on dog (salon_id, merged_into) where merged_into is not null`,
  `alter table owner add column contacts jsonb not null default '[]', add column version integer not null default 1`,
  // Weights that were typed into the file; those on the scale are a projection of the visit's events.
  `create table dog_weight (
    salon_id uuid not null, weight_id uuid not null default gen_random_uuid(), dog_id uuid not null, on_day date not null, visit_id uuid, by text not null check (by in ('scale', 'file')),
    kg double precision not null check (kg > 0), primary key (salon_id, weight_id), foreign key (salon_id, dog_id) references dog,
    foreign key (salon_id, visit_id) references visit on delete cascade)`,
  `create index dog_weight_dog on dog_weight (salon_id, dog_id, on_day)`,
  // As the owner tells it: a vet has looked at a mark on that day.
  `create table mark_vet (
    salon_id uuid not null, dog_id uuid not null, mark_id uuid not null, seen_on date not null, primary key (salon_id, dog_id, mark_id),
    foreign key (salon_id, dog_id) references dog)`,
  `create table photo (
    salon_id uuid not null, photo_id uuid not null, dog_id uuid not null, visit_id uuid, taken_on date not null,
    kind text not null check (kind in ('before', 'after', 'mark', 'other')), zone text, width integer not null, height integer not null,
    picture bytea not null, small bytea not null, primary key (salon_id, photo_id), foreign key (salon_id, dog_id) references dog)`,
  `create index photo_dog on photo (salon_id, dog_id, taken_on)`,
  // Only the hash of a link's secret is kept here; the stand-in's messages below carry the address, as an outbox does.
  `create table owner_link (
    salon_id uuid not null references salon, link_id uuid not null, secret_hash bytea not null, kind text not null check (kind in ('agreement', 'intake')),
    visit_id uuid, made_by uuid not null, to_name text not null, phone text not null default '', asked jsonb not null, answer jsonb,
    made_at timestamptz not null, expires_at timestamptz not null, answered_at timestamptz, taken_back_at timestamptz, reviewed_at timestamptz,
    set_aside_at timestamptz, primary key (salon_id, link_id), foreign key (salon_id, made_by) references staff)`,
  `create unique index owner_link_secret on owner_link (secret_hash)`,
  `create index owner_link_visit on owner_link (salon_id, visit_id)`,
  // What the stand-in gateway has "sent".
  `create table message (
    salon_id uuid not null references salon, message_id uuid not null, to_name text not null, phone text not null, text text not null,
    sent_at timestamptz not null, primary key (salon_id, message_id))`,
  // Words of dogs, owners and contacts: each word once, so that a misspelt one is compared with thousands and not with every dog.
  `create table search_word (
    salon_id uuid not null references salon, word text not null, sounds text[] not null, primary key (salon_id, word))`,
  `create index search_word_prefix on search_word (salon_id, word text_pattern_ops)`,
  `create table search_posting (
    salon_id uuid not null, word text not null, dog_id uuid not null, of_dog boolean not null, primary key (salon_id, word, dog_id, of_dog),
    foreign key (salon_id, dog_id) references dog on delete cascade)`,
  `create index search_posting_dog on search_posting (salon_id, dog_id)`,
  `create index dog_name on dog (salon_id, name)`,
  ...SALON_TABLES.flatMap((table) => [
    `alter table ${table} enable row level security`,
    `create policy of_salon on ${table} using (${OF_SALON}) with check (${OF_SALON})`,
    `grant select, insert, update, delete on ${table} to mansuet_app`,
  ]),
  ...EARLIER_TABLES.map((table) => `alter policy of_salon on ${table} using (${OF_SALON}) with check (${OF_SALON})`),
  // The holder of a link has not signed in: this is the only door, and it opens for the right secret alone.
  `create function find_owner_link(secret bytea) returns table (salon_id uuid, link_id uuid)
    language sql stable security definer set search_path = public as
    $$ select l.salon_id, l.link_id from owner_link l where l.secret_hash = secret $$`,
  `revoke all on function find_owner_link(bytea) from public`,
  `grant execute on function find_owner_link(bytea) to mansuet_app`,
];

/** The full dog file (weights, photographs, contacts, merge, archive), links for owners, the stand-in's messages and the search. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  await sql`insert into dog_weight (salon_id, dog_id, on_day, by, kg) select salon_id, dog_id, current_date, 'file', weight_kg from dog`.execute(
    db,
  );
  await findDogsThatAreThere(db);
}

/** Dogs from before are found too. Written out here, so that it does not change with the code that indexes dogs later. */
async function findDogsThatAreThere(db: Kysely<unknown>): Promise<void> {
  const { rows } = await sql<{ salon_id: string; dog_id: string; name: string; owner: string; phone: string }>`
    select d.salon_id, d.dog_id, d.name, o.name as owner, o.phone from dog d join owner o using (salon_id, owner_id)`.execute(db);
  for (const row of rows) {
    const words = [
      ...[...new Set(searchWords(row.name))].map((word) => ({ word, ofDog: true })),
      ...[...new Set(searchWords(row.owner))].map((word) => ({ word, ofDog: false })),
    ];
    for (const { word, ofDog } of words) {
      await sql`insert into search_word values (${row.salon_id}, ${word}, array_remove(array[dmetaphone(${word}), dmetaphone_alt(${word})], ''))
        on conflict do nothing`.execute(db);
      await sql`insert into search_posting values (${row.salon_id}, ${word}, ${row.dog_id}, ${ofDog})`.execute(db);
    }
    await sql`update dog set search_phones = ${phoneDigits(row.phone)} where salon_id = ${row.salon_id} and dog_id = ${row.dog_id}`.execute(
      db,
    );
  }
}
