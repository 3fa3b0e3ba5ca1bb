import { sql, type Kysely } from 'kysely';

const STATEMENTS: readonly string[] = [
  // Who asks, in one statement: sets the salon for row-level security until the transaction ends, and says who that person is there now.
  `create function enter_salon(salon uuid, person uuid)
    returns table (name text, role text, trained boolean, salon_row jsonb)
    language plpgsql volatile set search_path = public as $$
    begin
      perform set_config('mansuet.salon', salon::text, true);
      return query select s.name, s.role, s.trained, to_jsonb(o) from staff s join salon o on o.salon_id = s.salon_id where s.staff_id = person;
    end $$`,
  `revoke all on function enter_salon(uuid, uuid) from public`,
  `grant execute on function enter_salon(uuid, uuid) to mansuet_app`,
  // Adds entries to a visit, one device after the other, and answers what is new in its log: what was added, and what others added since. Cursors count up in the order of commits.
  `create function add_events(visit uuid, since bigint, entries jsonb, channel text)
    returns table (salon_id uuid, event_id uuid, visit_id uuid, at timestamptz, by_staff uuid, device text, stamp_wall_ms bigint, stamp_counter integer, v smallint,
      type text, body jsonb, received_at timestamptz, seq bigint, timed text, told_at text, told_wall_ms bigint, act uuid, fresh boolean)
    language plpgsql volatile set search_path = public as $$
    #variable_conflict use_column
    declare here uuid := current_setting('mansuet.salon')::uuid;
      added uuid[];
    begin
      perform pg_advisory_xact_lock(hashtextextended(visit::text, 0));
      with new as (
        insert into visit_event (salon_id, event_id, visit_id, at, by_staff, device, stamp_wall_ms, stamp_counter, v, type, body, timed, told_at, told_wall_ms, act)
        select here, e.event_id, visit, e.at, e.by_staff, e.device, e.stamp_wall_ms, e.stamp_counter, e.v, e.type, e.body, e.timed, e.told_at, e.told_wall_ms, e.act
        from rows from (jsonb_to_recordset(entries) as (event_id uuid, at timestamptz, by_staff uuid, device text, stamp_wall_ms bigint, stamp_counter integer,
          v smallint, type text, body jsonb, timed text, told_at text, told_wall_ms bigint, act uuid)) with ordinality
          as e(event_id, at, by_staff, device, stamp_wall_ms, stamp_counter, v, type, body, timed, told_at, told_wall_ms, act, nr)
        order by e.nr
        on conflict (salon_id, event_id) do nothing
        returning event_id
      ) select array_agg(event_id) into added from new;
      if added is not null then perform pg_notify(channel, here || ' ' || visit); end if;
      return query select o.salon_id, o.event_id, o.visit_id, o.at, o.by_staff, o.device, o.stamp_wall_ms, o.stamp_counter, o.v, o.type, o.body, o.received_at,
        o.seq, o.timed, o.told_at, o.told_wall_ms, o.act, coalesce(o.event_id = any(added), false)
        from visit_event o where o.visit_id = visit and o.seq > since;
    end $$`,
  `revoke all on function add_events(uuid, bigint, jsonb, text) from public`,
  `grant execute on function add_events(uuid, bigint, jsonb, text) to mansuet_app`,
  // Only a visit that is over is summed up: until then each tap would write all of it anew.
  `alter table visit alter column summary drop not null`,
  `update visit set summary = null where phase <> 'gone'`,
  `delete from exposure e using visit v where v.salon_id = e.salon_id and v.visit_id = e.visit_id and v.phase <> 'gone'`,
  // Digits in the middle of a number are looked for too: each of its ends, so that an index can be asked. Row-level security lets no pattern near one.
  `create table search_phone (
    salon_id uuid not null references salon, tail text collate "C" not null, dog_id uuid not null, primary key (salon_id, tail, dog_id),
    foreign key (salon_id, dog_id) references dog)`,
  `create index search_phone_dog on search_phone (salon_id, dog_id)`,
  `insert into search_phone select distinct d.salon_id, substr(p, i), d.dog_id
    from dog d, unnest(string_to_array(d.search_phones, ';')) p, generate_series(1, length(p)) i`,
  `alter table dog drop column search_phones`,
  `alter table search_phone enable row level security`,
  `create policy of_salon on search_phone using (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)
    with check (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)`,
  `grant select, insert, delete on search_phone to mansuet_app`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
