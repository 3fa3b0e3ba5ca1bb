import { placesOf } from '../account/index.js';
import type { DogFile, Letter, Salon, Staff } from '../contract/index.js';
import { clockOf, dayOf } from '../days/index.js';
import { incidentClass, incidentStory } from '../incidents/index.js';
import { day, heading, type Language, say } from '../locales/index.js';
import { SIGNALS } from '../strain/index.js';
import type { IncidentRecord, VisitState } from '../visit/index.js';
import { LOOKED_FINDINGS, LOOKED_PARTS, reason, type Saying, withoutStop } from '../words/index.js';

/** What a letter is made of. */
export interface LetterFacts {
  readonly state: VisitState;
  readonly file: DogFile;
  readonly salon: Pick<Salon, 'name' | 'vetName' | 'vetPhone' | 'timeZone'>;
  readonly staff: readonly Pick<Staff, 'staffId' | 'name'>[];
  readonly language: Language;
  /** ISO date. */
  readonly today: string;
}

type Section = Letter['sections'][number];

/**
 * A letter to a vet: what was seen, felt and measured, with times. No diagnosis, no cause, no drug: that is the vet's.
 */
export function vetLetter(facts: LetterFacts): Letter {
  const { state, language } = facts;
  const { zones, looked, joints, favours } = state.feelOver;
  const label = language.labels;
  const skin = zones.filter((z) => z.skin !== 'sound').map((z) => `${label.zone[z.zone]}: ${label.skin[z.skin]}`);
  const parts = LOOKED_PARTS.flatMap((part) => {
    const finding = looked?.[part];
    return finding === undefined || finding === LOOKED_FINDINGS[part][0]
      ? []
      : [`${label.lookedPart[part]}: ${label.lookedFinding[finding]}`];
  });
  const stiff = Object.entries(joints).flatMap(([j, comfort]) =>
    comfort === 'free' ? [] : [`${label.joint[j as keyof typeof joints]}: ${label.comfort[comfort]} when it was bent`],
  );
  const sections: Section[] = [
    section('Why we write', why(facts)),
    section('Skin', skin),
    section('Eyes, mouth, ears, feet and the rest', parts),
    section('Joints and legs', [...stiff, ...(favours && favours !== 'none' ? [`less weight on the ${label.leg[favours]}`] : [])]),
    section(
      'What happened at the visit',
      state.incidents.flatMap((i) => incidentLines(facts, i)),
    ),
    section('How it was at the table', tableLines(facts)),
    section('Weight', state.weightKg === undefined ? [] : [`${state.weightKg} kg on our scale`]),
  ];
  return {
    ...head(facts),
    kind: 'vet_letter',
    title: `For the vet: ${facts.file.dog.name}`,
    to: `${facts.salon.vetName} ${facts.salon.vetPhone}`.trim(),
    sections: [
      ...sections.filter((s) => s.lines.length > 0),
      section('', ['We describe what we saw and felt. What it is, and what is done, is for you to say.']),
    ],
    places: placesOf(state),
  };
}

/** A report of one incident: how it stood, what was done, what played a part, what is changed. */
export function incidentReport(facts: LetterFacts, incident: IncidentRecord): Letter {
  const { state, language } = facts;
  const { details, ownerTold, additions } = incident;
  const label = language.labels;
  const sections: Section[] = [
    section('What happened', incidentLines(facts, incident)),
    section(
      'How it stood, from the log',
      incidentStory(state, incident).map((r) => say(language, r)),
    ),
    section('Degree of harm', [
      `${incident.harm === undefined ? 'Not said yet' : heading(language, 'harm', incident.harm)} (${label.incidentClass[incidentClass(incident.kind, incident.harm)]}; WHO International Classification for Patient Safety, version 1.1, 2009).`,
      ...(details.bite === undefined ? [] : [`Bite level ${label.biteLevel[details.bite]} (assessment of bites by I. Dunbar).`]),
    ]),
    section(
      'What played a part',
      (details.factors ?? []).map((f) => heading(language, 'incidentFactor', f)),
    ),
    section('What would have prevented it', lines(details.prevented)),
    section('What is changed', action(incident)),
    section('Vet or doctor', lines(details.vet)),
    section('The owner', [
      ownerTold
        ? `${ownerTold.name} was told ${label.toldHow[ownerTold.how]} by ${nameOf(facts, ownerTold.by)}, ${moment(facts, ownerTold.atMs)}${ownerTold.said ? `: ${ownerTold.said}` : '.'}`
        : state.handedBack
          ? `${state.handedBack.toldTo} was told at the hand-back, ${moment(facts, state.handedBack.atMs)}.`
          : 'Not told yet.',
    ]),
    section('Recorded', [
      `${nameOf(facts, incident.by)}, ${moment(facts, incident.atMs)}.`,
      ...additions.map((a) => `${nameOf(facts, a.by)} added, ${moment(facts, a.atMs)}: ${a.fields.map((f) => FIELDS[f] ?? f).join(', ')}.`),
    ]),
  ];
  return {
    ...head(facts),
    kind: 'incident_report',
    title: `${heading(language, 'incident', incident.kind)}: ${facts.file.dog.name}`,
    to: '',
    sections: sections.filter((s) => s.lines.length > 0),
    marks: [],
    places: incident.zone ? [{ zone: incident.zone, as: 'hurt' }] : [],
  };
}

