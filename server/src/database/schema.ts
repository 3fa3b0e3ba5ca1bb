import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { DogForm, DogNoteForm } from '@mansuet/core/contract';
import type { Role } from '@mansuet/core/access';
import type { VisitEvent, VisitSummary } from '@mansuet/core/visit';

/** Tables as the queries see them. The columns themselves stand in `migrations/`. */
export interface Tables {
  salon: SalonTable;
  staff: StaffTable;
  owner: OwnerTable;
  dog: DogTable;
  dog_note: DogNoteTable;
  visit_event: VisitEventTable;
  visit: VisitTable;
  exposure: ExposureTable;
  mark_seen: MarkSeenTable;
  incident: IncidentTable;
}

interface SalonTable {
  salon_id: string;
  name: string;
  vet_name: string;
  vet_phone: string;
  currency: string;
  rate_per_minute_minor: number;
  /** Question to school; what is missing has our default. */
  house_rules: ColumnType<Record<string, string>, string | undefined, unknown>;
}
interface StaffTable {
  salon_id: string;
  staff_id: string;
  name: string;
  login: string;
  password_hash: string;
  role: Role;
  trained: boolean;
}
interface OwnerTable {
  salon_id: string;
  owner_id: string;
  name: string;
  phone: string;
  email: string;
}
interface DogTable {
  salon_id: string;
  dog_id: string;
  owner_id: string;
  name: string;
  sex: DogForm['sex'];
  neutered: boolean;
  born: string;
  born_estimated: boolean;
  weight_kg: number;
  coat: DogForm['coat'];
  nose: DogForm['nose'];
  ears: DogForm['ears'];
  tail: DogForm['tail'];
  build: DogForm['build'];
  conditions: DogForm['conditions'];
  bite_history: boolean;
  triggers: JSONColumnType<DogForm['triggers']>;
  treats_allowed: boolean;
  standing_seen_minutes: number | null;
  version: Generated<number>;
}
interface DogNoteTable {
  salon_id: string;
  note_id: string;
  dog_id: string;
  kind: DogNoteForm['kind'];
  text: string;
  said_by: string;
  said_on: string;
}
interface VisitEventTable {
  salon_id: string;
  event_id: string;
  visit_id: string;
  at: ColumnType<Date, string, never>;
  by_staff: string;
  device: string;
  stamp_wall_ms: ColumnType<string, number, never>;
  stamp_counter: number;
  v: number;
  type: string;
  body: JSONColumnType<VisitEvent['body'], string, never>;
  received_at: Generated<Date>;
}
interface VisitTable {
  salon_id: string;
  visit_id: string;
  dog_id: string;
  groomer_id: string;
  arrives_at: ColumnType<Date, string, string>;
  phase: VisitSummary['phase'];
  summary: JSONColumnType<VisitSummary>;
}
interface ExposureTable {
  salon_id: string;
  visit_id: string;
  dog_id: string;
  activity: string;
  hold: string;
  blade: string;
  minutes: number;
  points: number;
}
interface MarkSeenTable {
  salon_id: string;
  visit_id: string;
  mark_id: string;
  dog_id: string;
  seen_on: string;
  zone: string;
  length_mm: number;
  width_mm: number;
  border: string;
  surface: string;
}
interface IncidentTable {
  salon_id: string;
  visit_id: string;
  incident_id: string;
  dog_id: string;
  by_staff: string;
  at: ColumnType<Date, string, string>;
  kind: string;
  harm: string;
  zone: string | null;
  step: string | null;
  hold: string | null;
  blade: string | null;
  what: string;
}
