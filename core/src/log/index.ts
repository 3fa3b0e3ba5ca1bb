/** Event schemas by family, the envelope, the lifts. */
export * from './events.js';
export * from './form-issue.js';
export * from './judge-time.js';
export * from './lift-from-1.js';
export * from './lift.js';
export * from './make-event.js';
export * from './plain-text.js';
export * from './saying-of.js';
export * from './signature.js';
export * from './stamp.js';
export * from './uuid.js';
export * from './families/said.js';
export { ASKED } from './families/booking.js';
