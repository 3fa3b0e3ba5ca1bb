import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { NzQRCodeModule } from 'ng-zorro-antd/qr-code';
import {
  NEW_ID,
  NEW_INTAKE_LINK,
  NEW_LINK,
  type NewLink,
  OWNER_FORM,
  OWNER_LINKS,
  type OwnerForm,
  type OwnerLink,
} from '@mansuet/core/contract';
import { EMPTY_DOG, DOG_FORM, type DogForm } from '@mansuet/core/knowledge/dogs';
import { Choices } from '../controls/choices';
import { EmptyState } from '../controls/empty-state';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { DogFields } from '../dogs/dog-fields';
import { EMPTY_OWNER, OwnerFields } from '../dogs/owner-fields';
import { ApiService, NOTHING, fieldErrors, sayFailure, type Failure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

type Card = 'fears' | 'calms' | 'hurtBefore' | 'biteStory';
const CARD_LABELS: Readonly<Record<Card, string>> = {
  calms: 'What works',
  fears: 'What to avoid',
  biteStory: 'What to avoid',
  hurtBefore: 'Hurt before',
};

/** Questions sent to owners, and the review of what came back: nothing enters the file unread. */
@Component({
  selector: 'man-intakes',
  imports: [Choices, DogFields, EmptyState, FormErrors, FormsModule, Notice, NzQRCodeModule, OwnerFields, TextField],
  templateUrl: './intakes.page.html',
  styles: `
    form .row {
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IntakesPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  protected readonly biteLabels = this.words.labels.biteTold;
  protected readonly stateNames: Readonly<Record<OwnerLink['state'], string>> = {
    open: 'not answered yet',
    answered: 'answered, to be reviewed',
    reviewed: 'in the file',
    set_aside: 'set aside',
    taken_back: 'taken back',
    expired: 'run out without an answer',
  };
  protected readonly toName = signal('');
  protected readonly phone = signal('');
  protected readonly made = signal<NewLink | undefined>(undefined);
  protected readonly links = signal<readonly OwnerLink[]>([]);
  protected readonly loaded = signal(false);
  protected readonly trouble = signal('');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly dog = signal<DogForm>(EMPTY_DOG);
  protected readonly owner = signal<OwnerForm>(EMPTY_OWNER);
  private readonly left = signal<ReadonlySet<Card>>(new Set());
  protected readonly cards = computed(() => {
    const intake = this.links().find((l) => l.linkId === this.open())?.intake;
    if (!intake) return [];
    return (['calms', 'fears', 'biteStory', 'hurtBefore'] as const)
      .filter((key) => intake[key] !== '')
      .map((key) => ({ value: key, label: `${CARD_LABELS[key]}: ${intake[key]}` }));
  });
  protected readonly cardsOn = computed(() =>
    this.cards()
      .map((c) => c.value)
      .filter((card) => !this.left().has(card)),
  );

  constructor() {
    void this.load();
  }

  protected day(iso: string): string {
    return dayInWords(this.clock.dayOf(iso), this.clock.today());
  }

  private async load(): Promise<void> {
    const answer = await this.api.get('/intakes', OWNER_LINKS);
    this.loaded.set(true);
    if (answer.ok) this.links.set(answer.value.links);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }

  protected async send(): Promise<void> {
    const form = NEW_INTAKE_LINK.safeParse({ toName: this.toName(), phone: this.phone() });
    this.errors.set(errorsOf(this.words, form));
    if (!form.success) return;
    const answer = await this.api.send('POST', '/intakes', form.data, NEW_LINK);
    if (!answer.ok) return this.fail(answer.failure);
    this.made.set(answer.value);
    this.toName.set('');
    this.phone.set('');
    await this.load();
  }

  protected review(link: OwnerLink): void {
    if (this.open() === link.linkId || !link.intake) {
      this.open.set(undefined);
      return;
    }
    this.left.set(new Set());
    this.errors.set(new Map());
    this.dog.set({ ...EMPTY_DOG, ...link.intake.dog, biteHistory: link.intake.bite === 'bitten' });
    this.owner.set(link.intake.owner);
    this.open.set(link.linkId);
  }
  protected toggleCard(card: Card): void {
    this.left.update((left) => {
      const next = new Set(left);
      if (!next.delete(card)) next.add(card);
      return next;
    });
  }

  protected async accept(linkId: string): Promise<void> {
    const dog = DOG_FORM.safeParse(this.dog());
    const owner = OWNER_FORM.safeParse(this.owner());
    const errors = new Map<string, string>();
    for (const [path, message] of errorsOf(this.words, dog)) errors.set(`dog.${path}`, message);
    for (const [path, message] of errorsOf(this.words, owner)) errors.set(`owner.${path}`, message);
    this.errors.set(errors);
    if (!dog.success || !owner.success) return;
    const cards = this.cardsOn();
    const answer = await this.api.send('POST', `/intakes/${linkId}/accepted`, { dog: dog.data, owner: owner.data, cards }, NEW_ID);
    if (answer.ok) await this.router.navigate(['/dogs', answer.value.id]);
    else this.fail(answer.failure);
  }
  protected async setAside(linkId: string): Promise<void> {
    await this.after(await this.api.send('POST', `/intakes/${linkId}/set-aside`, {}, NOTHING));
  }
  protected async takeBack(linkId: string): Promise<void> {
    await this.after(await this.api.send('DELETE', `/links/${linkId}`, undefined, NOTHING));
  }

  private async after(answer: { readonly ok: true } | { readonly ok: false; readonly failure: Failure }): Promise<void> {
    if (!answer.ok) return this.fail(answer.failure);
    this.trouble.set('');
    this.open.set(undefined);
    await this.load();
  }
  private fail(failure: Failure): void {
    this.trouble.set(sayFailure(this.words, failure));
    this.errors.set(fieldErrors(this.words, failure));
  }
}
