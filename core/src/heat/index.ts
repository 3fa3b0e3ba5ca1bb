export * from './blade-heat.js';
