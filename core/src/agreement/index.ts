export * from './agreement.js';
export * from './signature.js';
export * from './alternatives.js';
export { compareWith, isWorthOffering, type Difference } from '../plan/ways.js';
