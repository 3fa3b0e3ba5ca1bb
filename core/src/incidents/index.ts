export * from './incidents.js';
