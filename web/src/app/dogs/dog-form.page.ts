import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { DOG_FILE, DOG_FORM, NEW_ID, OWNER_FORM, birthDateProblem, type DogForm, type OwnerForm } from '@mansuet/core/contract';
import {
  ageInWords,
  BUILDS,
  COATS,
  CONDITIONS,
  CONDITION_LABELS,
  EAR_SETS,
  NOSES,
  SEXES,
  TAIL_SETS,
  TRIGGER_CAUSES,
  type Condition,
  type TriggerCause,
} from '@mansuet/core/dogs';
import { FieldError } from '../forms/field-error';
import { errorsOf } from '../forms/errors-of';
import { ApiService, NOTHING, fieldErrors, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';

const EMPTY: DogForm = {
  name: '',
  sex: 'female',
  neutered: true,
  born: '',
  bornEstimated: false,
  weightKg: 0,
  coat: 'curly',
  nose: 'medium',
  ears: 'drop',
  tail: 'long',
  build: 'light',
  conditions: [],
  biteHistory: false,
  triggers: [],
  treatsAllowed: true,
  standingSeenMinutes: null,
};

/** Small dogs over this weight are asked back about, kg. Our default. */
const ASK_BACK_ABOVE_KG = 60;

/** Enters a dog or changes one. What was typed stays, whatever the server says. */
@Component({
  selector: 'man-dog-form',
  imports: [FormsModule, NzInputModule, NzSelectModule, FieldError],
  templateUrl: './dog-form.page.html',
  styleUrl: './dog-form.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFormPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  readonly dogId = input<string | undefined>();

  protected readonly dog = signal<DogForm>(EMPTY);
  protected readonly owner = signal<OwnerForm>({ name: '', phone: '', email: '' });
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly trouble = signal('');
  private readonly version = signal(0);
  protected readonly choices = [
    { key: 'sex', label: 'Sex', of: SEXES },
    { key: 'coat', label: 'Coat', of: COATS },
    { key: 'nose', label: 'Nose', of: NOSES },
    { key: 'ears', label: 'Ears', of: EAR_SETS },
    { key: 'tail', label: 'Tail', of: TAIL_SETS },
    { key: 'build', label: 'Build', of: BUILDS },
  ] as const;
  protected readonly flags = [
    { key: 'neutered', label: 'Neutered' },
    { key: 'bornEstimated', label: 'Birth date is an estimate' },
    { key: 'treatsAllowed', label: 'Owner allows treats' },
    { key: 'biteHistory', label: 'Has bitten while handled' },
  ] as const;
  protected readonly conditions = CONDITIONS;
  protected readonly conditionLabels = CONDITION_LABELS;
  protected readonly causes = TRIGGER_CAUSES;
  protected readonly age = computed(() =>
    this.dog().born && !birthDateProblem(this.dog().born, this.clock.today()) ? ageInWords(this.dog().born, this.clock.today()) : '',
  );
  protected readonly heavy = computed(
    () => this.dog().weightKg > ASK_BACK_ABOVE_KG || (this.dog().build === 'light' && this.dog().weightKg > ASK_BACK_ABOVE_KG / 2),
  );

  constructor() {
    effect(() => {
      const id = this.dogId();
      if (id) void this.load(id);
    });
  }

  private async load(id: string): Promise<void> {
    const answer = await this.api.get(`/dogs/${id}`, DOG_FILE);
    if (!answer.ok) {
      this.trouble.set(sayFailure(answer.failure));
      return;
    }
    this.dog.set(answer.value.dog);
    this.owner.set({ name: answer.value.owner.name, phone: answer.value.owner.phone, email: answer.value.owner.email });
    this.version.set(answer.value.version);
  }

  protected set<K extends keyof DogForm>(key: K, value: DogForm[K]): void {
    this.dog.update((d) => ({ ...d, [key]: value }));
  }
  protected setOwner(key: keyof OwnerForm, value: string): void {
    this.owner.update((o) => ({ ...o, [key]: value }));
  }
  protected toggleCondition(c: Condition): void {
    this.set(
      'conditions',
      this.dog().conditions.includes(c) ? this.dog().conditions.filter((x) => x !== c) : [...this.dog().conditions, c],
    );
  }
  protected toggleTrigger(cause: TriggerCause): void {
    const has = this.dog().triggers.some((t) => t.cause === cause);
    this.set('triggers', has ? this.dog().triggers.filter((t) => t.cause !== cause) : [...this.dog().triggers, { cause }]);
  }
  protected readonly triggers = computed(() => new Set(this.dog().triggers.map((t) => t.cause)));

  protected async save(): Promise<void> {
    this.trouble.set('');
    const dog = DOG_FORM.safeParse(this.dog());
    const owner = OWNER_FORM.safeParse(this.owner());
    const errors = new Map<string, string>();
    for (const [path, message] of errorsOf(dog)) errors.set(`dog.${path}`, message);
    for (const [path, message] of errorsOf(owner)) errors.set(`owner.${path}`, message);
    const birth = dog.success ? birthDateProblem(dog.data.born, this.clock.today()) : undefined;
    if (birth) errors.set('dog.born', birth);
    this.errors.set(errors);
    if (!dog.success || !owner.success || errors.size > 0) return;
    const id = this.dogId();
    if (id) {
      const answer = await this.api.send('PUT', `/dogs/${id}`, { dog: dog.data, version: this.version() }, NOTHING);
      if (answer.ok) await this.router.navigate(['/dogs', id]);
      else this.fail(answer.failure);
      return;
    }
    const answer = await this.api.send('POST', '/dogs', { dog: dog.data, owner: owner.data }, NEW_ID);
    if (answer.ok) await this.router.navigate(['/dogs', answer.value.id, 'book']);
    else this.fail(answer.failure);
  }

  private fail(failure: Parameters<typeof sayFailure>[0]): void {
    this.trouble.set(sayFailure(failure));
    this.errors.set(fieldErrors(failure));
  }
}
