/** The drawing of the dog: one, for screens and for paper. */
export * from './compile.js';
export * from './shapes.js';
export * from './views.js';
