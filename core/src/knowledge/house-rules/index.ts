export * from './house-rules.js';
