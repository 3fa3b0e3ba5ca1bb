export * from './blades.js';
export * from './choose-blade.js';
