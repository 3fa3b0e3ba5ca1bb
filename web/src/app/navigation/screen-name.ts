import { Injectable, effect, inject } from '@angular/core';
import { Title } from '@angular/platform-browser';

/** What the tab of the browser says: the dog first, so that two tabs are told apart. */
@Injectable({ providedIn: 'root' })
export class ScreenName {
  private readonly title = inject(Title);

  /** The name follows what the screen shows. In an injection context. @param name empty while it is not known */
  follow(name: () => string): void {
    effect(() => {
      const text = name();
      if (text !== '') this.title.setTitle(`${text} · Mansuet`);
    });
  }
}
