/** What a salon decides for itself. */
export * from './house-rules.js';
