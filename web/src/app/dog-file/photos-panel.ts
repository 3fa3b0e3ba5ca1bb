import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { type DogFile, NEW_ID, type Photo, PHOTO_MAX_BYTES } from '@mansuet/core/contract';
import { PHOTO_KINDS } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { OverSlip } from '../controls/over-slip';
import { ApiService, NOTHING, sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';

/** Photographs of a dog: add one, look at one large, take one away. */
@Component({
  selector: 'man-photos-panel',
  imports: [ChoiceGroup, Notice, OverSlip],
  template: `<h2>Photographs</h2>
    <ul class="photos">
      @for (p of file().photos; track p.photoId) {
        <li>
          <button type="button" (click)="opened.set(p)" [attr.aria-label]="'Large: ' + says(p)">
            <img [src]="'/api/photos/' + p.photoId + '?size=small'" [alt]="says(p)" loading="lazy" />
          </button>
          <span class="small">{{ says(p) }}</span>
        </li>
      } @empty {
        <li class="quiet">None yet. A mark, or before and after, says more than words.</li>
      }
    </ul>
    @if (session.may('record')) {
      <div class="row">
        <man-choice label="What it shows" size="tiny" [of]="kinds" [value]="kind()" (chosen)="kind.set($event)" />
        <label class="plain tiny add"
          >{{ busy() ? 'Sending …' : 'Add a photograph' }}
          <input type="file" accept="image/jpeg,image/png,image/webp" [disabled]="busy()" (change)="add($event)" />
        </label>
      </div>
      <p class="quiet small">
        JPEG, PNG or WebP up to 10 MB. Place, time and device are taken out of it. Only with the owner’s consent; a mark or an incident
        belongs to the health record.
      </p>
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    @if (opened(); as p) {
      <man-over-slip [name]="says(p)" (closed)="opened.set(undefined)">
        <div class="pair">
          <img class="large" [src]="'/api/photos/' + p.photoId" [alt]="says(p)" />
          @if (before(); as b) {
            <figure>
              <img class="large" [src]="'/api/photos/' + b.photoId" [alt]="says(b)" />
              <figcaption class="small">{{ says(b) }}</figcaption>
            </figure>
          }
        </div>
        @if (session.may('edit_dog')) {
          <div class="row"><button type="button" class="plain tiny" (click)="remove(p)">Delete for good</button></div>
        }
      </man-over-slip>
    }`,
  styleUrl: './photos-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotosPanel {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  protected readonly session = inject(SessionService);
  readonly file = input.required<DogFile>();
  readonly changed = output();
  protected readonly kinds = choicesOf(PHOTO_KINDS, this.words.labels.photoKind);
  protected readonly kind = signal<Photo['kind']>('other');
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly opened = signal<Photo | undefined>(undefined);

  /** The same place, the same mark's or the coat before: what it is held beside. */
  protected readonly before = computed(() => {
    const p = this.opened();
    if (!p) return undefined;
    const same = (x: Photo): boolean =>
      x.photoId !== p.photoId &&
      x.takenOn <= p.takenOn &&
      (p.kind === 'after'
        ? x.kind === 'before' && x.takenOn === p.takenOn
        : x.kind === p.kind && x.zone === p.zone && x.takenOn < p.takenOn);
    return this.file().photos.find(same);
  });

  protected says(p: Photo): string {
    return `${this.words.labels.photoKind[p.kind]}${p.zone ? ', ' + this.words.labels.zone[p.zone] : ''}, ${p.takenOn}`;
  }
  protected async add(event: Event): Promise<void> {
    const field = event.target;
    const picture = field instanceof HTMLInputElement ? field.files?.[0] : undefined;
    if (!(field instanceof HTMLInputElement) || !picture) return;
    this.trouble.set('');
    if (picture.size > PHOTO_MAX_BYTES) {
      this.trouble.set(`This picture has ${Math.ceil(picture.size / 1024 / 1024)} MB; at most 10 MB. Send a smaller one.`);
      field.value = '';
      return;
    }
    const form = new FormData();
    form.append('kind', this.kind());
    form.append('picture', picture);
    this.busy.set(true);
    const answer = await this.api.send('POST', `/dogs/${this.file().dogId}/photos`, form, NEW_ID);
    this.busy.set(false);
    field.value = '';
    if (answer.ok) this.changed.emit();
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }

  protected async remove(p: Photo): Promise<void> {
    const answer = await this.api.send('DELETE', `/photos/${p.photoId}`, undefined, NOTHING);
    this.opened.set(undefined);
    if (answer.ok) this.changed.emit();
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
}
