import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { DOG_FILE, type DogFile, NEW_ID, OWNER_FORM, type OwnerForm } from '@mansuet/core/contract';
import { EMPTY_DOG, birthDateProblem, DOG_FORM, type DogForm } from '@mansuet/core/knowledge/dogs';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { ScreenName } from '../navigation/screen-name';
import { NumberField } from '../controls/number-field';
import { ApiService, NOTHING, fieldErrors, sayFailure, type Failure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { DogFields, openQuestion } from './dog-fields';
import { EMPTY_OWNER, OwnerFields } from './owner-fields';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';

/** Enters a dog or changes one. What was typed stays, whatever the server says. */
@Component({
  selector: 'man-dog-form',
  imports: [DogFields, FormErrors, FormsModule, Notice, NumberField, OwnerFields],
  templateUrl: './dog-form.page.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFormPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  readonly dogId = input<string | undefined>();

  protected readonly dog = signal<DogForm>(EMPTY_DOG);
  protected readonly owner = signal<OwnerForm>(EMPTY_OWNER);
  protected readonly sure = signal(false);
  protected readonly ranges = RANGES;
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  protected readonly conflict = signal(false);
  /** What somebody else has written meanwhile, where it differs. */
  protected readonly theirs = signal<readonly string[]>([]);
  private readonly file = signal<DogFile | undefined>(undefined);
  /** Nothing can be typed before the file is there: it would be written over. */
  protected readonly ready = computed(() => !this.dogId() || this.file() !== undefined);
  protected readonly beforeKg = computed(() => this.file()?.weights.at(-1)?.kg);

  constructor() {
    inject(ScreenName).follow(() => (this.dogId() ? `Change ${this.dog().name}` : ''));
    effect(() => {
      const id = this.dogId();
      if (id) void this.load(id);
    });
  }

  private async load(id: string): Promise<void> {
    const answer = await this.api.get(`/dogs/${id}`, DOG_FILE);
    if (!answer.ok) {
      this.trouble.set(sayFailure(this.words, answer.failure));
      return;
    }
    this.file.set(answer.value);
    this.dog.set(answer.value.dog);
    this.owner.set(ownerOf(answer.value));
  }

  protected setStanding(minutes: number | null): void {
    this.dog.update((d) => ({ ...d, standingSeenMinutes: minutes }));
  }

  /** After a conflict: what stands there now, beside what was typed; keeping then builds on it. */
  protected async loadTheirs(): Promise<void> {
    const answer = await this.api.get(`/dogs/${this.dogId() ?? ''}`, DOG_FILE);
    if (!answer.ok) {
      this.trouble.set(sayFailure(this.words, answer.failure));
      return;
    }
    this.theirs.set([...differences(this.dog(), answer.value.dog), ...differences(this.owner(), ownerOf(answer.value))]);
    this.file.set(answer.value);
    this.conflict.set(false);
    this.trouble.set('');
  }

  protected async save(): Promise<void> {
    this.trouble.set('');
    this.conflict.set(false);
    const dog = DOG_FORM.safeParse(this.dog());
    const owner = OWNER_FORM.safeParse(this.owner());
    const errors = new Map<string, string>();
    for (const [path, message] of errorsOf(this.words, dog)) errors.set(`dog.${path}`, message);
    for (const [path, message] of errorsOf(this.words, owner)) errors.set(`owner.${path}`, message);
    const birth = dog.success ? birthDateProblem(dog.data.born, this.clock.today()) : undefined;
    if (birth) errors.set('dog.born', this.words.say(birth));
    if (!errors.has('dog.weightKg') && !this.sure() && openQuestion(this.dog(), this.beforeKg(), this.clock.today()))
      errors.set('dog.weightKg', 'Answer the question below, or change the weight.');
    this.errors.set(errors);
    if (!dog.success || !owner.success || errors.size > 0) return;
    const sure = this.sure() ? ['dog.weightKg'] : [];
    const id = this.dogId();
    const file = this.file();
    if (id && file) {
      const changed = await this.api.send('PUT', `/dogs/${id}`, { dog: dog.data, version: file.version, sure }, NOTHING);
      if (!changed.ok) return this.fail(changed.failure);
      if (differences(owner.data, ownerOf(file)).length > 0) {
        const path = `/owners/${file.owner.ownerId}`;
        const kept = await this.api.send('PUT', path, { owner: owner.data, version: file.owner.version }, NOTHING);
        if (!kept.ok) {
          this.file.set({ ...file, version: file.version + 1 });
          return this.fail(kept.failure);
        }
      }
      await this.router.navigate(['/dogs', id]);
      return;
    }
    const answer = await this.api.send('POST', '/dogs', { dog: dog.data, owner: owner.data, sure }, NEW_ID);
    if (answer.ok) await this.router.navigate(['/dogs', answer.value.id, 'book']);
    else this.fail(answer.failure);
  }

  private fail(failure: Failure): void {
    this.trouble.set(sayFailure(this.words, failure));
    this.errors.set(fieldErrors(this.words, failure));
    this.conflict.set(failure.kind === 'refused' && failure.problem.code === 'conflict');
  }
}

const ownerOf = ({ owner }: DogFile): OwnerForm => ({ name: owner.name, phone: owner.phone, email: owner.email, contacts: owner.contacts });

/** Fields that differ, as lines to read. */
function differences<T extends object>(mine: T, theirs: T): string[] {
  return (Object.keys(theirs) as (keyof T & string)[])
    .filter((key) => JSON.stringify(mine[key]) !== JSON.stringify(theirs[key]))
    .map((key) => `${key.replace(/([A-Z])/g, ' $1').toLowerCase()}: ${say(theirs[key])}`);
}
const say = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) || 'nothing' : JSON.stringify(value);
