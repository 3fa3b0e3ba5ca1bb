import type { VisitEvent } from '@mansuet/core/log';
import type { Words } from '../wording/words.service';

/** What an entry was, in a few words: what Undo takes back is named before it is taken. */
export function sayEvent(words: Words, event: VisitEvent): string {
  switch (event.type) {
    case 'signal_seen':
      return words.labels.signal[event.body.signal];
    case 'step_started':
      return $localize`:@@event.started:start of “${words.stepOf({ id: event.body.step })}:step:”`;
    case 'step_finished':
      return $localize`:@@event.finished:end of “${words.stepOf({ id: event.body.step })}:step:”`;
    case 'piece_finished':
      return $localize`:@@event.piece:what became of one place`;
    case 'hold_used':
      return words.labels.hold[event.body.hold];
    case 'blade_used':
      return event.body.blade === null ? $localize`:@@event.noBlade:no blade` : words.labels.blade[event.body.blade];
    case 'blade_touched':
      return $localize`:@@event.touch:touch of the blade`;
    case 'sign_cause':
      return $localize`:@@event.cause:what the sign was of`;
    case 'break_started':
      return $localize`:@@event.break:break`;
    case 'break_ended':
      return $localize`:@@event.breakEnded:end of the break`;
    case 'closing_begun':
      return $localize`:@@event.closing:stop`;
    case 'closing_done':
      return words.labels.closing[event.body.line];
    case 'mood_felt':
      return words.labels.mood[event.body.mood];
    case 'zone_felt':
    case 'zone_as_before':
    case 'mark_felt':
      return words.labels.zone[event.body.zone];
    case 'joint_felt':
      return words.labels.joint[event.body.joint];
    case 'noted':
      return $localize`:@@event.note:remark`;
    case 'blade_cooled':
      return $localize`:@@event.cooled:spray on the blade`;
    case 'blade_measured':
      return $localize`:@@event.measured:temperature of the blade`;
    case 'tool_stopped':
      return words.labels.resistance[event.body.cause];
    case 'hands_changed':
      return $localize`:@@event.hands:who has the dog`;
    case 'photo_taken':
      return $localize`:@@event.photo:photograph`;
    case 'incident_more':
      return $localize`:@@event.incidentMore:more of the incident`;
    case 'plan_kept':
      return $localize`:@@event.planKept:the plan was kept`;
    case 'written_after':
      return $localize`:@@event.after:written down afterwards`;
    case 'incident':
      return $localize`:@@event.incident:incident`;
    case 'plan_wished':
      return $localize`:@@event.wish:change of the plan`;
    case 'plan_accepted':
      return $localize`:@@event.plan:plan taken to the table`;
    default:
      return event.type.replaceAll('_', ' ');
  }
}
