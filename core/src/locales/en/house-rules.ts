import { HOUSE_QUESTION_IDS, type HouseQuestion } from '../../words/index.js';
import type { HouseWords } from '../index.js';

/** Questions on which groomers disagree: what is asked, what the answer changes in the product, and each school with its why. */
export const HOUSE_WORDS: HouseWords = {
  earHair: {
    question: 'Hair in the ear canal',
    changes: 'The tools of the ear step, and when ears are looked at again.',
    schools: {
      leave: { label: 'Leave it; scoop what shows with a #10', why: 'Open follicles get infected.' },
      pluck: { label: 'Pluck every 8 to 10 weeks, with powder', why: 'Air must get in.' },
      vet_asked: { label: 'Only when a vet asked for it', why: 'It is treatment, not grooming.' },
    },
  },
  muzzle: {
    question: 'Muzzle',
    changes: 'Which steps have a muzzle in their hold, and which go to a vet.',
    schools: {
      painful_steps: {
        label: 'Decided before the first tool, for the painful steps of a dog that bit',
        why: 'Short, watched, with treats, and with a plan to end the pain.',
      },
      whole_visit: {
        label: 'From the first touch on any such dog, as long as one fitting may last',
        why: 'Nobody has to judge in the middle of the work.',
      },
      never: { label: 'Never; those steps are for a vet', why: 'What needs a muzzle is not grooming.' },
    },
  },
  loop: {
    question: 'Loop',
    changes: 'Whether a loop is offered, and what keeps the dog on the table without one.',
    schools: {
      attended: { label: 'Attended, quick release', why: 'A fall from the table hurts more than a loose loop.' },
      never: { label: 'Never, hands alone', why: 'A noose is a risk of its own.' },
    },
  },
  face: {
    question: 'Place of the face in the order',
    changes: 'When the face is planned if crust or wet hair hides the eyes.',
    schools: {
      last: { label: 'Last', why: 'Most dogs mind it most.' },
      first_when_needed: { label: 'First when crust or wet hair hides the eyes', why: 'It must be seen to, and dries badly.' },
    },
  },
  bathOrClip: {
    question: 'Bath or clip first',
    changes: 'The order of bath and body clip for dogs that are not matted, old or thick-coated.',
    schools: {
      wash_first: { label: 'Wash first', why: 'A clean coat cuts evenly and spares blades.' },
      rough_clip_first: { label: 'Rough-clip first', why: 'Less to wash, less to dry.' },
    },
  },
  bodyClip: {
    question: 'Short body clip',
    changes: 'The sequence of blades.',
    schools: {
      step_down: { label: 'Step down: a longer blade first', why: 'What is cut off cannot be put back.' },
      straight: { label: 'Straight to the length', why: 'One pass instead of two.' },
    },
  },
  brushOut: {
    question: 'Brushing out mats',
    changes: 'Minutes of brushing, what is clipped instead, and the agreement.',
    schools: {
      limited: { label: 'At most 15 min a visit (10 for puppies and seniors, 5 in one place)', why: 'Comfort goes before length.' },
      as_agreed: { label: 'As long as the dog and the owner agree', why: 'At the dog’s own home there is time.' },
      always_clip: { label: 'None, always clip', why: 'Brushing out mats hurts.' },
    },
  },
  voice: {
    question: 'Voice',
    changes: 'What the plan says about talking to the dog.',
    schools: {
      as_file_says: { label: 'As the dog’s file says', why: 'Some dogs settle with a voice, some with none.' },
      soothing: { label: 'Soothing', why: 'A calm voice steadies both.' },
      quiet: { label: 'Quiet, no fuss', why: 'Soothing can sound like worry.' },
    },
  },
  pads: {
    question: 'Blade between the pads',
    changes: 'The blade that is offered between pads.',
    schools: {
      ten: { label: '#10', why: 'Close teeth are hard to cut skin with.' },
      close_when_trained: { label: '#30 or #40 by the trained', why: 'It gets under a mat like a pebble at once.' },
    },
  },
  feet: {
    question: 'Feet',
    changes: 'The order of feet and bath.',
    schools: {
      before_bath: { label: 'Before the bath', why: 'Skin is sensitive after warm water.' },
      after_bath: { label: 'After the bath', why: 'Clean hair is cut better.' },
    },
  },
  brushBeforeBath: {
    question: 'Brush before the bath',
    changes: 'Minutes of the bath step for dogs that cannot stand long.',
    schools: {
      yes: { label: 'Yes', why: 'Shampoo reaches the skin.' },
      not_short_standers: { label: 'Not for those who cannot stand long', why: 'Their minutes are for other things.' },
    },
  },
  dryer: {
    question: 'Dryer',
    changes: 'The dryer that is offered, and with it noise and minutes.',
    schools: {
      by_dog: { label: 'By the dog: towel, stand dryer, then high velocity', why: 'Noise and air are the first fears.' },
      high_velocity: { label: 'High velocity for all who bear it', why: 'Sooner dry, sooner home.' },
    },
  },
  start: {
    question: 'Where the work starts',
    changes: 'What the first step may be.',
    schools: {
      easy_first: { label: 'Easy places first', why: 'The dog settles.' },
      important_first: { label: 'What matters most first', why: 'Tolerance is there while it lasts.' },
    },
  },
  puppyStruggle: {
    question: 'When a puppy struggles',
    changes: 'What the hold says, and the longest stretch of it.',
    schools: {
      hold_still: { label: 'Hold still without pressure until it pauses', why: 'Struggling does not end the work, calm does.' },
      let_go: { label: 'Let go and ask again', why: 'Nothing is learned in a fight.' },
    },
  },
  rewards: {
    question: 'Rewards',
    changes: 'What a break offers, and what the pad of good signs counts.',
    schools: {
      food: { label: 'Food, if the owner allows', why: 'The salon becomes a good place.' },
      voice_touch: { label: 'Voice and touch', why: 'No crumbs, no allergies.' },
      none: { label: 'None', why: 'Quiet is reward enough.' },
    },
  },
  throatLine: {
    question: 'Throat line',
    changes: 'The hold for the throat and its longest stretch.',
    schools: {
      head_up: { label: 'Head up to tighten the skin, for seconds', why: 'Folds rise into the teeth.' },
      natural: { label: 'Natural carriage, skin drawn aside', why: 'A head held up is hard to breathe with.' },
    },
  },
  underTail: {
    question: 'Strokes under the tail',
    changes: 'The direction of strokes in trained hands.',
    schools: {
      sideways_down: { label: 'Side to side and down only', why: 'A dog that sits meets the blade.' },
      little_up_trained: { label: 'A little upwards, in trained hands, on a standing dog that is held', why: 'The line is cleaner.' },
    },
  },
  bladeTooWarm: {
    question: 'When a blade is too warm',
    changes: 'Which touch counts, and the temperature at which a blade is swapped.',
    schools: {
      warm_inner_arm: { label: 'Warm on the inner arm', why: 'Warm to you is hot to the dog.' },
      hot_wrist: { label: 'Hot on the wrist', why: 'A running blade is never cold.' },
    },
  },
  hardFace: {
    question: 'Pace on a hard face',
    changes: 'Minutes and strain of the face on a dog that minds it.',
    schools: {
      short_quick: { label: 'Short and quick, trained hands, with rests', why: 'Over before it builds up.' },
      slow: { label: 'Slow throughout', why: 'Nothing startles.' },
    },
  },
  whoIsTold: {
    question: 'Who is told',
    changes: 'What the hand-back asks for after a finding or an incident.',
    schools: {
      owner_and_vet_writing: { label: 'Owner and vet, in writing', why: 'What is written is not forgotten.' },
      owner_by_word: { label: 'The owner, by word', why: 'It is their dog.' },
    },
  },
  consentsHold: {
    question: 'How long consents hold',
    changes: 'What a regular is asked again; what is clipped close is asked every time.',
    schools: {
      each_visit: { label: 'One visit', why: 'The dog of today is another than the last time.' },
      half_a_year: { label: 'Half a year', why: 'A regular knows the words; what they agreed to is shown, and can be refused.' },
      a_year: { label: 'A year', why: 'Asked again on a fixed day, with the file.' },
    },
  },
  stopChance: {
    question: 'Visits that may end in Stop',
    changes: 'Work is left for another day until the chance of a stop is no higher; what exceeds it can be chosen as “with this risk”.',
    schools: {
      five: { label: '5 of 100', why: 'One visit in twenty ends early, whatever is planned.' },
      two: { label: '2 of 100', why: 'For a salon of fearful and old dogs: less is done, more often.' },
      ten: { label: '10 of 100', why: 'Where people are many, breaks are kept and nobody hurries.' },
    },
  },
  biteChance: {
    question: 'Visits in which a dog may snap or bite',
    changes: 'Work is left for another day until the chance of a snap or a bite is no higher.',
    schools: {
      one: { label: '1 of 100', why: 'A snap is a warning that came too late; hands and the dog’s name both count.' },
      half: { label: '1 of 200', why: 'For a salon with trainees, or with children about.' },
      two: { label: '2 of 100', why: 'For the experienced, whose long visits would else be cut in two.' },
    },
  },
};

/** The questions alone. */
export const HOUSE_QUESTION_LABELS: Readonly<Record<HouseQuestion, string>> = questionsOf(HOUSE_WORDS);

function questionsOf(words: HouseWords): Record<HouseQuestion, string> {
  // Key by key, which TypeScript cannot follow; the spec says every rule that names one.
  return Object.fromEntries(HOUSE_QUESTION_IDS.map((q) => [q, words[q].question])) as Record<HouseQuestion, string>;
}
