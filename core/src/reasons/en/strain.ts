import { COMPUTED, DEFAULT, LEARNED, PRACTICE, rule, type RuleText } from '../rule-text.js';

export const STRAIN_RULES = {
  // States that look calm
  'calm.relaxed': rule('Relaxed: soft body, loose face. It has recovered.', PRACTICE),
  'calm.still': rule('Still: that says nothing by itself. Watch the face.', PRACTICE),
  'calm.tired_out': rule('Tired out, not calm: tired dogs get worse. Only what must be, and soon the end.', PRACTICE),
  'calm.shut_down': rule('Shut down: it has given up, not calmed down. Hands off, and stop unless it comes back by itself.', PRACTICE),
  // What breaks have taught
  'strain.half_life_learned': rule(
    '{breaks} breaks of this dog were watched: strain halves in about {minutes} min (we began at {from}).',
    COMPUTED,
  ),
  // Rates
  'rate.alike': rule('{minutes} min of these were elsewhere or with another tool: they count half.', DEFAULT),
  'rate.prior_only': rule('Nothing seen with this dog yet: {rate} points a minute is what its kind is taken to have.', DEFAULT),
  // Noise or place
  'trigger.place': rule('It minds the place ({place}), whatever the tool: {percent} % sure.', LEARNED),
  'trigger.tool': rule('It minds the {tool}, wherever it is: {percent} % sure.', LEARNED),
  'trigger.both': rule('It minds the {tool} and the place ({place}), each by itself: {percent} % sure.', LEARNED),
  'trigger.only_together': rule('It minds the {tool} at the {place}, neither alone: {percent} % sure.', LEARNED),
  'trigger.neither': rule('Neither the {tool} nor the {place} stands out from the rest.', LEARNED),
  'trigger.not_enough': rule(
    'Not known yet: it takes {minutes} min of other tools there and of the {tool} elsewhere to tell noise from place ({place}).',
    DEFAULT,
  ),
  // Time to first watch
  'watch.few': rule('Seen {count} times, strain rose to watch in {reached}: too few to say more.', COMPUTED),
  'watch.mostly_settled': rule('In most of {count} times it stayed settled (to {minutes} min); it rose to watch in {reached}.', COMPUTED),
  'watch.median': rule('In half of {count} times strain rose to watch within {minutes} min.', COMPUTED),
  // A friendly sign
  'sign.unlocks_nothing': rule('A friendly sign lowers no protection: {what} stays.', PRACTICE),
} as const satisfies Record<string, RuleText>;
