import type { Words } from '../wording/words.service';
import type { Salon } from '@mansuet/core/contract';
import {
  type MeasuredStrain,
  NOT_OBSERVED_AFTER_MINUTES,
  PAUSE_AFTER_HARD_SIGN_MINUTES,
  PAUSE_COUNTS_FROM_MINUTES,
  readCalmState,
  SIGNALS,
} from '@mansuet/core/strain';
import type { CalmState, StrainBand } from '@mansuet/core/words';

export interface Advice {
  readonly band: StrainBand;
  readonly head: string;
  readonly says: string;
  /** It has to be seen at once. */
  readonly urgent: boolean;
}

/** What the meter asks of the hands. Hard signs and body alarms speak before the number does. */
export function adviceFor(
  words: Words,
  strain: MeasuredStrain | undefined,
  salon: Pick<Salon, 'vetName' | 'vetPhone'> | undefined,
): Advice {
  if (!strain)
    return { band: 'settled', head: 'Not begun', says: 'Let it sniff, hear and feel the tool without a blade first.', urgent: false };
  const { band } = strain;
  const alarm = strain.hardSigns.find((s) => SIGNALS[s].tier === 'body_alarm');
  if (alarm)
    return {
      band: 'stop',
      head: 'Vet now',
      says: `The dog ${words.labels.signal[alarm]}: everything off, keep it safe. Ring ${salon?.vetName ?? 'the vet'} ${salon?.vetPhone ?? ''}.`,
      urgent: true,
    };
  if (band === 'stop')
    return { band, head: 'Stop', says: 'Tool off, let go, safe place. End the visit; another day is better.', urgent: true };
  if (band === 'pause' && strain.lastLook === 'shut_down') return { band, head: 'Pause', says: sayCalm(words, 'shut_down'), urgent: true };
  if (band === 'pause')
    return {
      band,
      head: 'Pause',
      says:
        strain.hardSigns.length > 0
          ? `Tool off, hands still: a break counts from ${PAUSE_AFTER_HARD_SIGN_MINUTES} min on, with a good sign at its end. A second hard sign means stop.`
          : `Tool off, hands still: a break counts from ${PAUSE_COUNTS_FROM_MINUTES} min on, with a good sign in it. A second hard sign means stop.`,
      urgent: true,
    };
  if (strain.unclear)
    return {
      band,
      head: 'Unclear',
      says: 'Signs have ceased without a good one: minutes alone lower nothing. Calm, or given up? Does it move freely, look round, take a treat gently?',
      urgent: false,
    };
  if (!strain.observed) {
    return {
      band,
      head: 'Not observed',
      says: `Nothing was entered for ${Math.floor(strain.minutesUnobserved)} min (asked after ${NOT_OBSERVED_AFTER_MINUTES}). How is it now? Silence is not calm.`,
      urgent: false,
    };
  }
  if (strain.lastLook === 'tired_out' || strain.lastLook === 'shut_down')
    return { band, head: 'Watch', says: sayCalm(words, strain.lastLook), urgent: false };
  if (band === 'watch' && strain.bandHolds)
    return {
      band,
      head: 'Watch',
      says: 'No good sign since it rose: minutes alone lower nothing. Does it move freely, look round, take a treat gently?',
      urgent: false,
    };
  if (band === 'watch') return { band, head: 'Watch', says: 'Short strokes, swap sides, let the head down. Break soon.', urgent: false };
  return { band, head: 'Settled', says: 'A wag unlocks nothing: keep the plan’s protection on.', urgent: false };
}

/** Why the band is what it is although the number is low. */
const sayCalm = (words: Words, state: CalmState): string => readCalmState(state).reasons.map(words.say).join(' ');
