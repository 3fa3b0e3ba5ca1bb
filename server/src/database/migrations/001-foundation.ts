import { sql, type Kysely } from 'kysely';

/** Every table of a salon: first key column `salon_id`, row-level security on it. */
const SALON_TABLES = ['salon', 'staff', 'owner', 'dog', 'dog_note', 'visit_event', 'visit', 'exposure', 'mark_seen', 'incident'] as const;

const STATEMENTS: readonly string[] = [
  `create table salon (
    salon_id uuid primary key, name text not null, vet_name text not null default '', vet_phone text not null default '',
    currency char(3) not null default 'EUR', rate_per_minute_minor integer not null default 90 check (rate_per_minute_minor >= 0))`,
  `create table staff (
    salon_id uuid not null references salon, staff_id uuid not null, name text not null, login text not null, password_hash text not null,
    role text not null check (role in ('lead', 'groomer', 'bather')), trained boolean not null default false, primary key (salon_id, staff_id))`,
  // A sign-in name is looked up before the salon is known, so it is unique over all of them.
  `create unique index staff_login on staff (lower(login))`,
  `create table owner (
    salon_id uuid not null references salon, owner_id uuid not null, name text not null, phone text not null default '', email text not null default '',
    primary key (salon_id, owner_id))`,
  `create table dog (
    salon_id uuid not null references salon, dog_id uuid not null, owner_id uuid not null, name text not null, sex text not null, neutered boolean not null,
    born date not null, born_estimated boolean not null, weight_kg double precision not null check (weight_kg > 0), coat text not null, nose text not null,
    ears text not null, tail text not null, build text not null, conditions text[] not null, bite_history boolean not null, triggers jsonb not null,
    treats_allowed boolean not null, standing_seen_minutes double precision, version integer not null default 1,
    primary key (salon_id, dog_id), foreign key (salon_id, owner_id) references owner)`,
  `create table dog_note (
    salon_id uuid not null, note_id uuid not null, dog_id uuid not null, kind text not null check (kind in ('works', 'avoid', 'injury')), text text not null,
    said_by text not null, said_on date not null, primary key (salon_id, note_id), foreign key (salon_id, dog_id) references dog)`,
  `create index dog_note_dog on dog_note (salon_id, dog_id)`,
  // The truth. The application may add to it and read it, nothing else.
  `create table visit_event (
    salon_id uuid not null, event_id uuid not null, visit_id uuid not null, at timestamptz not null, by_staff uuid not null, device text not null,
    stamp_wall_ms bigint not null, stamp_counter integer not null, v smallint not null, type text not null, body jsonb not null,
    received_at timestamptz not null default now(), primary key (salon_id, event_id), foreign key (salon_id, by_staff) references staff)`,
  `create index visit_event_visit on visit_event (salon_id, visit_id, stamp_wall_ms, stamp_counter)`,
  // Projections: written with the events, rebuilt from them by \`rebuildProjections\`.
  `create table visit (
    salon_id uuid not null, visit_id uuid not null, dog_id uuid not null, groomer_id uuid not null, arrives_at timestamptz not null, phase text not null,
    summary jsonb not null, primary key (salon_id, visit_id), foreign key (salon_id, dog_id) references dog, foreign key (salon_id, groomer_id) references staff)`,
  `create index visit_day on visit (salon_id, arrives_at)`,
  `create index visit_dog on visit (salon_id, dog_id, arrives_at)`,
  `create table exposure (
    salon_id uuid not null, visit_id uuid not null, dog_id uuid not null, activity text not null, hold text not null, blade text not null,
    minutes double precision not null, points double precision not null,
    primary key (salon_id, visit_id, activity, hold, blade), foreign key (salon_id, visit_id) references visit on delete cascade)`,
  `create table mark_seen (
    salon_id uuid not null, visit_id uuid not null, mark_id uuid not null, dog_id uuid not null, seen_on date not null, zone text not null,
    length_mm double precision not null, width_mm double precision not null, border text not null, surface text not null,
    primary key (salon_id, visit_id, mark_id), foreign key (salon_id, visit_id) references visit on delete cascade)`,
  `create index mark_seen_dog on mark_seen (salon_id, dog_id, seen_on)`,
  `create table incident (
    salon_id uuid not null, visit_id uuid not null, incident_id uuid not null, dog_id uuid not null, by_staff uuid not null, at timestamptz not null,
    kind text not null, harm text not null, zone text, step text, hold text, blade text, what text not null,
    primary key (salon_id, visit_id, incident_id), foreign key (salon_id, visit_id) references visit on delete cascade)`,
  // Sessions belong to browsers before they belong to a salon; the cookie's secret is what guards them.
  `create table session (sid text primary key, sess json not null, expire timestamptz not null)`,
  `create index session_expire on session (expire)`,
  ...SALON_TABLES.flatMap((table) => [
    `alter table ${table} enable row level security`,
    `create policy of_salon on ${table} using (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)
      with check (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)`,
  ]),
  `grant usage on schema public to mansuet_app`,
  `grant select, insert, update, delete on staff, owner, dog, dog_note, visit, exposure, mark_seen, incident, session to mansuet_app`,
  `grant select, update on salon to mansuet_app`,
  `grant select, insert on visit_event to mansuet_app`,
  // Before sign-in no salon is set and every table is empty to the application. These two functions are the only doors.
  `create function find_login(wanted text) returns table (salon_id uuid, staff_id uuid, password_hash text)
    language sql stable security definer set search_path = public as
    $$ select s.salon_id, s.staff_id, s.password_hash from staff s where lower(s.login) = lower(wanted) $$`,
  `create function found_salon(new_salon uuid, salon_name text, vet text, phone text, lead uuid, lead_name text, lead_login text, hash text) returns boolean
    language plpgsql security definer set search_path = public as $$
    begin
      perform pg_advisory_xact_lock(7102);
      if exists (select 1 from salon) then return false; end if;
      insert into salon (salon_id, name, vet_name, vet_phone) values (new_salon, salon_name, vet, phone);
      insert into staff (salon_id, staff_id, name, login, password_hash, role, trained) values (new_salon, lead, lead_name, lead_login, hash, 'lead', true);
      return true;
    end $$`,
  `create function has_salon() returns boolean language sql stable security definer set search_path = public as $$ select exists (select 1 from salon) $$`,
  `revoke all on function find_login(text), found_salon(uuid, text, text, text, uuid, text, text, text), has_salon() from public`,
  `grant execute on function find_login(text), found_salon(uuid, text, text, text, uuid, text, text, text), has_salon() to mansuet_app`,
];

/** Tables of the first version. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
