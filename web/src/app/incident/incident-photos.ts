import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { NEW_ID, PHOTO_MAX_BYTES } from '@mansuet/core/contract';
import { uuidV7 } from '@mansuet/core/log';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { Notice } from '../controls/notice';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** Photographs of one incident: for the dog’s health record, whatever was answered about photographs. */
@Component({
  selector: 'man-incident-photos',
  imports: [Notice],
  template: `<h3 i18n="@@photos.ofIncident">Photographs</h3>
    <ul>
      @for (p of photos(); track p.photoId) {
        <li><img [src]="'/api/photos/' + p.photoId + '?size=small'" [alt]="alt(p.takenAt)" /></li>
      } @empty {
        <li class="quiet" i18n="@@photos.noneOfIncident">None yet.</li>
      }
    </ul>
    <label class="plain tiny add">
      @if (busy()) {
        <span i18n="@@photos.sending">Sending …</span>
      } @else {
        <span i18n="@@photos.addOne">Add a photograph</span>
      }
      <input type="file" [attr.accept]="'image/jpeg,image/png,image/webp'" [disabled]="busy()" (change)="add($event)" />
    </label>
    <p class="quiet small" i18n="@@photos.health">It belongs to the health record. Place, time and device are taken out of it.</p>
    <man-notice kind="warn" live="alert" [says]="trouble()" />`,
  styles: `
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    img {
      width: 132px;
      height: 132px;
      object-fit: cover;
      border-radius: var(--radius);
      border: 1px solid var(--line);
    }
    .add {
      position: relative;
      overflow: hidden;
    }
    .add:focus-within {
      outline: 3px solid var(--sky);
      outline-offset: 2px;
    }
    .add input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IncidentPhotos {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);
  readonly incidentId = input.required<string>();
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly photos = computed(() =>
    this.visit
      .state()
      .photos.filter((p) => p.incidentId === this.incidentId())
      .map((p) => ({ photoId: p.photoId, takenAt: this.clock.sayTime(p.atMs) })),
  );
  protected readonly alt = (at: string): string => $localize`:@@photos.alt:Photograph of ${at}:time:`;

  protected async add(event: Event): Promise<void> {
    const field = event.target;
    const picture = field instanceof HTMLInputElement ? field.files?.[0] : undefined;
    const dogId = this.visit.state().dogId;
    if (!(field instanceof HTMLInputElement) || !picture || !dogId) return;
    if (picture.size > PHOTO_MAX_BYTES) {
      this.trouble.set($localize`:@@photos.tooLarge:At most 10 MB: send a smaller one.`);
      field.value = '';
      return;
    }
    const photoId = uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    const zone = this.visit.state().incidents.find((i) => i.incidentId === this.incidentId())?.zone;
    const form = new FormData();
    form.append('photoId', photoId);
    form.append('kind', 'incident');
    form.append('visitId', this.visit.visitId());
    if (zone) form.append('zone', zone);
    form.append('picture', picture);
    this.busy.set(true);
    const answer = await this.api.send('POST', `/dogs/${dogId}/photos`, form, NEW_ID);
    this.busy.set(false);
    field.value = '';
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok)
      await this.visit.record({
        type: 'photo_taken',
        body: { photoId, kind: 'incident', zone: zone ?? null, incidentId: this.incidentId() },
      });
  }
}
