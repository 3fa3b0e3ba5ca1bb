export * from './agreement.js';
export * from './signature.js';
export * from './alternatives.js';
