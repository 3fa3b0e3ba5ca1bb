export * from './tool-kinds.js';
export * from './hands.js';
export * from './tool-question.js';
export * from './tool-bans.js';
export * from './ask-tool.js';
