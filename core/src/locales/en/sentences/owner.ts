export const OWNER_SENTENCES = {
  // Next visit
  'next.coat': '{coat} coat: {weeks}.',
  'next.clip_off': 'First return after a clip-off at about {weeks}.',
  'next.nails': 'Nails grow back in {weeks}.',
  'next.left': 'What was left today: in {weeks}.',
  'next.puppy': 'A puppy learns the salon by short visits: {weeks}.',
  'next.habit': 'Regular short visits make it easier for a dog that reacts: {weeks}.',
  'next.ears': 'Drop ears with trouble before: look again in {weeks}.',
  'next.nothing_done': 'Stopped early: a short, easy visit in {weeks}.',
  'next.ears_plucked': 'Ears plucked today are looked at again in {weeks}.',
  'next.season': 'It mats round {month}: be there before it, in {weeks}.',
  'next.skin_after_pelt': 'A matted coat came off: the skin is looked at again in {weeks}.',
  'next.between': 'The coat is due later than that: nails, ears and hygiene in {weeks}.',
  'next.marks': 'Something new was found{has_zones, select, yes { ({zones})} other {}}: looked at again in {weeks}.',
  'next.length_free': 'A {coat} coat does not mat by its length.',
  'next.length_for_weeks': 'Back in {weeks}: at most {mm} mm now, for a {coat} coat mats from about {limit} mm on.',
  'next.weeks_for_length': '{mm} mm now: back within {weeks}, before it reaches {limit} mm ({coat} coat).',
  'next.baths_fine': 'A bath every {weeks} is fine with this much brushing.',
  'next.baths_too_often':
    'A bath every {weeks}: not below {least} weeks unless it is brushed {needed} {needed_n, plural, one {time} other {times}} in between.',
  // Told at the hand-back
  'told.not_today': '{name} was not groomed today. {why}',
  'told.planned': 'Planned: {steps} {steps_n, plural, one {step} other {steps}} in about {minutes} min.',
  'told.worked':
    'The visit took {minutes} min, {break_minutes} min in {count} {count_n, plural, one {break} other {breaks}}; strain peaked at {peak} of 100 ({band}).',
  'told.worked_straight': 'The visit took {minutes} min without a break; strain peaked at {peak} of 100 ({band}).',
  'told.done': 'Done: {steps_done}.',
  'told.part': 'Begun and not finished: {steps_done}.',
  'told.left': 'Left for another day: {things}.',
  'told.stopped':
    'We stopped before the end: {has_why, select, yes {{why}} other {it had enough}}. Stopping is always allowed, and usually better.',
  'told.hard_signs': '{name} told us clearly: {signals}. That is a warning, not a fault; the next plan starts from it.',
  'told.incident':
    '{incident} ({has_harm, select, yes {{harm}} other {how bad was not said}}), {has_zone, select, yes {{zone}} other {place not given}}: {has_text, select, yes {{text}} other {no more was written}}',
  'told.no_incident': 'No injury and no near miss was recorded.',
  'told.vet_today': 'This is for a vet today: {things}.',
  'told.vet_within': 'This is for a vet within {days}: {things}.',
  'told.within': 'This should not wait: here within {days}, or a vet within {days}: {things}.',
  'told.vet': 'This is for a vet: {things}.',
  'told.mark': 'Found today: {mark_kind_told}, {zone}, {size}{has_follow, select, yes {: {follow}} other {}}.',
  'told.mark_known': 'Known since {since}: {mark_kind_told}, {zone}, {size} today{has_follow, select, yes {: {follow}} other {}}.',
  'told.mark_presumed': 'Not looked for today: what was known on the {zone} since {since}.',
  'told.in_writing': 'What was found or hurt is told to the owner and the vet, in writing, today.',
  'told.by_word': 'What was found or hurt is told to the owner today, and written in the file.',
  // Home care
  'care.close_clip':
    'Clipped close: {name} may feel cold or burn in the sun, and may act oddly for a day. Look at the skin, and call within 24 to 48 h if anything worries you.',
  'care.ear_mats': 'Mats came off the ears: a swelling or head shaking within two days is for a vet.',
  'care.injury':
    'A place was hurt today: keep it clean and dry, stop the licking. Redness that spreads, fever or a painful back within a week is for a vet.',
  'care.mats': 'Brush in lines to the skin and check with a comb; about six brushings to a bath.',
  'care.marks': 'Show the marks we measured to your vet. We do not know what they are.',
  'care.spare_leg':
    '{name} put less weight on the {weak} today: before the next visit, a talk with your vet about what would make it easier.',
  'care.stiff': '{name}’s {joint} bent less today: before the next visit, a talk with your vet about what would make it easier.',
  'care.greasy': 'Skin and coat were greasy: a vet can say whether the shampoo or the food is the reason.',
  'care.tick':
    'A tick was found{has_zones, select, yes { ({zones})} other {}}: watch the place for two weeks; redness that spreads, fever or lameness: vet.',
  'care.calm': '{name} has worked hard: quiet, water, and no visitors for the rest of the day.',
  // Agreement
  'agree.close_clip_there': 'Tight mats are clipped under: the coat will be about {mm_both} at {zones}.',
  'agree.close_clip': 'Tight mats are clipped under: the coat there will be about {mm_both}.',
  'agree.body_length': 'The body coat will be about {mm_both}.',
  'agree.body_length_there': 'It will be about {mm_both} at {zones}.',
  'agree.length': '{wanted_both} was asked for. A length is promised only where a comb passes.',
  'alternative.shorter':
    'Clipped to {mm_both} all over: fewer minutes under the brush now and until the next visit; it feels cold at first.',
  'alternative.with_helper': 'With a second pair of hands: safer for what it minds most, and often quicker.',
  'alternative.more_time': 'Fetched {minutes} min later: room for breaks, and for what would be left.',
  'alternative.welfare_only': 'Only what its health needs, short and calm; looks wait for another day.',
  'agree.guard_length':
    '{wanted_both} was asked for; in {has_zones, select, yes {{zones}} other {{count} places}} no comb passes, so {mm_both} can be promised there.',
  'agree.long_return': 'Back in {weeks}: a length of {mm_both} would not mat until then. Shorter now, or a bath and brush in between.',
  'agree.burned_before': 'Burned on the {zone} before: that place is left longer today, one pass only.',
  'agree.overgrown': 'After so long nobody knows what lies below: the longer blade goes first, the rest is decided when the skin is seen.',
  'agree.double_close': 'A double coat cut close may grow back differently: that is signed for.',
  'agree.extra': 'Mats take about {minutes} min more.',
} as const;