/** What each field is called in the list of additions. */
const FIELDS: Readonly<Record<string, string>> = {
  kind: 'the kind',
  harm: 'how bad it is',
  zone: 'the place',
  what: 'what happened',
  tool: 'the tool',
  sizeMm: 'its size',
  look: 'how it looks',
  bite: 'the level of the bite',
  who: 'who was there',
  did: 'what was done',
  didAt: 'when',
  vet: 'the vet’s word',
  factors: 'what played a part',
  prevented: 'what would have prevented it',
  action: 'what is changed',
  actionBy: 'who sees to it',
  actionUntil: 'until when',
};

const section = (title: string, all: readonly string[]): Section => ({ heading: title, lines: [...all] });
const lines = (text: string | undefined): string[] => (text ? [text] : []);
const moment = ({ salon, language }: LetterFacts, ms: number): string =>
  `${day(language, dayOf(ms, salon.timeZone))} ${clockOf(ms, salon.timeZone)}`;
const nameOf = ({ staff }: LetterFacts, id: string): string => staff.find((s) => s.staffId === id)?.name ?? 'someone who left';

function action({ details: { action: what, actionBy, actionUntil } }: IncidentRecord): string[] {
  if (!what) return [];
  return [[withoutStop(what), actionBy, actionUntil && `until ${actionUntil}`].filter((x) => x !== undefined && x !== '').join(', ')];
}

function head(facts: LetterFacts): Omit<Letter, 'kind' | 'title' | 'to' | 'sections' | 'places'> {
  const { file, salon, state, today } = facts;
  const { dog, owner } = file;
  return {
    madeOn: today,
    salon: { name: salon.name },
    dog: { name: dog.name, born: dog.born, weightKg: state.weightKg ?? dog.weightKg, owner: owner.name, phone: owner.phone },
    visit: { on: state.day ?? today, groomer: nameOf(facts, state.handsId ?? state.groomerId ?? '') },
    marks: marksOf(facts),
  };
}

function why({ state, language }: LetterFacts): string[] {
  const asked = (state.plan?.notToday ?? []).filter((n) => n.to === 'vet').map((n) => n.what.said);
  const hurt = state.incidents.filter((i) => i.kind !== 'near_miss').map((i) => heading(language, 'incident', i.kind));
  const all = [...hurt, ...asked];
  return all.length > 0 ? [`We ask you to look at this: ${all.join('; ')}.`] : ['The owner asked us to write down what we see.'];
}

/** What, where, when, how it looks, what was done. */
function incidentLines(facts: LetterFacts, i: IncidentRecord): string[] {
  const { language } = facts;
  const { sizeMm, look, did, didAt, who } = i.details;
  const where = i.zone ? `, ${language.labels.zone[i.zone]}` : '';
  const when = i.later ? `seen on ${day(language, i.later.on)}` : moment(facts, i.atMs);
  const harm = i.harm === undefined ? 'how bad was not said' : language.labels.harm[i.harm];
  return [
    `${heading(language, 'incident', i.kind)}${where}, ${when}: ${harm}.`,
    ...lines(i.what),
    ...(look || sizeMm
      ? [
          [look && `It looks ${language.labels.incidentLook[look]}`, sizeMm && `${sizeMm[0]} × ${sizeMm[1]} mm`]
            .filter(Boolean)
            .join(', ') + '.',
        ]
      : []),
    ...(did ? [`Done${didAt ? ` at ${didAt}` : ''}: ${did}`] : []),
    ...(who ? [`There: ${who}`] : []),
  ];
}

/** Signs that a vet wants to hear of: small ones and good ones say nothing of its health. */
const HARD_ON_IT: readonly string[] = ['rising', 'hard', 'body_alarm'];

function tableLines({ state, language }: LetterFacts): string[] {
  const seen = new Set((state.work?.signs ?? []).map((s) => s.signal).filter((s) => HARD_ON_IT.includes(SIGNALS[s].tier)));
  const out: Saying[] = seen.size > 0 ? [reason('letter.signs', { signals: [...seen] }, 0.5)] : [];
  if (state.ended?.outcome === 'stopped') out.push(reason('told.stopped', { why: withoutStop(state.ended.why) || undefined }, 0.8));
  return out.map((s) => say(language, s));
}

/** Each mark that was seen, with all its sizes and how it changed as measured. */
function marksOf({ state, file, language }: LetterFacts): Letter['marks'] {
  const on = state.day ?? '';
  return state.feelOver.marks.map((m) => {
    const before = file.marks.filter((k) => k.markId === m.markId && k.visitId !== state.visitId && k.seenOn < on);
    const seen = [
      ...before.map((k) => ({ on: k.seenOn, lengthMm: k.lengthMm, widthMm: k.widthMm })),
      ...(m.asBefore ? [] : [{ on, lengthMm: m.lengthMm, widthMm: m.widthMm }]),
    ].sort((a, b) => a.on.localeCompare(b.on));
    return {
      zone: m.zone,
      place: `${language.labels.zone[m.zone]}: ${language.forms.markKind.told[m.kind ?? 'stands_out']}`,
      spot: m.spot ? [m.spot[0], m.spot[1]] : null,
      seen,
      growth: growthOf(seen),
    };
  });
}

function growthOf(seen: readonly { readonly on: string; readonly lengthMm: number; readonly widthMm: number }[]): string {
  const [first, last] = [seen[0], seen.at(-1)];
  if (!first || !last || seen.length < 2 || first.on === last.on) return '';
  const weeks = Math.round((Date.parse(last.on) - Date.parse(first.on)) / 604_800_000);
  const change = Math.round(10 * (last.lengthMm - first.lengthMm)) / 10;
  return change === 0
    ? `as long as ${weeks} weeks before, as measured`
    : `${Math.abs(change)} mm ${change > 0 ? 'longer' : 'shorter'} than ${weeks} weeks before, as measured`;
}
