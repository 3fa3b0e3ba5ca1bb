import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { keptLanguage, languageAsked, loadLanguage } from './app/wording/languages';
import { LANGUAGE } from './app/wording/words.service';

// Asked for at once, not when the first heading is drawn: letters that change later move buttons from under the finger.
// One that does not come has a fallback.
for (const face of ['600 15px "Atkinson Hyperlegible Next Variable"', '640 27px "Bricolage Grotesque Variable"'])
  void document.fonts.load(face).catch(() => undefined);

async function begin(): Promise<void> {
  const language = await loadLanguage(languageAsked(location.search, keptLanguage(localStorage)));
  document.documentElement.lang = language.tag;
  await bootstrapApplication(App, { providers: [...appConfig.providers, { provide: LANGUAGE, useValue: language }] });
}

begin().catch((error: unknown) => {
  document.body.textContent = `Mansuet could not start in this browser: ${error instanceof Error ? error.message : String(error)}`;
});
