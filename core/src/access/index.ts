export * from './access.js';
