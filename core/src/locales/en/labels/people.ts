import type {
  BITE_TOLD,
  BookingOff,
  HandWork,
  CONTACT_ROLES,
  Phase,
  PHOTO_KINDS,
  ProblemCode,
  Role,
  SalonPost,
  Weekday,
} from '../../../words/index.js';
export const BOOKING_OFF_LABELS: Readonly<Record<BookingOff, string>> = {
  owner: 'called off by the owner',
  no_show: 'nobody came',
  salon: 'called off by the salon',
};
export const HAND_WORK_LABELS: Readonly<Record<HandWork, string>> = {
  clip: 'clipping',
  brush: 'brushing out',
  bent: 'bent over',
  lifted: 'lifted',
};
export const SALON_POST_LABELS: Readonly<Record<SalonPost, string>> = {
  table: 'table',
  tub: 'tub',
  stand_dryer: 'stand dryer',
  high_velocity_dryer: 'high-velocity dryer',
  resting_place: 'resting place',
};
export const WEEKDAY_LABELS: Readonly<Record<Weekday, string>> = {
  monday: 'Monday',
  tuesday: 'Tuesday',
  wednesday: 'Wednesday',
  thursday: 'Thursday',
  friday: 'Friday',
  saturday: 'Saturday',
  sunday: 'Sunday',
};
export const ROLE_LABELS: Readonly<Record<Role, string>> = { lead: 'lead', groomer: 'groomer', bather: 'bather' };

export const PHASE_LABELS: Readonly<Record<Phase, string>> = {
  know: 'Know',
  feel_over: 'Feel over',
  agree: 'Agree',
  plan: 'Plan',
  work: 'Work',
  hand_back: 'Hand back',
};

export const CONTACT_ROLE_LABELS: Readonly<Record<(typeof CONTACT_ROLES)[number], string>> = {
  emergency: 'in an emergency',
  fetches: 'may fetch the dog',
  also_owner: 'also owner',
};

export const PHOTO_KIND_LABELS: Readonly<Record<(typeof PHOTO_KINDS)[number], string>> = {
  before: 'before',
  after: 'after',
  mark: 'a mark',
  incident: 'an incident',
  other: 'other',
};

export const BITE_TOLD_LABELS: Readonly<Record<(typeof BITE_TOLD)[number], string>> = {
  never: 'No, never',
  warned: 'It growled or snapped the air',
  bitten: 'Yes, teeth touched someone',
  rather_talk: 'I would rather talk about it',
};

export const PROBLEM_LABELS: Readonly<Record<ProblemCode, string>> = {
  bad_json: 'The request is not readable JSON.',
  bad_input: 'Some values cannot be taken.',
  ask_back: 'Please look again.',
  bad_picture: 'This picture cannot be taken.',
  bad_id: 'This is not an id.',
  too_large: 'The request is too large.',
  wrong_media_type: 'Send JSON.',
  signed_out: 'Sign in first.',
  grant_ended: 'This device may no longer send entries in this person’s name.',
  wrong_sign_in: 'Name or password is wrong.',
  too_many_tries: 'Too many tries. Wait a quarter of an hour.',
  forbidden: 'Your role may not do this.',
  csrf: 'This page is out of date. Load it again.',
  not_found: 'Nothing is here.',
  method_not_allowed: 'This cannot be done here.',
  conflict: 'Somebody else has changed this.',
  gone: 'This is over.',
  unavailable: 'The database does not answer. Try again.',
  internal: 'Something went wrong on the server.',
};
