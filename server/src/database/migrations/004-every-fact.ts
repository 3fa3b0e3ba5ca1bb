import { sql, type Kysely } from 'kysely';

/** Facts that are asked of every dog, old injuries and warnings, and how a mark meets a blade. `null`: nobody has asked yet. */
const STATEMENTS: readonly string[] = [
  `alter table dog
    add column resents text[] not null default '{}', add column injuries jsonb not null default '[]', add column warned jsonb,
    add column groomed_by text, add column groomed_on date, add column muzzle_used boolean, add column sore_when_lifted boolean,
    add column lies_on text, add column guards text[] not null default '{}', add column slips_collar boolean`,
  // Which blades lie in the drawer; null: nobody has said, and the usual set counts.
  `alter table salon add column blades_owned text[]`,
  `alter table mark_seen add column kind text, add column spot double precision[]`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
