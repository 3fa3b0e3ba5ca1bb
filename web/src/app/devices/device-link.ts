import type { Reading } from './reading';

/** A device that is joined: it sends readings until it is let go, or goes by itself. Simulated ones and real ones speak through this alone. */
export interface DeviceLink {
  readonly name: string;
  /** @param ended it was switched off or went out of reach */
  listen(read: (reading: Reading) => void, ended: () => void): void;
  close(): Promise<void>;
}

/** Joined, or why not. */
export type Joined =
  { readonly ok: true; readonly link: DeviceLink } | { readonly ok: false; readonly why: 'no_such_way' | 'none_chosen' | 'failed' };

/** What a browser throws where somebody closed the list of devices. */
export const noneChosen = (error: unknown): boolean =>
  error instanceof DOMException && (error.name === 'NotFoundError' || error.name === 'AbortError');
