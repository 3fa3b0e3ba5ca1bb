/** Tools and where they may not go. */
export * from './ask-tool.js';
export * from './tool-bans.js';
export * from './tool-question.js';
