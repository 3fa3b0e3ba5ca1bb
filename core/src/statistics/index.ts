export * from './gamma.js';
export * from './beta.js';
export * from './intervals.js';
export * from './kaplan-meier.js';
