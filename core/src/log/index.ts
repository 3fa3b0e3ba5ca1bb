export * from './events.js';
export * from './lift.js';
export * from './signature.js';
export * from './stamp.js';
export * from './uuid.js';
