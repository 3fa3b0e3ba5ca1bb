import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { ToldHours } from '@mansuet/core/knowledge/fit';
import { unitFor } from '@mansuet/core/locales';
import { lifeStage, readWeight, weightChange, weightQuestion } from '@mansuet/core/knowledge/dogs';
import { USUAL_ROOM_CELSIUS } from '@mansuet/core/visit';
import { FIT_SIGNS, type FitSign, type Mood, MOODS, TOLD_ITEMS, type ToldItem, type Warning, WARNINGS } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { DevicesService } from '../devices/devices.service';
import { VisitStore } from '../visit/visit-store';
import { ToldHoursFields } from './told-hours';
import { EveryDog } from './every-dog';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { FORMATS, kgOf } from '../wording/formats';

/** What is seen and told today: fit to groom, medicines, room, weight, mood, bites. */
@Component({
  selector: 'man-today-panel',
  imports: [ChoiceGroup, Choices, EveryDog, Notice, NumberField, TextField, Toggle, ToldHoursFields],
  templateUrl: './today-panel.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPanel {
  protected readonly kg = kgOf;
  protected readonly weightLabel = computed(() => `Weight today, ${unitFor('kg', FORMATS()).sign}`);
  private readonly words = inject(Words);
  protected readonly store = inject(VisitStore);
  readonly moodSet = output();
  protected readonly signsOpen = signal(false);
  protected readonly toldOpen = signal(false);
  protected readonly ranges = RANGES;
  protected readonly moods = choicesOf(MOODS, this.words.labels.mood);
  protected readonly signs = choicesOf(FIT_SIGNS, this.words.labels.fitSign);
  protected readonly toldItems = choicesOf(TOLD_ITEMS, this.words.labels.told);
  protected readonly warnings: readonly Choice<Warning | null>[] = [
    { value: null, label: 'did nothing' },
    ...choicesOf(WARNINGS, this.words.labels.warning),
  ];
  protected readonly bites: readonly Choice<boolean>[] = [
    { value: true, label: 'The owner says yes' },
    { value: false, label: 'Not told' },
  ];
  protected readonly weightText = signal('');
  protected readonly weightError = signal('');
  protected readonly weightAsked = signal<{ kg: number; says: string } | undefined>(undefined);

  protected readonly feelOver = computed(() => this.store.state().feelOver);
  protected readonly answers = computed(
    (): NonNullable<ReturnType<VisitStore['state']>['fit']> =>
      this.store.state().fit ?? { signs: [], vetAgreed: false, told: [], roomCelsius: USUAL_ROOM_CELSIUS },
  );
  protected readonly verdict = computed(() => {
    const fit = this.store.fit();
    return fit && { ...fit, label: this.words.labels.fitVerdict[fit.verdict], says: fit.reasons.map(this.words.say) };
  });
  /** Where the vet's word would change the answer, or was given. */
  protected readonly needsVetWord = computed(
    () => (this.store.dog()?.conditions.length ?? 0) > 0 || this.answers().vetAgreed || this.store.fit()?.verdict === 'ask_vet',
  );
  /** What today's weight says against the file's. */
  protected readonly weightSays = computed(() => {
    const kg = this.store.state().weightKg;
    if (kg === undefined) return undefined;
    const before = (this.store.context()?.file.weights ?? []).filter((w) => w.on < this.store.today());
    const change = weightChange([...before, { on: this.store.today(), kg }]);
    return change && Math.abs(change.change) >= 0.03 ? { vet: change.showVet, says: this.words.say(change.because) } : undefined;
  });

  constructor() {
    inject(DevicesService)
      .readings$.pipe(takeUntilDestroyed())
      .subscribe((r) => {
        if (r.device === 'scale') this.take(r.kg);
      });
  }

  protected setFit(
    change: Partial<{
      signs: FitSign[];
      vetAgreed: boolean;
      told: ToldItem[];
      roomCelsius: number;
      hours: ToldHours | undefined;
    }>,
  ): void {
    const { hours, ...now } = { ...this.answers(), ...change };
    void this.store.record({
      type: 'fit_answered',
      body: {
        signs: [...now.signs],
        vetAgreed: now.vetAgreed,
        told: [...now.told],
        roomCelsius: now.roomCelsius,
        ...(hours ? { hours: { ...hours, medicines: hours.medicines?.map((m) => ({ ...m })) } } : {}),
      },
    });
  }
  /** Open where the hour decides, or was told. */
  protected readonly hoursShown = computed(() => {
    const { told, hours } = this.answers();
    const diabetic = this.store.dog()?.conditions.includes('diabetes') === true;
    return this.toldOpen() || told.length > 0 || hours !== undefined || diabetic;
  });
  protected toggleSign(sign: FitSign): void {
    const signs = this.answers().signs;
    this.setFit({ signs: signs.includes(sign) ? signs.filter((s) => s !== sign) : [...signs, sign] });
  }
  protected toggleTold(item: ToldItem): void {
    const told = this.answers().told;
    this.setFit({ told: told.includes(item) ? told.filter((t) => t !== item) : [...told, item] });
  }
  protected setRoom(value: number | null): void {
    if (value !== null) this.setFit({ roomCelsius: value });
  }
  protected async setMood(mood: Mood): Promise<void> {
    await this.store.record({ type: 'mood_felt', body: { mood } });
    this.moodSet.emit();
  }
  protected setWarned(what: Warning | null): void {
    void this.store.record({ type: 'warned_before', body: { what } });
  }
  protected setBite(told: boolean): void {
    void this.store.record({ type: 'bite_told', body: { told } });
  }

  protected typeWeight(text: string): void {
    this.weightText.set(text);
    this.weightError.set('');
    if (text.trim() === '') return;
    const kg = readWeight(text, FORMATS().weight);
    if (kg === undefined || kg < 0.3 || kg > 120) this.weightError.set(`Between ${kgOf(0.3)} and ${kgOf(120)}: 7.5 kg, or 16 lb.`);
    else this.take(kg);
  }
  /** A weight that may be a slip is asked back about before it is recorded. */
  private take(kg: number): void {
    const dog = this.store.dog();
    const before = this.store.context()?.file.weights.at(-1)?.kg ?? dog?.weightKg;
    const question = dog && weightQuestion({ ...dog, weightKg: kg }, before, lifeStage(dog, this.store.today()) !== 'puppy');
    if (question) this.weightAsked.set({ kg, says: this.words.say(question) });
    else this.keepWeight(kg);
  }
  protected keepWeight(kg: number): void {
    this.weightAsked.set(undefined);
    this.weightText.set('');
    void this.store.record({ type: 'weighed', body: { kg } });
  }
}
