import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { debounceTime, switchMap } from 'rxjs';
import {
  BOOKED_AHEAD,
  type BookedAhead,
  DOG_FILE,
  DOG_LIST,
  DOG_NOTE_FORM,
  type DogFile,
  type DogNoteForm,
  NEW_ID,
} from '@mansuet/core/contract';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { errorsOf } from '../controls/errors-of';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { SearchField } from '../controls/search-field';
import { ScreenName } from '../navigation/screen-name';
import { TextField } from '../controls/text-field';
import { ApiService, NOTHING, sayFailure, type Answer } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { BiteWord } from './bite-word';
import { DogFileView } from './dog-file-view';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

/** What can be taken back, and how. */
interface Undo {
  readonly says: string;
  readonly back: () => Promise<Answer<unknown>>;
}

/** The file outside a visit: read, change, add a card, put away, join two files of one dog, book. */
@Component({
  selector: 'man-dog-file',
  imports: [BiteWord, ChoiceGroup, DogFileView, FormErrors, FormsModule, Notice, RouterLink, SearchField, TextField],
  templateUrl: './dog-file.page.html',
  styles: `
    .find,
    .who {
      max-width: 420px;
    }
    li.row {
      justify-content: space-between;
      padding: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFilePage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  protected readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  readonly dogId = input.required<string>();
  protected readonly file = signal<DogFile | undefined>(undefined);
  protected readonly trouble = signal('');
  private readonly allAhead = signal<readonly BookedAhead[]>([]);
  /** What is booked for this dog. */
  protected readonly ahead = computed(() => this.allAhead().filter((v) => v.dogId === this.dogId()));
  protected readonly when = (iso: string): string => `${dayInWords(this.clock.dayOf(iso), this.clock.today())}, ${this.clock.sayTime(iso)}`;
  protected readonly undo = signal<Undo | undefined>(undefined);
  protected readonly kind = signal<DogNoteForm['kind']>('works');
  protected readonly text = signal('');
  protected readonly typedSaidBy = signal<string | undefined>(undefined);
  protected readonly saidBy = computed(() => this.typedSaidBy() ?? this.session.signedIn()?.staff.name ?? '');
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly kinds: readonly Choice<DogNoteForm['kind']>[] = [
    { value: 'works', label: 'What works' },
    { value: 'avoid', label: 'What to avoid' },
    { value: 'injury', label: 'Hurt before' },
  ];
  protected readonly merging = signal(false);
  protected readonly otherSearch = signal('');
  private readonly found = toSignal(
    toObservable(this.otherSearch).pipe(
      debounceTime(150),
      switchMap((text) =>
        text.trim() === '' ? Promise.resolve(undefined) : this.api.get(`/dogs?archived=1&search=${encodeURIComponent(text)}`, DOG_LIST),
      ),
    ),
  );
  protected readonly others = computed(() => {
    const found = this.found();
    return found?.ok ? found.value.dogs.filter((d) => d.dogId !== this.dogId()).slice(0, 8) : [];
  });

  constructor() {
    void this.api.get('/booked-ahead', BOOKED_AHEAD).then((answer) => {
      if (answer.ok) this.allAhead.set(answer.value.visits);
    });
    inject(ScreenName).follow(() => this.file()?.dog.name ?? '');
    effect(() => void this.load(this.dogId()));
  }

  protected reload(): Promise<void> {
    return this.load(this.dogId());
  }
  private async load(id: string): Promise<void> {
    const answer = await this.api.get(`/dogs/${id}`, DOG_FILE);
    if (answer.ok) this.file.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }

  /** Does something, shows the file as it is then, and offers the way back. */
  private async change(done: Answer<unknown>, undo: Undo | undefined): Promise<boolean> {
    this.trouble.set(done.ok ? '' : sayFailure(this.words, done.failure));
    if (done.ok) {
      this.undo.set(undo);
      await this.reload();
    }
    return done.ok;
  }

  protected async takeBack(): Promise<void> {
    const undo = this.undo();
    if (undo) await this.change(await undo.back(), undefined);
  }

  protected async setArchived(away: boolean): Promise<void> {
    const path = `/dogs/${this.dogId()}/archived`;
    const send = (to: boolean) => this.api.send(to ? 'PUT' : 'DELETE', path, undefined, NOTHING);
    const name = this.file()?.dog.name ?? '';
    await this.change(await send(away), {
      says: away ? `${name} is put away: it no longer shows in lists.` : `${name} is back.`,
      back: () => send(!away),
    });
  }

  protected async endBites(on: string | null): Promise<void> {
    const before = this.file()?.dog.biteEndedOn ?? null;
    const send = (to: string | null) => this.api.send('PUT', `/dogs/${this.dogId()}/bite-ended`, { on: to }, NOTHING);
    await this.change(await send(on), {
      says: on === null ? 'Its bites count again.' : 'Its bites no longer count. A new one counts at once.',
      back: () => send(before),
    });
  }

  protected async merge(other: string, name: string): Promise<void> {
    const path = `/dogs/${this.dogId()}/merged`;
    const done = await this.change(await this.api.send('POST', path, { other }, NOTHING), {
      says: `The file of ${name} is read as part of this one.`,
      back: () => this.api.send('DELETE', `${path}/${other}`, undefined, NOTHING),
    });
    if (!done) return;
    this.merging.set(false);
    this.otherSearch.set('');
  }

  protected async unmerge(other: string, name: string): Promise<void> {
    const path = `/dogs/${this.dogId()}/merged`;
    await this.change(await this.api.send('DELETE', `${path}/${other}`, undefined, NOTHING), {
      says: `The file of ${name} stands alone again.`,
      back: () => this.api.send('POST', path, { other }, NOTHING),
    });
  }

  protected async removeCard(noteId: string): Promise<void> {
    const path = `/dogs/${this.dogId()}/notes`;
    const answer = await this.api.send('DELETE', `${path}/${noteId}`, undefined, DOG_NOTE_FORM);
    await this.change(answer, {
      says: 'The card was taken away.',
      back: () => (answer.ok ? this.api.send('POST', path, answer.value, NEW_ID) : Promise.resolve(answer)),
    });
  }

  protected async add(): Promise<void> {
    const note = DOG_NOTE_FORM.safeParse({ kind: this.kind(), text: this.text(), saidBy: this.saidBy() });
    this.errors.set(errorsOf(this.words, note));
    if (!note.success) return;
    const path = `/dogs/${this.dogId()}/notes`;
    const answer = await this.api.send('POST', path, note.data, NEW_ID);
    const done = await this.change(answer, {
      says: 'The card was added.',
      back: () => (answer.ok ? this.api.send('DELETE', `${path}/${answer.value.id}`, undefined, DOG_NOTE_FORM) : Promise.resolve(answer)),
    });
    if (done) this.text.set('');
  }
}
