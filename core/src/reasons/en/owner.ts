import { COMPUTED, DEFAULT, FLOOR, HOUSE, PRACTICE, RECORD, rule, type RuleText } from '../rule-text.js';

export const OWNER_RULES = {
  // Next visit
  'next.coat': rule('{coat} coat: {weeks} weeks.', PRACTICE),
  'next.clip_off': rule('First return after a clip-off at about {weeks} weeks.', PRACTICE),
  'next.nails': rule('Nails grow back in {weeks} weeks.', PRACTICE),
  'next.left': rule('What was left today: in {weeks} weeks.', DEFAULT),
  'next.puppy': rule('A puppy learns the salon by short visits: {weeks} weeks.', PRACTICE),
  'next.habit': rule('Regular short visits make it easier for a dog that reacts: {weeks} weeks.', PRACTICE),
  'next.ears': rule('Drop ears with trouble before: look again in {weeks} weeks.', PRACTICE),
  'next.nothing_done': rule('Stopped early: a short, easy visit in {weeks} weeks.', DEFAULT),
  'next.ears_plucked': rule('Ears plucked today are looked at again in {weeks} weeks.', HOUSE),
  'next.season': rule('It mats round {month}: be there before it, in {weeks} weeks.', COMPUTED),
  'next.length_free': rule('A {coat} coat does not mat by its length.', DEFAULT),
  'next.length_for_weeks': rule('Back in {weeks} weeks: at most {mm} mm now, for a {coat} coat mats from about {limit} mm on.', DEFAULT),
  'next.weeks_for_length': rule('{mm} mm now: back within {weeks} weeks, before it reaches {limit} mm ({coat} coat).', DEFAULT),
  'next.baths_fine': rule('A bath every {weeks} weeks is fine with this much brushing.', PRACTICE),
  'next.baths_too_often': rule(
    'A bath every {weeks} weeks: not below {least} weeks unless it is brushed {needed} times in between.',
    PRACTICE,
  ),
  // Told at the hand-back
  'told.not_today': rule('{name} was not groomed today. {why}', RECORD),
  'told.planned': rule('Planned: {steps} steps in about {minutes} min.', RECORD),
  'told.worked': rule('The visit took {minutes} min, {breaks} in {count} breaks; strain peaked at {peak} of 100 ({band}).', RECORD),
  'told.worked_straight': rule('The visit took {minutes} min without a break; strain peaked at {peak} of 100 ({band}).', RECORD),
  'told.done': rule('Done: {what}.', RECORD),
  'told.part': rule('Begun and not finished: {what}.', RECORD),
  'told.left': rule('Left for another day: {what}.', RECORD),
  'told.stopped': rule('We stopped before the end: {why}. Stopping is always allowed, and usually better.', RECORD),
  'told.hard_signs': rule('{name} told us clearly: {signs}. That is a warning, not a fault; the next plan starts from it.', RECORD),
  'told.incident': rule('{kind} ({harm}), {where}: {what}', RECORD),
  'told.no_incident': rule('No injury and no near miss was recorded.', RECORD),
  'told.vet': rule('This is for a vet: {what}.', FLOOR),
  'told.in_writing': rule('What was found or hurt is told to the owner and the vet, in writing, today.', HOUSE),
  'told.by_word': rule('What was found or hurt is told to the owner today, and written in the file.', HOUSE),
  // Home care
  'care.close_clip': rule(
    'Clipped close: {name} may feel cold or burn in the sun, and may act oddly for a day. Look at the skin, and call within 24 to 48 h if anything worries you.',
    PRACTICE,
  ),
  'care.ear_mats': rule('Mats came off the ears: a swelling or head shaking within two days is for a vet.', PRACTICE),
  'care.injury': rule(
    'A place was hurt today: keep it clean and dry, stop the licking. Redness that spreads, fever or a painful back within a week is for a vet.',
    PRACTICE,
  ),
  'care.mats': rule('Brush in lines to the skin and check with a comb; about six brushings to a bath.', PRACTICE),
  'care.marks': rule('Show the marks we measured to your vet. We do not know what they are.', PRACTICE),
  'care.calm': rule('{name} has worked hard: quiet, water, and no visitors for the rest of the day.', PRACTICE),
  // Agreement
  'agree.close_clip': rule('Tight mats are clipped under: the coat there will be about {mm} mm.', PRACTICE),
  'agree.length': rule('{wanted} mm was asked for. A length is promised only where a comb passes.', PRACTICE),
  'alternative.shorter': rule(
    'Clipped to {mm} mm all over: fewer minutes under the brush now and until the next visit; it feels cold at first.',
    PRACTICE,
  ),
  'alternative.with_helper': rule('With a second pair of hands: safer for what it minds most, and often quicker.', PRACTICE),
  'alternative.more_time': rule('Fetched {minutes} min later: room for breaks, and for what would be left.', PRACTICE),
  'alternative.welfare_only': rule('Only what its health needs, short and calm; looks wait for another day.', PRACTICE),
  'agree.guard_length': rule('{wanted} mm was asked for; in {zones} no comb passes, so {mm} mm can be promised there.', PRACTICE),
  'agree.extra': rule('Mats take about {minutes} min more.', DEFAULT),
} as const satisfies Record<string, RuleText>;
