/** What plans many visits: the hours of a day, who takes which dog when. */
export * from './draw-day.js';
export * from './hours-on.js';
export * from './hours-worked.js';
export * from './blocks-of-plan.js';
export * from './check-day.js';
export * from './dog-of-day.js';
export * from './judge-day.js';
export * from './may-take.js';
export * from './model.js';
export * from './move-dog.js';
export * from './least-load.js';
export * from './place-day.js';
export * from './plan-day.js';
export * from './rest-of-day.js';
