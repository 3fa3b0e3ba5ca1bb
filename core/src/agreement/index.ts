/** What the owner is asked and answers. */
export * from './agreement.js';
export * from './alternatives.js';
export * from './emergency-numbers.js';
export * from './signature.js';
export * from './standing-consents.js';
