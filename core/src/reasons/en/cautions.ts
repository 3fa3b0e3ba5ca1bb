import { FLOOR, PRACTICE, rule, type RuleText } from '../rule-text.js';

export const CAUTIONS_RULES = {
  // Cautions
  'caution.zone': rule('{zone}: {care}', PRACTICE),
  'caution.mark': rule('Mark on the {zone}, {mm}: find it with a finger, go round it, do not squeeze.', PRACTICE),
  'caution.sore_zone_left': rule('{zone}: sore skin, leave it out. Show it to a vet.', FLOOR),
  'caution.no_shears_under_tail': rule('Never shears under the tail; blade side to side and down.', FLOOR),
  'caution.shield_folds': rule('A finger shields vulva or sheath; feel each teat first.', PRACTICE),
  'caution.brush': rule(
    'Never a dry coat: damp it, part the hair to the skin, hold the root. Too many strokes in one place burn.',
    PRACTICE,
  ),
  'caution.crust': rule('Soak it until it lets go; never cut or pull it dry. Away from the eye.', PRACTICE),
  'caution.feet': rule('Feel for dewclaw and carpal pad first; spread the toes from below; shears never flat across a pad.', PRACTICE),
  'caution.body_clip': rule(
    'With the grain, blade flat; feel for growths and teats first. Steady the skin, never pull and cut at once.',
    PRACTICE,
  ),
  'caution.shears': rule('Shears closed and off the table while the dog turns; only where the fine teeth pass.', PRACTICE),
  'caution.quick': rule('Small bites; styptic at hand, on nails only. Stop when it pulls, take it again.', PRACTICE),
  'caution.water': rule('Water 35 to 37 °C on your wrist first; no water into ears and nose.', PRACTICE),
  'caution.never_alone': rule('Someone stays: never alone in a tub, on a table, at a dryer.', FLOOR),
  'caution.dryer_face': rule('Never blow at the face or into the ears; hand in the air stream feels the heat.', PRACTICE),
  'caution.wrinkles_dry': rule('Wrinkles: rinse from the top of the head and dry each fold completely.', PRACTICE),
  'caution.ear_vet': rule('Black, foul or sore ears: this is for a vet, not for more cleaning. Never deep.', PRACTICE),
  'caution.blade_warm': rule('Blade on your inner wrist by 3 min of running: warm to you is hot to the dog.', PRACTICE),
  'caution.skin_below': rule('Skin under tight mats is an open question: sores, parasites, hot spots. Look as you go.', PRACTICE),
  'caution.loop_off_neck': rule('The loop comes off for the neck and goes straight back.', PRACTICE),
  'caution.thin_skin': rule('Thin skin: blade flat, slow, no second pass on the same place.', PRACTICE),
  'caution.short_nose_breath': rule('Listen to the breath; noisy or blue: stop, cool, vet now.', FLOOR),
  'caution.eye': rule('Strokes away from the eye; blunt-tip shears with their back resting on the dog.', PRACTICE),
  'caution.lips': rule('Stretch the lip, find the tongue, never across the lip line.', PRACTICE),
} as const satisfies Record<string, RuleText>;
