export * from './gamma-rate.js';
