/** Every label and sentence, one folder for each language. */
export * from './en/index.js';
export * from './language.js';
export * from './measures.js';
export * from './say.js';
export * from './look-up.js';
