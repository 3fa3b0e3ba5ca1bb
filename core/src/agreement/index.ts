export * from './agreement.js';
export * from './alternatives.js';
export * from './signature.js';
