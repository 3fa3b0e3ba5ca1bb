import { type Kysely, sql } from 'kysely';

const STATEMENTS: readonly string[] = [
  // A salon that is on another machine by now, or on its way: nobody works on what is left of it here. The row outlives the salon's own.
  `create table moved_salon (salon_id uuid primary key, since timestamptz not null default now())`,
  `alter table moved_salon enable row level security`,
  `create policy of_salon on moved_salon using (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)
    with check (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)`,
  `grant select on moved_salon to mansuet_app`,
  // Sets the salon for row-level security until the transaction ends. Until then it does not leave: whoever moves it waits for the same lock, alone.
  `create function stay_in(salon uuid) returns void
    language plpgsql volatile security definer set search_path = public as $$
    begin
      perform pg_advisory_xact_lock_shared(hashtextextended(salon::text, 13));
      if exists (select 1 from moved_salon m where m.salon_id = salon) then
        raise exception 'this salon is on another machine' using errcode = 'MV001';
      end if;
      perform set_config('mansuet.salon', salon::text, true);
    end $$`,
  `revoke all on function stay_in(uuid) from public`,
  `grant execute on function stay_in(uuid) to mansuet_app`,
  `create or replace function enter_salon(salon uuid, person uuid)
    returns table (name text, role text, trained boolean, salon_row jsonb)
    language plpgsql volatile set search_path = public as $$
    begin
      perform stay_in(salon);
      return query select s.name, s.role, s.trained, to_jsonb(o) from staff s join salon o on o.salon_id = s.salon_id
        where s.staff_id = person and s.left_at is null;
    end $$`,
];

/** A salon can be moved to another database while people work in it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
