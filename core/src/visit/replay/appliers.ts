import type { EventType, VisitEventOf } from '../../log/index.js';
import type { VisitState } from '../state.js';
/** What each type of event does to a visit. */
export type Appliers<T extends EventType> = { readonly [K in T]: (state: VisitState, event: VisitEventOf<K>) => void };
