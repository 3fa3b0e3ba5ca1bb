import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';

bootstrapApplication(App, appConfig).catch((error: unknown) => {
  document.body.textContent = `Mansuet could not start in this browser: ${error instanceof Error ? error.message : String(error)}`;
});
