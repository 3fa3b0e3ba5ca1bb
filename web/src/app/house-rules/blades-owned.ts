import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { BLADES } from '@mansuet/core/knowledge/blades';
import type { BladeId } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { Choices } from '../controls/choices';
import { Notice } from '../controls/notice';
import { sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';

/** Which blades lie in the drawer: a plan takes no other. While nobody has said, the usual set counts. */
@Component({
  selector: 'man-blades-owned',
  imports: [Choices, Notice],
  template: `<section class="panel" aria-label="Blades in the drawer" i18n-aria-label="@@drawer.bladesInTheDrawer">
    <h2 i18n="@@drawer.bladesInTheDrawer3">Blades in the drawer</h2>
    <p class="quiet">
      {{
        said()
          ? 'A plan takes only what is on here. Where the right number is missing, it takes the next more careful one, or leaves the place.'
          : 'Nobody has said yet: every usual blade is taken to be there. Turn off what you do not own.'
      }}
    </p>
    <man-choices
      label="Blades in the drawer"
      i18n-label="@@drawer.bladesInTheDrawer2"
      [of]="blades"
      [values]="owned()"
      [disabled]="!mayChange() || saving()"
      (toggled)="toggle($event)"
    />
    <man-notice kind="warn" live="alert" [says]="trouble()" />
  </section>`,
  styles: `
    h2 {
      margin-bottom: 4px;
    }
    :host {
      display: block;
      margin: 16px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BladesOwnedPanel {
  private readonly words = inject(Words);
  private readonly session = inject(SessionService);
  protected readonly mayChange = computed(() => this.session.may('house_rules'));
  protected readonly blades = choicesOf(
    BLADES.map((b) => b.id),
    this.words.labels.blade,
  );
  protected readonly saving = signal(false);
  protected readonly trouble = signal('');
  private readonly stored = computed(() => this.session.signedIn()?.salon.bladesOwned ?? null);
  protected readonly said = computed(() => this.stored() !== null);
  protected readonly owned = computed(() => new Set<BladeId>(this.stored() ?? BLADES.map((b) => b.id)));

  protected async toggle(blade: BladeId): Promise<void> {
    const next = BLADES.map((b) => b.id).filter((id) => (id === blade) !== this.owned().has(id));
    this.saving.set(true);
    const answer = await this.session.ownBlades(next);
    this.saving.set(false);
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
  }
}
