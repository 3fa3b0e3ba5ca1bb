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
