import { ChangeDetectionStrategy, Component, effect, inject, input, output, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { INTAKE_ANSWER, type IntakeAnswer, OWNER_FORM, type OwnerForm, type OwnerLinkView } from '@mansuet/core/contract';
import { EMPTY_DOG, birthDateProblem, DOG_FORM, type DogForm } from '@mansuet/core/knowledge/dogs';
import { BITE_TOLD } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { DogFields, openQuestion } from '../dogs/dog-fields';
import { EMPTY_OWNER, OwnerFields } from '../dogs/owner-fields';
import { ApiService, NOTHING, fieldErrors, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

type Stories = Pick<IntakeAnswer, 'groomedBefore' | 'fears' | 'calms' | 'hurtBefore'>;
const NO_STORIES: Stories = { groomedBefore: '', fears: '', calms: '', hurtBefore: '' };
/** What was typed stays on this phone until it is sent. */
const DRAFT_KEY = 'mansuet-intake:';

/** The questions before the first visit, as the owner answers them. */
@Component({
  selector: 'man-owner-intake',
  imports: [ChoiceGroup, DogFields, FormErrors, FormsModule, Notice, OwnerFields, TextField],
  template: `<form class="stack" [manErrors]="errors()" (ngSubmit)="send()" novalidate>
    <h1>Before we meet your dog</h1>
    <p>About five minutes. What you know helps us to go gently; leave out what you do not know.</p>
    <man-dog-fields [(dog)]="dog" [ofOwner]="true" [sure]="sure()" (sureChange)="sure.set($event)" />
    <section class="panel stack">
      <h2>Has it ever had to say no with its teeth?</h2>
      <p class="quiet">
        At home, at a vet, while groomed. Most dogs that bite are in pain or afraid. Nobody is judged; knowing keeps everyone safe.
      </p>
      <man-choice label="Has it ever had to say no with its teeth?" path="bite" [of]="bites" [value]="bite()" (chosen)="bite.set($event)" />
      @if (bite() === 'bitten' || bite() === 'warned') {
        <man-text
          label="What happened just before?"
          name="biteStory"
          path="biteStory"
          [rows]="3"
          [value]="biteStory()"
          (typed)="biteStory.set($event)"
        />
      }
    </section>
    <section class="panel stack">
      @for (q of questions; track q.key) {
        <man-text [label]="q.asks" [name]="q.key" [path]="q.key" [rows]="2" [value]="stories()[q.key]" (typed)="tell(q.key, $event)" />
      }
    </section>
    <man-owner-fields [(owner)]="owner" legend="You, and whom else to ring" />
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <p class="quiet small">What you typed stays on this phone until you send it. Only the salon reads it.</p>
    <button type="submit" class="next" [disabled]="busy()">{{ busy() ? 'Sending …' : 'Send to the salon' }}</button>
  </form>`,
  styleUrl: './owner-page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerIntake {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  readonly secret = input.required<string>();
  readonly view = input.required<Extract<OwnerLinkView, { kind: 'intake' }>>();
  readonly answered = output();
  protected readonly bites = choicesOf(BITE_TOLD, this.words.labels.biteTold);
  protected readonly questions = [
    { key: 'groomedBefore', asks: 'Groomed before? When, and how did it go?' },
    { key: 'fears', asks: 'What is it afraid of, or does not like?' },
    { key: 'calms', asks: 'What calms it?' },
    { key: 'hurtBefore', asks: 'Hurt before, here or elsewhere? Operations?' },
  ] as const;
  protected readonly dog = signal<DogForm>(EMPTY_DOG);
  protected readonly owner = signal<OwnerForm>(EMPTY_OWNER);
  protected readonly bite = signal<IntakeAnswer['bite'] | undefined>(undefined);
  protected readonly biteStory = signal('');
  protected readonly stories = signal<Stories>(NO_STORIES);
  protected readonly sure = signal(false);
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  private readonly restored = signal(false);

  constructor() {
    effect(() => {
      const view = this.view();
      untracked(() => this.restore(view));
    });
    effect(() => {
      const draft = {
        dog: this.dog(),
        owner: this.owner(),
        bite: this.bite(),
        biteStory: this.biteStory(),
        ...this.stories(),
      };
      if (this.restored()) localStorage.setItem(DRAFT_KEY + this.secret(), JSON.stringify(draft));
    });
  }

  private restore(view: { ownerName: string; phone: string }): void {
    const kept = readDraft(localStorage.getItem(DRAFT_KEY + this.secret()));
    this.dog.set({ ...EMPTY_DOG, ...kept?.dog });
    this.owner.set({ ...EMPTY_OWNER, name: view.ownerName, phone: view.phone, ...kept?.owner });
    this.bite.set(kept?.bite);
    this.biteStory.set(kept?.biteStory ?? '');
    this.stories.set({ ...NO_STORIES, ...kept?.stories });
    this.restored.set(true);
  }

  protected tell(key: keyof Stories, text: string): void {
    this.stories.update((s) => ({ ...s, [key]: text }));
  }

  protected async send(): Promise<void> {
    const { standingSeenMinutes: _standing, biteHistory: _bite, biteEndedOn: _ended, ...dog } = this.dog();
    const read = INTAKE_ANSWER.safeParse({
      dog,
      owner: this.owner(),
      bite: this.bite(),
      biteStory: this.biteStory(),
      ...this.stories(),
    });
    const errors = new Map(errorsOf(this.words, read));
    if (!this.bite()) errors.set('bite', 'Choose one. “I would rather talk about it” is an answer too.');
    const birth = dog.born ? birthDateProblem(dog.born, this.clock.today()) : undefined;
    if (birth) errors.set('dog.born', this.words.say(birth));
    if (!errors.has('dog.weightKg') && !this.sure() && openQuestion(this.dog(), undefined, this.clock.today()))
      errors.set('dog.weightKg', 'Answer the question below, or change the weight.');
    this.errors.set(errors);
    this.trouble.set(errors.size > 0 ? 'Something above needs another look. Nothing was sent yet, and nothing is lost.' : '');
    if (!read.success || errors.size > 0) return;
    this.busy.set(true);
    const answer = await this.api.send('POST', `/o/${this.secret()}${this.sure() ? '?sure=weight' : ''}`, read.data, NOTHING);
    this.busy.set(false);
    if (answer.ok) {
      this.restored.set(false);
      localStorage.removeItem(DRAFT_KEY + this.secret());
      this.answered.emit();
      return;
    }
    this.trouble.set(sayFailure(this.words, answer.failure));
    this.errors.set(fieldErrors(this.words, answer.failure));
  }
}

/** A draft of this page's own making, field by field: what does not read as it should is left out. */
function readDraft(text: string | null): Draft | undefined {
  if (text === null) return undefined;
  const raw = parsed(text);
  if (typeof raw !== 'object' || raw === null) return undefined;
  const at = (key: string): unknown => Reflect.get(raw, key);
  const string = (key: string): string => {
    const value = at(key);
    return typeof value === 'string' ? value : '';
  };
  return {
    dog: fieldsOf(DOG_FORM.shape, at('dog')),
    owner: fieldsOf(OWNER_FORM.shape, at('owner')),
    bite: BITE_TOLD.find((b) => b === at('bite')),
    biteStory: string('biteStory'),
    stories: { groomedBefore: string('groomedBefore'), fears: string('fears'), calms: string('calms'), hurtBefore: string('hurtBefore') },
  };
}

interface Draft {
  readonly dog: Partial<DogForm>;
  readonly owner: Partial<OwnerForm>;
  readonly bite: IntakeAnswer['bite'] | undefined;
  readonly biteStory: string;
  readonly stories: Stories;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Fields of an object that pass their own checks. */
function fieldsOf(shape: Readonly<Record<string, { safeParse(value: unknown): { success: boolean } }>>, raw: unknown): object {
  if (typeof raw !== 'object' || raw === null) return {};
  return Object.fromEntries(Object.entries(raw).filter(([key, value]) => shape[key]?.safeParse(value).success));
}
