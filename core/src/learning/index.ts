export * from './gamma-rate.js';
export * from './rate-book.js';
export * from './noise-or-place.js';
export * from './half-life.js';
export * from './first-watch.js';
export * from './rates-by-place.js';
