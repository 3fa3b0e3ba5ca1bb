import type { HarmDegree, IncidentKind, ZoneId } from '@mansuet/core/words';

export interface PastIncident {
  readonly kind: IncidentKind;
  readonly harm: HarmDegree;
  readonly zone: ZoneId | null;
  readonly what: string;
}

/** Invented; one of most kinds, so that every screen has something to show. */
export const PAST_INCIDENTS: readonly PastIncident[] = [
  {
    kind: 'near_miss',
    harm: 'none',
    zone: 'ear_leather_left',
    what: 'Head turned as the blade came to the ear; the thumb was on the edge.',
  },
  { kind: 'nick', harm: 'mild', zone: 'tuck_up_left', what: 'A fold came up into the teeth. Pressed for 5 min, stopped.' },
  { kind: 'clipper_burn', harm: 'mild', zone: 'belly', what: 'Went over one place three times. Cooled, owner told.' },
  { kind: 'quicked_nail', harm: 'mild', zone: 'fore_paw_right', what: 'Dark nail, cut too far. Styptic, stopped at once.' },
  { kind: 'bite_or_scratch_person', harm: 'mild', zone: null, what: 'Scratch on the forearm at the tub; washed for 15 min.' },
  { kind: 'brush_burn', harm: 'mild', zone: 'thigh_left', what: 'Too long in one place on the left thigh.' },
  { kind: 'found_on_arrival', harm: 'none', zone: 'hind_paw_left', what: 'A seed between the pads; shown to the owner before any work.' },
  {
    kind: 'ear_edge_cut',
    harm: 'moderate',
    zone: 'ear_leather_right',
    what: 'Small cut at the tip, opened again by shaking; bandaged by the vet.',
  },
  { kind: 'overheating', harm: 'moderate', zone: null, what: 'Panted hard under the dryer; cooled, then to the vet.' },
  { kind: 'fall_or_jump', harm: 'none', zone: null, what: 'Jumped as the table went down; caught under the chest.' },
  { kind: 'eye', harm: 'mild', zone: 'eye_left', what: 'Cut hair in the eye; rinsed with saline, shown to the vet.' },
  { kind: 'ear_haematoma', harm: 'moderate', zone: 'ear_leather_left', what: 'Swelling the day after heavy mats came off; vet.' },
  { kind: 'loop', harm: 'none', zone: 'neck', what: 'Leaned into the loop; released, no cough.' },
  { kind: 'joint_or_muscle_strain', harm: 'mild', zone: 'thigh_right', what: 'Cried when the leg was taken back; let go, let lie.' },
  { kind: 'laceration', harm: 'severe', zone: 'armpit_left', what: 'Web cut at a tight mat; vet at once, two stitches.' },
  { kind: 'tongue_or_lip_cut', harm: 'mild', zone: 'lips', what: 'Licked as the blade passed; left in peace, stopped.' },
  { kind: 'water_inhaled', harm: 'none', zone: null, what: 'Coughed twice while the head was wetted; head low, fine.' },
  { kind: 'skin_infection', harm: 'mild', zone: 'back', what: 'Owner rang on the third day: spots on the back. To the vet.' },
  { kind: 'escape', harm: 'none', zone: null, what: 'Slipped the lead at the door; the outer door was shut.' },
  { kind: 'collapse_or_fit', harm: 'severe', zone: null, what: 'A fit of half a minute after the bath; vet now.' },
];
