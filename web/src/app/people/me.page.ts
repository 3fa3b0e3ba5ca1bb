import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { PASSWORD_CHANGE, type Person } from '@mansuet/core/contract';
import { WEEKDAYS } from '@mansuet/core/words';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { KeptForm } from '../controls/kept-form';
import { sayFailure } from '../server/api.service';
import { Words } from '../wording/words.service';
import { PeopleService } from './people-service';
import { SessionsPanel } from './sessions-panel';
import { clockTime, kgOf } from '../wording/formats';
import { OwnHands } from './own-hands';

/** One’s own page: what the salon has written of me, my password, where I am signed in. */
@Component({
  selector: 'man-me',
  imports: [FormErrors, FormsModule, Notice, OwnHands, SessionsPanel, TextField],
  template: `<div class="matter">
    <div class="body stack">
      <h1 i18n="@@me.head">You</h1>
      <div class="columns two">
        <div class="stack">
          <form class="panel stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
            <h2 i18n="@@me.password">Password</h2>
            <div class="grid">
              <man-text
                label="Your password now"
                i18n-label="@@me.old"
                name="old"
                path="old"
                type="password"
                complete="current-password"
                [value]="old()"
                (typed)="old.set($event)"
              />
              <man-text
                label="The new one (at least 10 characters)"
                i18n-label="@@me.new"
                name="new"
                path="password"
                type="password"
                complete="new-password"
                [value]="chosen()"
                (typed)="chosen.set($event)"
              />
            </div>
            <man-notice kind="warn" live="alert" [says]="form.trouble()" />
            <man-notice kind="good" live="status" [says]="form.said()" />
            <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@me.change">Change it</button></div>
          </form>
          <section class="panel">
            <man-sessions />
          </section>
        </div>
        <div class="stack">
          @if (me(); as p) {
            <section class="panel stack" aria-label="What the salon has written of you" i18n-aria-label="@@me.written">
              <h2>{{ p.name }}</h2>
              <ul>
                @for (line of lines(); track line) {
                  <li>{{ line }}</li>
                }
              </ul>
              <p class="quiet small" i18n="@@me.who">Only you and a lead see this. A lead changes it.</p>
            </section>
            <man-own-hands [person]="p" />
          }
        </div>
      </div>
      <man-notice kind="warn" live="alert" [says]="trouble()" />
    </div>
  </div>`,
  styles: `
    .two {
      grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
    }
    @media (max-width: 1000px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
      gap: 12px 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MePage {
  private readonly words = inject(Words);
  private readonly people = inject(PeopleService);
  protected readonly form = new KeptForm();
  protected readonly me = signal<Person | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly old = signal('');
  protected readonly chosen = signal('');
  protected readonly lines = computed(() => {
    const p = this.me();
    if (!p) return [];
    const out = [this.words.labels.role[p.role]];
    if (p.trained) out.push($localize`:@@me.trained:Trained for close blades, and guards on them`);
    if (!p.week) out.push($localize`:@@me.always:Works whenever the salon is open`);
    for (const [i, h] of (p.week ?? []).entries()) {
      const day = WEEKDAYS[i];
      if (h && day)
        out.push($localize`:@@me.hours:${this.words.labels.weekday[day]}:day:: ${clockTime(h.from)}:from: to ${clockTime(h.to)}:to:`);
    }
    for (const b of p.breaks)
      out.push(
        $localize`:@@me.break:A break of ${b.minutes}:minutes: min, begun from ${clockTime(b.from)}:from: to ${clockTime(b.to)}:to:`,
      );
    for (const d of p.off) out.push($localize`:@@me.off:Off from ${d.from}:from: to ${d.to}:to:`);
    const { liftKg, noBiters, noCatching, products } = p.limits;
    if (liftKg !== null) out.push($localize`:@@me.lift:Lifts at most ${kgOf(liftKg)}:kg:`);
    if (noBiters) out.push($localize`:@@me.noBiters:Takes no dog that bites`);
    if (noCatching) out.push($localize`:@@me.noCatching:Takes no dog with something catching`);
    if (products !== '') out.push($localize`:@@me.products:Does not touch: ${products}:products:`);
    return out;
  });

  constructor() {
    void this.people.me().then((answer) => {
      if (answer.ok) this.me.set(answer.value);
      else this.trouble.set(sayFailure(this.words, answer.failure));
    });
  }

  protected async keep(): Promise<void> {
    const says = $localize`:@@me.changed:Changed. Everywhere else you were signed in, it has ended.`;
    const form = { old: this.old(), password: this.chosen() };
    if (!(await this.form.keep(PASSWORD_CHANGE, form, (f) => this.people.changePassword(f), says))) return;
    this.old.set('');
    this.chosen.set('');
  }
}
