export * from './agreement.js';
