export const STRAIN_SENTENCES = {
  // States that look calm
  'calm.relaxed': 'Relaxed: soft body, loose face. It has recovered.',
  'calm.still': 'Still: that says nothing by itself. Watch the face.',
  'calm.tired_out': 'Tired out, not calm: tired dogs get worse. Only what must be, and soon the end.',
  'calm.shut_down': 'Shut down: it has given up, not calmed down. Hands off, and stop unless it comes back by itself.',
  // What breaks have taught
  'strain.half_life_learned':
    'From {count} watched {count_n, plural, one {break} other {breaks}} and the signs of its visits: strain halves in {from} to {to} min, most likely about {likely}. Plans count with {minutes}, so that breaks are not too short.',
  // Rates
  'rate.prior_only': 'Nothing seen with this dog yet: {rate} points a minute is what its kind is taken to have.',
  // A dog in plain words
  'file.nothing_seen': 'Nothing was seen at work yet: until then it counts as a dog of its kind.',
  'file.dog_harder':
    'All work is harder on it than on dogs of its kind, about {factor} times ({visits} {visits_n, plural, one {visit} other {visits}}, {percent} % sure).',
  'file.dog_easier':
    'All work is easier on it than on dogs of its kind, about {factor} times ({visits} {visits_n, plural, one {visit} other {visits}}, {percent} % sure).',
  'file.dog_alike': 'On the whole it is like dogs of its kind, as far as {visits} {visits_n, plural, one {visit} other {visits}} can tell.',
  'file.work_harder':
    'It minds: {step}, about {factor} times as much as dogs of its kind ({visits} {visits_n, plural, one {visit} other {visits}}, {percent} % sure).',
  'file.work_easier':
    'Easy on it: {step}, about {factor} times what dogs of its kind make of it ({visits} {visits_n, plural, one {visit} other {visits}}, {percent} % sure).',
  'file.no_leave': 'Easy is no leave to go on where it shows strain.',
  'file.minds_nothing': 'Nothing that stands out from its kind so far.',
  'file.works_alike': '{count} {count_n, plural, one {kind} other {kinds}} of work: as dogs of its kind, or too little seen.',
  'file.comes_down':
    'What calms it: a real break. Strain halves in about {likely} min; in {reached} of {count} {count_n, plural, one {break} other {breaks}} that somebody watched it looked relaxed at the end.',
  'file.never_looked':
    'How fast it comes down is not known: nobody said how it was at the end of a break. Until then strain is taken to halve in about {likely} min.',
  'file.now_harder':
    'Harder than a year ago, about {factor} times ({visits} {visits_n, plural, one {visit} other {visits}} since, {count} before, {percent} % sure): pain, age, or a bad visit? Ask, and look.',
  'file.now_easier':
    'Easier than a year ago, about {factor} times ({visits} {visits_n, plural, one {visit} other {visits}} since, {count} before, {percent} % sure).',
  'file.no_change':
    'No change against the year before that shows ({visits} {visits_n, plural, one {visit} other {visits}} since, {count} before).',
  'file.no_year': 'Nothing to compare with last year yet.',
  // Noise or place
  'trigger.place': 'It minds the place ({place}), whatever the tool: {percent} % sure.',
  'trigger.tool': 'It minds the {learned_tool}, wherever it is: {percent} % sure.',
  'trigger.both': 'It minds the {learned_tool} and the place ({place}), each by itself: {percent} % sure.',
  'trigger.only_together': 'It minds the {learned_tool} at the {place}, neither alone: {percent} % sure.',
  'trigger.neither': 'Neither the {learned_tool} nor the {place} stands out from the rest.',
  'trigger.not_enough':
    'Not known yet: it takes {minutes} min of other tools there and of the {learned_tool} elsewhere to tell noise from place ({place}).',
  // Time to first watch
  'watch.few': 'Seen {count} {count_n, plural, one {time} other {times}}, strain rose to watch in {reached}: too few to say more.',
  'watch.mostly_settled': 'In most of {count} times it stayed settled (to {minutes} min); it rose to watch in {reached}.',
  'watch.median': 'In half of {count} times strain rose to watch within {minutes} min.',
  // A friendly sign
  'ahead.one_in': 'Next {minutes} min like this: a growl or worse in about 1 of {count}.',
  'ahead.likely': 'Next {minutes} min like this: a growl or worse, more likely than not.',
  'ahead.break': 'A break now: {has_count, select, yes {about 1 of {count}} other {seldom}}.',
  'ahead.lighter_hands': 'Head down, sides swapped, short strokes: {has_count, select, yes {about 1 of {count}} other {seldom}}.',
  'ahead.next_step': 'The next step instead: {has_count, select, yes {about 1 of {count}} other {seldom}}.',
  'sign.unlocks_nothing': 'A friendly sign lowers no protection: {has_holds, select, yes {{holds}} other {what is planned}} stays.',
} as const;
