export { ENGLISH } from './english.js';
