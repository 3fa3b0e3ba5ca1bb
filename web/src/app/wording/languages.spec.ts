import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { clearTranslations, loadTranslations } from '@angular/localize';
import { keptLanguage, LANGUAGE_IDS, languageAsked, loadLanguage } from './languages';

@Component({
  selector: 'man-spec-marked',
  template: `<p i18n="@@spec.dogs">{{ dogs }} dogs wait.</p>
    <button type="button" aria-label="Open" i18n-aria-label="@@spec.open"></button>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Marked {
  protected readonly dogs = 3;
}

describe('the language of a page', () => {
  it('is what the link names, else what was chosen here, else ours', () => {
    expect(languageAsked('?language=en', null)).toBe('en');
    expect(languageAsked('', 'en')).toBe('en');
    expect(languageAsked('?language=xx', 'yy')).toBe('en');
    expect(LANGUAGE_IDS).toContain(languageAsked('', null));
  });
  it('is kept on this device', () => {
    expect(keptLanguage({ getItem: (key) => (key === 'mansuet.language' ? 'en' : null) })).toBe('en');
    expect(keptLanguage({ getItem: () => null })).toBeNull();
  });
  it('brings the words of core with it', async () => expect((await loadLanguage('en')).labels.role.lead).toBe('lead'));

  it('is put into the marked texts of a screen while the page runs, in one build', () => {
    loadTranslations({ 'spec.dogs': 'Es warten {$INTERPOLATION} Hunde.', 'spec.open': 'Auf' });
    try {
      const screen = TestBed.createComponent(Marked);
      screen.detectChanges();
      const shown = screen.nativeElement as HTMLElement;
      expect(shown.querySelector('p')?.textContent).toBe('Es warten 3 Hunde.');
      expect(shown.querySelector('button')?.getAttribute('aria-label')).toBe('Auf');
    } finally {
      clearTranslations();
    }
  });
});
