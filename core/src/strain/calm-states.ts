import { CALM_STATES, type CalmState, type Reason, reason, type StrainBand } from '../words/index.js';

export interface CalmReading {
  readonly state: CalmState;
  /** It has recovered: strain may be taken as fallen. */
  readonly recovers: boolean;
  /** The band it is in at least, whatever the number says. */
  readonly bandAtLeast: StrainBand;
  /** The work may go on. */
  readonly goOn: boolean;
  readonly reasons: readonly Reason[];
}

const READINGS: Readonly<Record<CalmState, Omit<CalmReading, 'state' | 'reasons'>>> = {
  relaxed: { recovers: true, bandAtLeast: 'settled', goOn: true },
  // Still says nothing by itself: no recovery is counted, none is denied.
  still: { recovers: true, bandAtLeast: 'settled', goOn: true },
  tired_out: { recovers: false, bandAtLeast: 'watch', goOn: true },
  shut_down: { recovers: false, bandAtLeast: 'pause', goOn: false },
};

/**
 * What a calm-looking dog tells. Tired dogs get worse, and a dog that has shut down has given up, not calmed down.
 * @example readCalmState('shut_down').goOn // => false
 */
export function readCalmState(state: CalmState): CalmReading {
  return { state, ...READINGS[state], reasons: [reason(`calm.${state}`, {}, state === 'shut_down' ? 1 : 0.5)] };
}

/** Whether a mood is one of the four that look calm. */
export function isCalmState(mood: string): mood is CalmState {
  return CALM_STATES.some((s) => s === mood);
}
