import type { EventBody } from '@mansuet/core/log';
import { followUpsOf } from '@mansuet/core/follow-ups';
import { closingAtEnd, replay } from '@mansuet/core/visit';
import type { Story } from './visit-story.js';
import type { VisitWriter } from './visit-writer.js';

type Details = Omit<EventBody<'incident_more'>, 'incidentId' | 'kind'>;

/** What the salon wrote of an incident afterwards, by its kind. Invented. */
const DETAILS: Readonly<Partial<Record<NonNullable<Story['incident']>['kind'], Details>>> = {
  near_miss: { factors: ['moved'], prevented: 'A hand on the chin before the blade comes near the ear.' },
  nick: {
    look: 'open',
    sizeMm: [5, 1],
    did: 'Pressed with gauze for 5 min, clean and dry.',
    factors: ['moved', 'mat_there'],
    prevented: 'Stretch the fold flat before the blade.',
    action: 'Folds are stretched by a second hand on thin dogs.',
  },
  clipper_burn: {
    look: 'red',
    sizeMm: [30, 12],
    did: 'Blade off, a damp cool cloth, left in peace.',
    factors: ['blade_warm', 'hurried'],
    prevented: 'The blade on the wrist every two minutes.',
    action: 'Two blades of each number lie ready, and are taken in turns.',
    actionBy: 'Imke Aldous',
  },
  quicked_nail: {
    look: 'bleeding',
    did: 'Styptic, pressed, stopped after 2 min.',
    factors: ['poor_view'],
    prevented: 'Small bites on dark nails.',
  },
  bite_or_scratch_person: {
    bite: 2,
    did: 'Washed for 15 min with soap and water.',
    who: 'Tomasz Vane',
    factors: ['moved'],
    prevented: 'Wet the feet last.',
  },
  brush_burn: {
    look: 'red',
    sizeMm: [40, 20],
    did: 'Stopped there, cool cloth.',
    factors: ['strain_rising'],
    prevented: 'Clip under what a brush does not part.',
  },
  laceration: {
    look: 'open',
    sizeMm: [14, 4],
    did: 'Pressed, covered, to the vet at once.',
    vet: 'Two stitches; to be looked at after ten days.',
    factors: ['mat_there', 'poor_view'],
    prevented: 'No scissors at a tight mat: clip under it, or leave it.',
    action: 'Scissors stay in the drawer where a mat is tight.',
    actionBy: 'Imke Aldous',
  },
};

/** Afterwards: the incident completed, its owner told, the closing list worked off. */
export function comeToAnEnd(w: VisitWriter, story: Story): void {
  const [incident] = replay(w.visitId, w.events).incidents;
  if (incident) {
    const { incidentId, kind } = incident;
    const details = DETAILS[kind];
    if (details) w.wait(3).write({ type: 'incident_more', body: { incidentId, ...details } });
    if (kind !== 'near_miss')
      w.wait(1).write({
        type: 'owner_told',
        body: { incidentId, name: story.demo.owner, how: 'face_to_face', said: 'What happened, what we did, and what to watch.' },
      });
  }
  for (const { line, done } of closingAtEnd(replay(w.visitId, w.events))?.lines ?? [])
    if (!done) w.wait(0.3).write({ type: 'closing_done', body: { line } });
}

/** What was due after it was done in time, as far as that day has come. */
export function doWhatIsDue(w: VisitWriter, nowMs: number): void {
  for (const due of followUpsOf(replay(w.visitId, w.events))) {
    const doneMs = Date.parse(`${due.dueOn}T11:00:00Z`);
    if (doneMs >= nowMs - DAY_MS) continue;
    w.at(doneMs).write({
      type: 'follow_up_done',
      body: { followUp: due.key, says: due.kind === 'call' ? 'All well, eats and sleeps.' : 'Looked at: unchanged.' },
    });
  }
}
const DAY_MS = 86_400_000;
