export * from './tell-visit.js';
