import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { OwnerLinkView } from '@mansuet/core/contract';
import { ACCOUNT_SECTIONS, type ZoneId } from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import type { ZonePaint } from '../body-map/zone-paint';
import { TookPicture } from '../hand-back/took-picture';
import { wholeDay } from '../wording/time';
import { Words } from '../wording/words.service';

/** How a visit went, as it was told when the dog went home. */
@Component({
  selector: 'man-owner-account',
  imports: [BodyMap, TookPicture],
  template: `<div class="stack">
    <h1 i18n="@@ownerAccount.title">{{ view().dogName }}, {{ on() }}</h1>
    @for (s of sections(); track s.section) {
      <section class="panel" [attr.aria-label]="s.name">
        <h2>{{ s.name }}</h2>
        @for (l of s.lines; track l.key) {
          <p [class.vet]="l.stands === 'vet'" [class.hurt]="l.stands === 'hurt'">{{ l.text }}</p>
        }
        @if (s.section === 'how' && view().told.minutes > 0) {
          <man-took-picture [picture]="view().told.picture" [length]="view().told.minutes" />
        }
        @if (s.section === 'found' && view().told.places.length > 0) {
          <man-body-map [still]="true" [paint]="paint()" />
          <p class="quiet small">{{ places() }}</p>
        }
      </section>
    }
    <p class="acts">
      <a class="plain" [href]="'/api/o/' + secret() + '/visit.pdf'" target="_blank" rel="noreferrer" i18n="@@ownerAccount.page"
        >As a page to keep</a
      >
      @if (view().hasNext) {
        <a class="plain" [href]="'/api/o/' + secret() + '/next-visit.ics'" i18n="@@ownerAccount.calendar">Next visit for your calendar</a>
      }
    </p>
    <p class="quiet small" i18n="@@ownerAccount.emergency">
      In an emergency: {{ view().vetPhone }}. Our words are not law: local law and the vet come first.
    </p>
  </div>`,
  styles: `
    p {
      padding: 4px 0;
    }
    .vet,
    .hurt {
      border-left: 5px solid var(--stop);
      padding-left: 10px;
    }
    .hurt {
      border-left-color: var(--pause);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerAccount {
  private readonly words = inject(Words);
  readonly secret = input.required<string>();
  readonly view = input.required<Extract<OwnerLinkView, { kind: 'account' }>>();
  protected readonly on = computed(() => wholeDay(this.view().visitOn));
  protected readonly sections = computed(() =>
    ACCOUNT_SECTIONS.map((section) => ({
      section,
      name: this.words.heading('accountSection', section),
      lines: this.view().told.lines.filter((l) => l.section === section && l.as !== 'left_out'),
    })).filter((s) => s.lines.length > 0),
  );
  protected readonly paint = computed(
    () =>
      new Map<ZoneId, ZonePaint>(
        this.view().told.places.map((p) => [
          p.zone,
          { lit: true, ...(p.as === 'hurt' ? { changed: true } : p.as === 'mat' ? { grade: 2 } : { skin: 'red' }) },
        ]),
      ),
  );
  protected readonly places = computed(() => this.words.list(this.view().told.places.map((p) => this.words.labels.zone[p.zone])));
}
