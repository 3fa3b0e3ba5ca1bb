/** Letters: what a vet or an insurer reads of a visit, as data. */
export * from './letters.js';
