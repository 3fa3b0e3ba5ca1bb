/** Who may do what. */
export * from './access.js';
