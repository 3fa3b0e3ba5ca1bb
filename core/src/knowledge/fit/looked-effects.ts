import type { FeelOver } from '../../findings/index.js';
import {
  type Activity,
  FOUND_IN_PLACES,
  type FoundInPlace,
  type LOOKED_FINDINGS,
  LOOKED_PARTS,
  type LookedFinding,
  type LookedPart,
  type Reason,
  reason,
  type ZoneId,
} from '../../words/index.js';

/** What a finding does to the plan. */
export interface LookedEffect {
  readonly part: LookedPart;
  readonly finding: LookedFinding;
  /** Why, as it is shown. */
  readonly because: Reason;
  /** The place is left and shown to a vet. */
  readonly vet: boolean;
  /** Places nobody works on today. */
  readonly leaves: readonly ZoneId[];
  /** Where it is, when somebody showed the place: there it goes for all work, and nowhere else. */
  readonly at: readonly ZoneId[];
  /** Work that this finding belongs to: it carries the caution. */
  readonly activities: readonly Activity[];
  /** Minutes of that work, as a factor. Our default. */
  readonly minutesFactor: number;
}

interface Rule {
  readonly rule: Reason['rule'];
  readonly vet?: boolean;
  readonly leaves?: readonly ZoneId[];
  readonly activities?: readonly Activity[];
  readonly minutesFactor?: number;
}

const pads: readonly ZoneId[] = ['fore_paw_left', 'fore_paw_right', 'hind_paw_left', 'hind_paw_right'];

/** Effects of what is not healthy. Common practice, no source; the factors are our defaults. */
const EFFECTS: { readonly [P in LookedPart]: Readonly<Partial<Record<(typeof LOOKED_FINDINGS)[P][number], Rule>>> } = {
  eyes: {
    crusted: { rule: 'looked.eyes_crusted', activities: ['crust', 'face'], minutesFactor: 1.2 },
    dry_eye: { rule: 'looked.eyes_dry', activities: ['face', 'bath_head', 'dry'], minutesFactor: 1.1 },
    sore: { rule: 'looked.eyes_sore', vet: true, leaves: ['eye_left', 'eye_right', 'stop'], activities: ['face'] },
  },
  mouth: {
    no_front_teeth: { rule: 'looked.no_front_teeth', activities: ['face'] },
    sore_teeth: { rule: 'looked.sore_teeth', vet: true, leaves: ['lips', 'chin'], activities: ['face'] },
  },
  folds: {
    damp: { rule: 'looked.folds_damp', activities: ['rinse_folds', 'dry'], minutesFactor: 1.15 },
    sore: { rule: 'looked.folds_sore', vet: true, leaves: ['wrinkles'], activities: ['bath_head', 'dry', 'face'] },
  },
  ears: {
    waxy: { rule: 'looked.ears_waxy', activities: ['ears'], minutesFactor: 1.3 },
    foul: {
      rule: 'looked.ears_foul',
      vet: true,
      leaves: ['ear_canal_left', 'ear_canal_right'],
      activities: ['ears', 'bath_head'],
    },
  },
  seeds: {
    grass_seed: { rule: 'looked.grass_seed', vet: true, activities: ['ears', 'feet'] },
  },
  breath: {
    bad_head_up: {
      rule: 'looked.breath_head_up',
      activities: ['face', 'body_clip', 'prep_clip', 'bath_head', 'crust'],
      minutesFactor: 1.25,
    },
  },
  ticks: {
    tick: { rule: 'looked.tick', activities: ['body_clip', 'brush_through', 'brush_mats', 'deshed', 'ears', 'face'] },
  },
  dewclaws: {
    curled: { rule: 'looked.dewclaw_curled', activities: ['nails'], minutesFactor: 1.15 },
    grown_in: { rule: 'looked.dewclaw_grown_in', vet: true, leaves: ['dewclaw_left', 'dewclaw_right'], activities: ['nails'] },
  },
  nails: {
    brittle: { rule: 'looked.nails_brittle', activities: ['nails'], minutesFactor: 1.5 },
    long: { rule: 'looked.nails_long', activities: ['nails'], minutesFactor: 1.4 },
    grown_in: { rule: 'looked.nails_grown_in', vet: true, activities: ['nails'], minutesFactor: 1.4 },
  },
  pads: {
    hair_balls: { rule: 'looked.pads_hair', activities: ['feet'], minutesFactor: 1.4 },
    cracked: { rule: 'looked.pads_cracked', activities: ['feet', 'nails', 'bath'] },
    cut: { rule: 'looked.pads_cut', vet: true, leaves: pads, activities: ['feet', 'bath'] },
  },
  ribs: {
    thin: { rule: 'looked.ribs_thin', vet: true, activities: ['body_clip', 'brush_mats', 'clip_tight_body', 'dry'], minutesFactor: 1.1 },
    heavy: { rule: 'looked.ribs_heavy', activities: ['bath', 'dry'] },
  },
  grease: {
    greasy: { rule: 'looked.greasy', activities: ['body_clip', 'prep_clip', 'bath', 'ears'], minutesFactor: 1.1 },
  },
  rear_touch: {
    sits: { rule: 'looked.sits', activities: ['sanitary', 'clip_tight_fragile', 'tidy'] },
  },
  anal: {
    dirty: { rule: 'looked.anal_dirty', activities: ['sanitary'], minutesFactor: 1.5 },
    swollen: { rule: 'looked.anal_swollen', vet: true, leaves: ['anus'], activities: ['sanitary'] },
  },
};

