import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Notice } from '../controls/notice';
import { TabPanel, Tabs } from '../controls/tabs';
import { PeoplePanel } from '../people/people-panel';
import { SessionService } from '../server/session.service';
import { FeedsPanel } from './feeds-panel';
import { OpeningFormPanel } from './opening-form';
import { PostsFormPanel } from './posts-form';
import { RunningPanel } from './running-panel';
import { SalonFormPanel } from './salon-form';

/** A new salon is led through the first four. */
const LED = ['salon', 'opening', 'posts', 'people'] as const;
const PARTS = [...LED, 'calendars', 'running'] as const;
type Part = (typeof PARTS)[number];
const LABELS: Readonly<Record<Part, string>> = {
  salon: $localize`:@@salonPage.salon:The salon`,
  opening: $localize`:@@salonPage.opening:Opening hours`,
  posts: $localize`:@@salonPage.posts:Rooms and posts`,
  people: $localize`:@@salonPage.people:People`,
  calendars: $localize`:@@salonPage.calendars:Calendars`,
  running: $localize`:@@salonPage.running:How it runs`,
};

/** The salon’s own page: what the lead says of it once, and every plan and proposal counts with. A new salon is led through it to its first dog. */
@Component({
  selector: 'man-salon-page',
  imports: [FeedsPanel, Notice, OpeningFormPanel, PeoplePanel, PostsFormPanel, RouterLink, RunningPanel, SalonFormPanel, TabPanel, Tabs],
  template: `<div class="matter">
    <div class="body stack">
      <h1>{{ salon()?.name }}</h1>
      @if (!may()) {
        <man-notice i18n="@@salonPage.lead">A lead of the salon changes this.</man-notice>
      } @else if (salon(); as s) {
        @if (isNew()) {
          <p class="quiet" i18n="@@salonPage.new">
            Four short pages, and then the first dog. Everything can be changed later, under “Salon”.
          </p>
        }
        <man-tabs label="Parts of the salon’s page" i18n-label="@@salonPage.parts" [tabs]="tabs" [open]="part()" (opened)="open($event)">
          <ng-template manTab="salon"><man-salon-form [salon]="s" (kept)="on()" /></ng-template>
          <ng-template manTab="opening"><man-opening-form [salon]="s" (kept)="on()" /></ng-template>
          <ng-template manTab="posts"><man-posts-form [salon]="s" (kept)="on()" /></ng-template>
          <ng-template manTab="people"><man-people /></ng-template>
          <ng-template manTab="calendars"><man-feeds /></ng-template>
          <ng-template manTab="running"><man-running /></ng-template>
        </man-tabs>
      }
    </div>
    @if (isNew() && may()) {
      <div class="foot">
        <span class="says" role="status">{{ sayWhere() }}</span>
        @if (next(); as n) {
          <button type="button" class="next" (click)="open(n)">{{ sayNext(n) }}</button>
        } @else {
          <a class="next" routerLink="/dogs/new" i18n="@@salonPage.dog">Enter the first dog</a>
        }
      </div>
    }
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SalonPage {
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  /** A salon that has just been founded is led through. */
  readonly first = input<string | undefined>();
  protected readonly isNew = computed(() => this.first() !== undefined);
  protected readonly salon = computed(() => this.session.signedIn()?.salon);
  protected readonly may = computed(() => this.session.may('manage_salon'));
  protected readonly part = signal<Part>('salon');
  protected readonly tabs = PARTS.map((id) => ({ id, label: LABELS[id] }));
  protected readonly next = computed(() => LED[PARTS.indexOf(this.part()) + 1]);

  protected sayNext(part: Part): string {
    return $localize`:@@salonPage.next:Next: ${LABELS[part]}:part:`;
  }
  protected readonly sayWhere = computed(
    () => $localize`:@@salonPage.where:${Math.min(PARTS.indexOf(this.part()), LED.length - 1) + 1}:nr: of ${LED.length}:of:`,
  );

  protected open(part: Part): void {
    this.part.set(part);
  }
  /** What was kept leads on, while the salon is new. */
  protected on(): void {
    const next = this.next();
    if (!this.isNew()) return;
    if (next) this.part.set(next);
    else void this.router.navigateByUrl('/dogs/new');
  }
}
