/** What says whether the product itself runs as it should. */
export * from './judge-running.js';
