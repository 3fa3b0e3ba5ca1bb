import { type Kysely, sql } from 'kysely';

const OF_SALON = `salon_id = (select nullif(current_setting('mansuet.salon', true), '')::uuid)`;

const STATEMENTS: readonly string[] = [
  `alter table salon add column opening jsonb, add column posts jsonb not null default '[]', add column version integer not null default 1`,
  `alter table staff add column version integer not null default 1, add column week jsonb, add column breaks jsonb not null default '[]',
    add column off jsonb not null default '[]', add column limits jsonb, add column joined_at timestamptz default now(), add column left_at timestamptz`,
  // By this somebody chooses a password of their own: it opens once.
  `create table staff_link (
    salon_id uuid not null, link_id uuid not null, staff_id uuid not null, secret_hash bytea not null, made_at timestamptz not null,
    expires_at timestamptz not null, used_at timestamptz, primary key (salon_id, link_id), foreign key (salon_id, staff_id) references staff)`,
  `create unique index staff_link_secret on staff_link (secret_hash)`,
  `create index staff_link_staff on staff_link (salon_id, staff_id)`,
  `alter table staff_link enable row level security`,
  `create policy of_salon on staff_link using (${OF_SALON}) with check (${OF_SALON})`,
  `grant select, insert, update, delete on staff_link to mansuet_app`,
  `create function find_staff_link(secret bytea) returns table (salon_id uuid, link_id uuid)
    language sql stable security definer set search_path = public as
    $$ select l.salon_id, l.link_id from staff_link l where l.secret_hash = secret $$`,
  `revoke all on function find_staff_link(bytea) from public`,
  `grant execute on function find_staff_link(bytea) to mansuet_app`,
  // Who has left comes in no more; their name stays on what they did.
  `create or replace function find_login(wanted text) returns table (salon_id uuid, staff_id uuid, password_hash text)
    language sql stable security definer set search_path = public as
    $$ select s.salon_id, s.staff_id, s.password_hash from staff s where lower(s.login) = lower(wanted) and s.left_at is null $$`,
  // Their sign-in name stays theirs: they may come back.
  `create function login_taken(wanted text) returns boolean language sql stable security definer set search_path = public as
    $$ select exists (select 1 from staff s where lower(s.login) = lower(wanted)) $$`,
  `revoke all on function login_taken(text) from public`,
  `grant execute on function login_taken(text) to mansuet_app`,
  `create or replace function enter_salon(salon uuid, person uuid)
    returns table (name text, role text, trained boolean, salon_row jsonb)
    language plpgsql volatile set search_path = public as $$
    begin
      perform set_config('mansuet.salon', salon::text, true);
      return query select s.name, s.role, s.trained, to_jsonb(o) from staff s join salon o on o.salon_id = s.salon_id
        where s.staff_id = person and s.left_at is null;
    end $$`,
];

/** What a salon says of itself and of its people: hours, posts, limits, leaving; and links by which a password is chosen. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
