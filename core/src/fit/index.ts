export * from './fit-to-groom.js';
