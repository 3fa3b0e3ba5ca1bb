import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { INVITATION, type JoinLink, type Person } from '@mansuet/core/contract';
import { ROLES } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { KeptForm } from '../controls/kept-form';
import { type Answer, sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';
import { HandOverPanel } from './hand-over-panel';
import { JoinLinkSlip } from './join-link';
import { PeopleService } from './people-service';
import { PersonFormPanel } from './person-form';
import { SessionsPanel } from './sessions-panel';

const NOBODY = { name: '', login: '', role: 'groomer', trained: false } as const;

/** Who works in the salon: invited, changed, given a new password, leaving and coming back. */
@Component({
  selector: 'man-people',
  imports: [ChoiceGroup, FormErrors, FormsModule, HandOverPanel, JoinLinkSlip, Notice, PersonFormPanel, SessionsPanel, TextField, Toggle],
  templateUrl: './people-panel.html',
  styleUrl: './people-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PeoplePanel {
  private readonly words = inject(Words);
  private readonly service = inject(PeopleService);
  private readonly session = inject(SessionService);
  readonly kept = output();
  protected readonly people = signal<readonly Person[]>([]);
  protected readonly opened = signal<string | undefined>(undefined);
  protected readonly link = signal<{ readonly link: JoinLink; readonly name: string } | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly invited = signal<{ name: string; login: string; role: Person['role']; trained: boolean }>(NOBODY);
  protected readonly form = new KeptForm();
  protected readonly roles = choicesOf(ROLES, this.words.labels.role);
  protected readonly me = computed(() => this.session.signedIn()?.staff.staffId);

  constructor() {
    void this.load();
  }

  protected says(p: Person): string {
    const parts = [this.words.labels.role[p.role]];
    if (p.trained) parts.push($localize`:@@people.trained:trained for close blades`);
    if (p.leftAt) parts.push($localize`:@@people.left:has left`);
    else if (!p.hasJoined) parts.push($localize`:@@people.waits:has not chosen a password yet`);
    return parts.join(' · ');
  }
  protected setInvited(part: Partial<ReturnType<typeof this.invited>>): void {
    this.invited.update((n) => ({ ...n, ...part }));
  }
  protected open(p: Person): void {
    this.opened.update((now) => (now === p.staffId ? undefined : p.staffId));
  }

  protected async invite(): Promise<void> {
    this.link.set(undefined);
    const { name } = this.invited();
    const made = await this.form.keep(INVITATION, this.invited(), (f) => this.service.invite(f), '');
    if (!made) return;
    this.link.set({ link: made.value, name });
    this.invited.set(NOBODY);
    this.kept.emit();
    await this.load();
  }
  protected async newPassword(p: Person): Promise<void> {
    const answer = await this.service.passwordLink(p.staffId);
    if (answer.ok) this.link.set({ link: answer.value, name: p.name });
    await this.after(answer);
  }
  protected async leave(p: Person): Promise<void> {
    await this.after(await this.service.leave(p.staffId));
  }
  protected async comeBack(p: Person): Promise<void> {
    await this.after(await this.service.comeBack(p.staffId));
  }
  protected async changed(): Promise<void> {
    await this.load();
    // One’s own name and role stand in the frame.
    await this.session.renew();
  }

  protected reload(): Promise<void> {
    return this.load();
  }
  private async after(answer: Answer<unknown>): Promise<void> {
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    await this.load();
  }
  private async load(): Promise<void> {
    const answer = await this.service.all();
    if (answer.ok) this.people.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
}
