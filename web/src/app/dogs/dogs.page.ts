import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { SearchField } from '../controls/search-field';
import { Toggle } from '../controls/toggle';
import { debounceTime, switchMap } from 'rxjs';
import { BOOKED_AHEAD, DOG_LIST, type DogList } from '@mansuet/core/contract';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { kgOf } from '../wording/formats';

/** Find a dog, open its file, book a visit. */
@Component({
  selector: 'man-dogs',
  imports: [EmptyState, Notice, RouterLink, SearchField, Toggle],
  template: `<div class="matter">
    <div class="body">
      <div class="row head">
        <h1>Dogs</h1>
        <man-search
          class="find"
          label="Name of the dog or owner, or phone"
          name="find"
          [hint]="found()"
          [value]="search()"
          (typed)="search.set($event)"
        />
        <man-toggle label="Also those put away" [on]="archived()" (changed)="archived.set($event)" />
      </div>
      <man-notice live="status" [says]="trouble()" />
      <ul class="list">
        @for (d of dogs(); track d.dogId) {
          <li>
            <a class="name" [routerLink]="['/dogs', d.dogId]">{{ d.name }}</a>
            <span>{{ age(d.born) }}, {{ kg(d.weightKg) }}, {{ coats[d.coat] }} coat</span>
            <span class="quiet">{{ d.owner }}{{ d.phone ? ', ' + d.phone : '' }}</span>
            <span class="quiet"
              >{{ d.archived ? 'put away · ' : '' }}{{ d.lastVisit ? 'last here ' + day(d.lastVisit) : 'not here yet' }}
              @if (ahead().get(d.dogId); as next) {
                <b>· booked for {{ day(next) }}</b>
              }
            </span>
            @if (session.may('book') && !d.archived) {
              <a class="plain" [routerLink]="['/dogs', d.dogId, 'book']" [attr.aria-label]="'Book a visit for ' + d.name">Book</a>
            }
          </li>
        } @empty {
          @if (loaded()) {
            <li>
              @if (search()) {
                <man-empty
                  head="Nobody of that name"
                  says="Nothing sounds or looks like this. Try fewer letters, another spelling, or digits of the phone."
                />
              } @else {
                <man-empty head="No dog is entered yet" says="Begin with a new dog." />
              }
            </li>
          }
        }
      </ul>
    </div>
    <div class="foot">
      @if (session.may('book')) {
        <a class="plain" routerLink="/intakes">Ask an owner by link</a>
      }
      @if (session.may('edit_dog')) {
        <a class="next" routerLink="/dogs/new">New dog</a>
      }
    </div>
  </div>`,
  styleUrl: './dogs.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogsPage {
  protected readonly kg = kgOf;
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  protected readonly session = inject(SessionService);
  protected readonly search = signal('');
  protected readonly archived = signal(false);
  private readonly asked = computed(() => ({ text: this.search(), archived: this.archived() }));
  protected readonly dogs = signal<DogList['dogs']>([]);
  protected readonly trouble = signal('');
  protected readonly loaded = signal(false);
  /** What the list that stands answers: until the answer to what is typed is there, nothing was found by it. */
  private readonly answered = signal('');
  /** How many were found, for who does not see the list grow shorter. */
  protected readonly found = computed(() => {
    const count = this.dogs().length;
    return this.search() === '' || this.answered() !== this.search() ? '' : `${count} ${count === 1 ? 'dog' : 'dogs'} found`;
  });
  protected readonly coats = this.words.labels.coat;
  protected readonly age = (born: string): string => this.words.age(born, this.clock.today());
  protected readonly day = (date: string): string => dayInWords(date, this.clock.today());

  /** The day that is booked ahead for each dog. */
  protected readonly ahead = signal<ReadonlyMap<string, string>>(new Map());

  constructor() {
    void this.api.get('/booked-ahead', BOOKED_AHEAD).then((answer) => {
      if (answer.ok) this.ahead.set(new Map([...answer.value.visits].reverse().map((v) => [v.dogId, this.clock.dayOf(v.arrivesAt)])));
    });
    toObservable(this.asked)
      .pipe(
        debounceTime(120),
        switchMap(async ({ text, archived }) => ({
          text,
          answer: await this.api.get(`/dogs?search=${encodeURIComponent(text)}${archived ? '&archived=1' : ''}`, DOG_LIST),
        })),
      )
      .subscribe(({ text, answer }) => {
        this.loaded.set(true);
        this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
        if (!answer.ok) return;
        this.dogs.set(answer.value.dogs);
        this.answered.set(text);
      });
  }
}
