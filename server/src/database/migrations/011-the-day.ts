import { type Kysely, sql } from 'kysely';

const OF_SALON = `salon_id = (select nullif(current_setting('mansuet.salon', true), '')::uuid)`;
const TABLES = ['day_plan', 'waiting_wish', 'calendar_feed'];

const STATEMENTS: readonly string[] = [
  `create table day_plan (
    salon_id uuid not null, day date not null, version integer not null, plan jsonb not null, made_at timestamptz not null, made_by uuid not null,
    primary key (salon_id, day), foreign key (salon_id, made_by) references staff)`,
  `create table waiting_wish (
    salon_id uuid not null, wish_id uuid not null, dog_id uuid not null, from_day date not null, to_day date not null, note text not null,
    made_at timestamptz not null, made_by uuid not null, done_at timestamptz, primary key (salon_id, wish_id),
    foreign key (salon_id, dog_id) references dog, foreign key (salon_id, made_by) references staff)`,
  `create index waiting_wish_open on waiting_wish (salon_id, from_day) where done_at is null`,
  `create index waiting_wish_dog on waiting_wish (salon_id, dog_id)`,
  // Its address is the key: of the secret in it only the hash is kept.
  `create table calendar_feed (
    salon_id uuid not null, feed_id uuid not null, staff_id uuid, secret_hash bytea not null, made_at timestamptz not null, made_by uuid not null,
    read_at timestamptz, revoked_at timestamptz, primary key (salon_id, feed_id), foreign key (salon_id, staff_id) references staff,
    foreign key (salon_id, made_by) references staff)`,
  `create unique index calendar_feed_secret on calendar_feed (secret_hash)`,
  `create function find_calendar_feed(secret bytea) returns table (salon_id uuid, feed_id uuid)
    language sql stable security definer set search_path = public as
    $$ select f.salon_id, f.feed_id from calendar_feed f where f.secret_hash = secret and f.revoked_at is null $$`,
  `revoke all on function find_calendar_feed(bytea) from public`,
  `grant execute on function find_calendar_feed(bytea) to mansuet_app`,
  ...TABLES.flatMap((t) => [
    `alter table ${t} enable row level security`,
    `create policy of_salon on ${t} using (${OF_SALON}) with check (${OF_SALON})`,
    `grant select, insert, update on ${t} to mansuet_app`,
  ]),
];

/** What a day is planned with: plans that were taken, dogs that wait for a place, calendars that are read by their address. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
