import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { whoIsTold } from '@mansuet/core/hand-back';
import { needsVetNow } from '@mansuet/core/incidents';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { AccountPanel } from './account-panel';
import { ClosingPanel } from './closing-panel';
import { HandBackStore } from './hand-back-store';
import { LearnedNowPanel } from './learned-now-panel';
import { NextVisitPanel } from './next-visit-panel';
import { SendPanel } from './send-panel';

/** Hand back: what was done and why, home care, next visit, vet advice. */
@Component({
  selector: 'man-hand-back',
  imports: [AccountPanel, ClosingPanel, EmptyState, LearnedNowPanel, NextVisitPanel, Notice, RouterLink, SendPanel, TextField],
  providers: [HandBackStore],
  templateUrl: './hand-back.page.html',
  styleUrl: './hand-back.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandBackPage {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly router = inject(Router);
  protected readonly session = inject(SessionService);
  protected readonly visit = inject(VisitStore);
  protected readonly store = inject(HandBackStore);
  protected readonly typedName = signal<string | undefined>(undefined);
  protected readonly nameError = signal('');
  protected readonly reopening = signal(false);
  protected readonly why = signal('');
  protected readonly whyError = signal('');
  protected readonly time = (moment: string | number): string => this.clock.sayTime(moment);

  protected readonly open = computed(() => this.store.closing()?.open ?? 0);
  protected readonly incidents = computed(() =>
    this.visit.state().incidents.map((i) => ({
      id: i.incidentId,
      name: this.words.heading('incident', i.kind),
      where: i.zone ? this.words.labels.zone[i.zone] : '',
      // What the owner would read as "not said" is asked for before.
      unsaid: i.harm === undefined,
      told: i.ownerTold !== undefined || this.store.closed(),
    })),
  );
  protected readonly unsaid = computed(() => this.incidents().filter((i) => i.unsaid));
  protected readonly name = computed(() => this.typedName() ?? this.visit.context()?.file.owner.name ?? '');
  protected readonly vetNeeded = computed(() => {
    const s = this.visit.state();
    return (
      s.incidents.some((i) => needsVetNow(i.kind, i.harm)) ||
      (s.plan?.notToday.some((n) => n.to === 'vet') ?? false) ||
      this.visit.fit()?.vetNow === true
    );
  });
  /** Whom the house tells, and how. */
  protected readonly toldHow = computed(() => whoIsTold(this.visit.state(), this.visit.house()).map(this.words.say));
  /** The account was made anew after it was closed. */
  protected readonly remade = computed(() => {
    const kept = this.store.after()?.account;
    return kept && kept.version > 1 ? kept : undefined;
  });

  protected async handBack(): Promise<void> {
    const name = this.name().trim();
    this.nameError.set(name ? '' : $localize`:@@handBack.whoTold:Who was told?`);
    if (!name) return;
    const nextVisit = this.visit.state().nextVisit?.on ?? null;
    await this.visit.record({ type: 'handed_back', body: { toldTo: name, nextVisit, vetAdvised: this.vetNeeded() } });
  }
  protected async reopen(): Promise<void> {
    const why = this.why().trim();
    this.whyError.set(why ? '' : $localize`:@@handBack.whyMissing:Write why it is opened again.`);
    if (!why || !(await this.visit.record({ type: 'reopened', body: { why } }))) return;
    this.reopening.set(false);
    this.why.set('');
  }
  protected async toToday(): Promise<void> {
    await this.router.navigateByUrl('/today');
  }
}
