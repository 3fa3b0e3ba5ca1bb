import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
  AfterVisit,
  AgreementAnswer,
  DaysOff,
  DogNoteForm,
  IntakeAnswer,
  KeptDayPlan,
  LinkKind,
  Message,
  Opening,
  OwnerForm,
  OwnHandsForm,
  PersonBreak,
  Photo,
  SalonPostOf,
  ToldAccount,
  Week,
  WishAnswer,
  WorkLimits,
} from '@mansuet/core/contract';
import type { DogForm } from '@mansuet/core/knowledge/dogs';
import type { VisitEvent } from '@mansuet/core/log';
import type { VisitSummary } from '@mansuet/core/visit';
import type { BladeId, FollowUpKind, Formats, HandWear, PriceRule, Role, Saying } from '@mansuet/core/words';
import type { ColumnsOf } from './columns.js';

/** Tables as the queries see them. The columns themselves stand in `migrations/`. */
export interface Tables {
  salon: SalonTable;
  staff: StaffTable;
  staff_link: StaffLinkTable;
  session: SessionTable;
  owner: OwnerTable;
  dog: DogTable;
  dog_note: DogNoteTable;
  visit_event: VisitEventTable;
  visit: VisitTable;
  device_grant: DeviceGrantTable;
  exposure: ExposureTable;
  mark_seen: MarkSeenTable;
  incident: IncidentTable;
  dog_weight: DogWeightTable;
  mark_vet: MarkVetTable;
  photo: PhotoTable;
  owner_link: OwnerLinkTable;
  message: MessageTable;
  follow_up: FollowUpTable;
  visit_account: VisitAccountTable;
  day_plan: DayPlanTable;
  waiting_wish: WaitingWishTable;
  calendar_feed: CalendarFeedTable;
  search_word: SearchWordTable;
  search_posting: SearchPostingTable;
  search_phone: SearchPhoneTable;
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
  /** `null`: nobody has said. */
  blades_owned: ColumnType<BladeId[] | null, BladeId[] | null | undefined, BladeId[] | null>;
  /** IANA. */
  time_zone: Generated<string>;
  /** `null`: the salon has not said its own. */
  opening: JSONColumnType<Opening, string, string> | null;
  posts: ColumnType<SalonPostOf[], string | undefined, string>;
  /** `null`: ours. */
  formats: ColumnType<Formats | null, string | null | undefined, string>;
  hand_limits: ColumnType<HandWear | null, string | null | undefined, string>;
  price_rule: ColumnType<PriceRule | null, string | null | undefined, string>;
  version: Generated<number>;
}
interface StaffTable {
  salon_id: string;
  staff_id: string;
  name: string;
  login: string;
  password_hash: string;
  role: Role;
  trained: boolean;
  version: Generated<number>;
  /** `null`: whenever the salon is open. */
  week: ColumnType<Week | null, string | null | undefined, string | null>;
  breaks: ColumnType<PersonBreak[], string | undefined, string>;
  off: ColumnType<DaysOff[], string | undefined, string>;
  limits: ColumnType<WorkLimits | null, string | null | undefined, string | null>;
  /** What they say of their own hands; `null`: nothing. */
  hands: ColumnType<OwnHandsForm['hands'] | null, string | null | undefined, string | null>;
  /** When they chose a password of their own. */
  joined_at: ColumnType<Date | null, string | null | undefined, string | null>;
  left_at: ColumnType<Date | null, never, string | null>;
}
interface StaffLinkTable {
  salon_id: string;
  link_id: string;
  staff_id: string;
  /** SHA-256 of the secret. */
  secret_hash: Buffer;
  made_at: ColumnType<Date, string, never>;
  expires_at: ColumnType<Date, string, never>;
  used_at: ColumnType<Date | null, never, string>;
}
interface DayPlanTable {
  salon_id: string;
  day: string;
  version: number;
  plan: ColumnType<Omit<KeptDayPlan, 'version' | 'madeAt' | 'madeBy'>, string, string>;
  made_at: ColumnType<Date, string, string>;
  made_by: string;
}
interface WaitingWishTable {
  salon_id: string;
  wish_id: string;
  dog_id: string;
  from_day: string;
  to_day: string;
  note: string;
  made_at: ColumnType<Date, string, never>;
  made_by: string;
  done_at: ColumnType<Date | null, never, string>;
}
interface CalendarFeedTable {
  salon_id: string;
  feed_id: string;
  /** `null`: everybody's. */
  staff_id: string | null;
  secret_hash: Buffer;
  made_at: ColumnType<Date, string, never>;
  made_by: string;
  read_at: ColumnType<Date | null, never, string>;
  revoked_at: ColumnType<Date | null, never, string>;
}
/** The session store's own. */
interface SessionTable {
  sid: string;
  sess: ColumnType<Record<string, unknown>, never, never>;
  expire: ColumnType<Date, never, never>;
}
interface OwnerTable {
  salon_id: string;
  owner_id: string;
  name: string;
  phone: string;
  email: string;
  contacts: JSONColumnType<OwnerForm['contacts'], string | undefined>;
  version: Generated<number>;
}
/** The facts stand in the form; here is what the salon adds. */
interface DogTable extends Omit<ColumnsOf<DogForm>, 'triggers' | 'injuries' | 'warned'> {
  salon_id: string;
  dog_id: string;
  owner_id: string;
  triggers: JSONColumnType<DogForm['triggers']>;
  injuries: JSONColumnType<DogForm['injuries']>;
  warned: JSONColumnType<NonNullable<DogForm['warned']>> | null;
  archived_at: ColumnType<Date | null, undefined, string | null>;
  merged_into: ColumnType<string | null, undefined, string | null>;
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
  /** Counts up within a visit. */
  seq: Generated<string>;
  /** How its time was put right, and what the device had said; `null`: it was right. */
  timed: ColumnType<VisitEvent['timed'] | null, string | null, never>;
  told_at: ColumnType<string | null, string | null, never>;
  told_wall_ms: ColumnType<string | null, number | null, never>;
  /** The first event of what was done at one stroke. */
  act: ColumnType<string | null, string | null, never>;
}
interface DeviceGrantTable {
  salon_id: string;
  grant_id: string;
  staff_id: string;
  device: string;
  /** SHA-256 of the secret. */
  secret_hash: Buffer;
  made_at: ColumnType<Date, string, never>;
  revoked_at: ColumnType<Date | null, undefined, string>;
}
interface VisitTable {
  salon_id: string;
  visit_id: string;
  dog_id: string;
  groomer_id: string;
  arrives_at: ColumnType<Date, string, string>;
  phase: VisitSummary['phase'];
  /** Of a visit that is over. */
  summary: ColumnType<VisitSummary | null, string | null, string | null>;
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
  kind: string | null;
  /** Shares of the width and height of the drawing of its place. */
  spot: number[] | null;
}
interface IncidentTable {
  salon_id: string;
  visit_id: string;
  incident_id: string;
  dog_id: string;
  by_staff: string;
  at: ColumnType<Date, string, string>;
  kind: string;
  harm: string | null;
  zone: string | null;
  step: string | null;
  hold: string | null;
  blade: string | null;
  what: string;
}
interface DogWeightTable {
  salon_id: string;
  weight_id: Generated<string>;
  dog_id: string;
  on_day: string;
  /** The visit whose scale gave it; none for what was typed into the file. */
  visit_id: string | null;
  by: 'scale' | 'file';
  kg: number;
}
interface PhotoTable {
  salon_id: string;
  photo_id: string;
  dog_id: string;
  visit_id: string | null;
  taken_on: string;
  kind: Photo['kind'];
  zone: string | null;
  width: number;
  height: number;
  picture: Buffer;
  small: Buffer;
}
interface OwnerLinkTable {
  salon_id: string;
  link_id: string;
  /** SHA-256 of the secret. */
  secret_hash: Buffer;
  kind: LinkKind;
  visit_id: string | null;
  made_by: string;
  to_name: string;
  phone: string;
  asked: JSONColumnType<object>;
  answer: JSONColumnType<IntakeAnswer | AgreementAnswer | WishAnswer> | null;
  made_at: ColumnType<Date, string, never>;
  expires_at: ColumnType<Date, string, string>;
  answered_at: ColumnType<Date | null, undefined, string>;
  taken_back_at: ColumnType<Date | null, undefined, string>;
  reviewed_at: ColumnType<Date | null, undefined, string>;
  set_aside_at: ColumnType<Date | null, undefined, string>;
}
interface MessageTable {
  salon_id: string;
  message_id: string;
  to_name: string;
  phone: string;
  text: string;
  /** When it was kept. */
  sent_at: ColumnType<Date, string, never>;
  channel: Message['channel'];
  subject: string;
  state: Message['state'];
  tries: number;
  trouble: Generated<string>;
  visit_id: string | null;
  next_try_at: ColumnType<Date | null, string | null, string | null>;
  claimed_at: ColumnType<Date | null, undefined, string>;
}
interface FollowUpTable {
  salon_id: string;
  visit_id: string;
  key: string;
  dog_id: string;
  kind: FollowUpKind;
  due_on: string;
  visit_on: string;
  because: JSONColumnType<Saying[]>;
  done_at: ColumnType<Date | null, string | null, string | null>;
  says: string;
}
interface VisitAccountTable {
  salon_id: string;
  visit_id: string;
  version: number;
  told: JSONColumnType<ToldAccount>;
  made_at: ColumnType<Date, string, never>;
  changed_by: NonNullable<AfterVisit['account']>['changedBy'];
}
interface SearchWordTable {
  salon_id: string;
  word: string;
  sounds: string[];
}
interface SearchPostingTable {
  salon_id: string;
  word: string;
  dog_id: string;
  /** In the dog's own name; else in a person's. */
  of_dog: boolean;
}
interface SearchPhoneTable {
  salon_id: string;
  /** Digits from somewhere in a number to its end. */
  tail: string;
  dog_id: string;
}
interface MarkVetTable {
  salon_id: string;
  dog_id: string;
  mark_id: string;
  seen_on: string;
}