/** What was looked at, and where. */
type Seen = Pick<FeelOver, 'looked' | 'foundAt'>;

const hasPlaces = (part: LookedPart): part is FoundInPlace => part in FOUND_IN_PLACES;

/** What follows from everything looked at; healthy parts and parts not looked at have no effect. */
export function lookedEffects({ looked, foundAt }: Seen): LookedEffect[] {
  if (!looked) return [];
  return LOOKED_PARTS.flatMap((part) => {
    const finding = looked[part];
    const rules: Readonly<Partial<Record<string, Rule>>> = EFFECTS[part];
    const found = finding && rules[finding];
    if (!found) return [];
    const at = hasPlaces(part) ? (foundAt?.[part] ?? []) : [];
    return [
      {
        part,
        finding,
        because: reason(found.rule, at.length > 0 ? { zones: at } : {}, found.vet ? 0.95 : 0.7),
        at,
        vet: found.vet ?? false,
        leaves: found.leaves ?? [],
        activities: found.activities ?? [],
        minutesFactor: found.minutesFactor ?? 1,
      },
    ];
  });
}

/** Whether a finding is about work in some places: where it is, or, when nobody showed that, the work that it belongs to. */
export function isAbout(effect: LookedEffect, activity: Activity, zones: readonly ZoneId[]): boolean {
  return effect.at.length > 0 ? zones.some((z) => effect.at.includes(z)) : effect.activities.includes(activity);
}

/** Minutes of a kind of work against a healthy dog's, as a factor. */
export function lookedMinutesFactor(seen: Seen, activity: Activity): number {
  return lookedEffects(seen)
    .filter((e) => e.activities.includes(activity))
    .reduce((f, e) => f * e.minutesFactor, 1);
}

/** Places that nobody works on today because of what was seen. */
export function leftByLooks(seen: Seen): ZoneId[] {
  return [...new Set(lookedEffects(seen).flatMap((e) => e.leaves))];
}

/** A finding as sentences name it: its places only where they are few. */
export function lookedFacts(e: Pick<LookedEffect, 'part' | 'finding' | 'leaves' | 'at'>): {
  readonly part: LookedPart;
  readonly finding: LookedFinding;
  readonly zones: readonly ZoneId[];
} {
  const zones = e.at.length > 0 ? e.at : e.leaves;
  return { part: e.part, finding: e.finding, zones: zones.length <= PLACES_NAMED ? zones : [] };
}
/** More places than this are not named. */
const PLACES_NAMED = 3;
