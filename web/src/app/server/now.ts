import { InjectionToken } from '@angular/core';

/** Where the time of this device comes from, Unix ms. Specs give their own. */
export const NOW = new InjectionToken<() => number>('now', { providedIn: 'root', factory: () => () => Date.now() });
