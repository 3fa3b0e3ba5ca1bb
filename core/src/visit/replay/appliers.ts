import type { EventType, VisitEventOf } from '../../log/index.js';
import type { VisitState } from '../state.js';
/** What each type of event does to a visit; `atMs` is when it happened, Unix ms. */
export type Appliers<T extends EventType> = { readonly [K in T]: (state: VisitState, event: VisitEventOf<K>, atMs: number) => void };
