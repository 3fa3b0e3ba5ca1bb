export * from './mat-grade.js';
export * from './mat-advice.js';
