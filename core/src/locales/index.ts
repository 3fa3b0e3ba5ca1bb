/** Words, made last: a language is one folder here; `say` makes a sentence of a rule and its facts. */
export * from './en/index.js';
export * from './language.js';
export * from './say.js';
export * from './parity.js';
export * from './look-up.js';
