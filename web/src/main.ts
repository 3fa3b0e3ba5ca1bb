import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';

// Asked for at once, not when the first heading is drawn: letters that change later move buttons from under the finger.
// One that does not come has a fallback.
for (const face of ['600 15px "Atkinson Hyperlegible Next Variable"', '640 27px "Bricolage Grotesque Variable"'])
  void document.fonts.load(face).catch(() => undefined);

bootstrapApplication(App, appConfig).catch((error: unknown) => {
  document.body.textContent = `Mansuet could not start in this browser: ${error instanceof Error ? error.message : String(error)}`;
});
