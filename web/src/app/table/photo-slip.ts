import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { type Photo, PHOTO_MAX_BYTES } from '@mansuet/core/contract';
import { uuidV7 } from '@mansuet/core/log';
import { HEALTH_PHOTOS, PHOTO_KINDS } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { ClockService } from '../server/clock.service';
import { PictureBox } from '../visit-log/picture-box';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { IncidentNow } from './incident-now';
import { PlaceHere } from './place-here';
import { Recorder } from './recorder';

const MEGABYTE = 1024 * 1024;

/** A photograph from the table, of the place, mark or incident in hand. It waits on the device like an entry. */
@Component({
  selector: 'man-photo-slip',
  imports: [ChoiceGroup, Notice],
  template: `<div class="stack">
    @if (refuses()) {
      <man-notice kind="warn" i18n="@@photo.noConsent"
        >The owner does not agree to photographs. Only a mark or an incident is taken: it belongs to the health record.</man-notice
      >
    }
    <p i18n="@@photo.of">
      Of: <b>{{ of() }}</b>
    </p>
    <man-choice
      label="What it shows"
      i18n-label="@@photo.kind"
      shown
      size="big"
      [of]="kinds()"
      [value]="kind()"
      (chosen)="chosen.set($event)"
    />
    <label class="next big take">
      <ng-container i18n="@@photo.take">Take it</ng-container>
      <input type="file" [accept]="types" [attr.capture]="camera" (change)="take($event)" />
    </label>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <ul class="taken">
      @for (p of taken(); track p.photoId) {
        <li>
          {{ p.says }}
          <span class="quiet small">{{ p.where }}</span>
          @if (p.refused) {
            <button type="button" class="plain" (click)="box.again(p.photoId)" i18n="@@photo.again">Send again</button>
            <button type="button" class="plain" (click)="box.letGo(p.photoId)" i18n="@@photo.letGo">Let it go</button>
          }
        </li>
      } @empty {
        <li class="quiet" i18n="@@photo.none">None in this visit yet. A picture says how large, and how it looked before.</li>
      }
    </ul>
  </div>`,
  styles: `
    .take {
      position: relative;
      display: flex;
      align-items: center;
      justify-content: center;
      min-height: 64px;
      overflow: hidden;
    }
    .take input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }
    .take:focus-within {
      outline: 3px solid var(--sky);
      outline-offset: 2px;
    }
    .taken li {
      padding: 6px 0;
    }
    .plain {
      min-height: 64px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoSlip {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);
  private readonly here = inject(PlaceHere);
  private readonly incident = inject(IncidentNow);
  private readonly recorder = inject(Recorder);
  protected readonly box = inject(PictureBox);
  /** Of what was refused, only what belongs to the health record. */
  protected readonly kinds = computed(() => choicesOf(this.refuses() ? HEALTH_PHOTOS : PHOTO_KINDS, this.words.labels.photoKind));
  protected readonly types = 'image/jpeg,image/png,image/webp';
  /** The camera that looks away from whoever holds the tablet. */
  protected readonly camera = 'environment';
  protected readonly chosen = signal<Photo['kind'] | undefined>(undefined);
  protected readonly trouble = signal('');

  protected readonly refuses = computed(() => this.visit.state().consents.get('photographs')?.agreed === false);
  /** The incident that is told of goes before the place that was touched. */
  private readonly target = computed(() => {
    const incident = this.incident.open();
    if (incident)
      return { zone: incident.zone, incidentId: incident.incidentId, markId: undefined, says: this.words.labels.incident[incident.kind] };
    const zone = this.here.zone();
    const mark = this.visit
      .state()
      .feelOver.marks.filter((m) => m.zone === zone)
      .at(-1);
    const place = zone ? this.words.labels.zone[zone] : $localize`:@@photo.dog:the dog`;
    return { zone, incidentId: undefined, markId: mark?.markId, says: mark ? $localize`:@@photo.mark:the mark, ${place}:place:` : place };
  });
  protected readonly of = computed(() => this.target().says);
  protected readonly kind = computed<Photo['kind']>(() => {
    const { incidentId, markId } = this.target();
    return this.chosen() ?? (incidentId ? 'incident' : markId || this.refuses() ? 'mark' : 'other');
  });
  protected readonly taken = computed(() =>
    this.visit.state().photos.map((p) => {
      const waits = this.box.waiting().find((w) => w.photoId === p.photoId);
      return {
        photoId: p.photoId,
        says: [this.words.labels.photoKind[p.kind], p.zone ? this.words.labels.zone[p.zone] : ''].filter((x) => x !== '').join(', '),
        where: waits?.refusedWhy ?? (waits ? $localize`:@@photo.waits:kept on this device, sent when the network is there` : ''),
        refused: waits?.refusedWhy !== undefined,
      };
    }),
  );

  protected async take(event: Event): Promise<void> {
    const field = event.target;
    const picture = field instanceof HTMLInputElement ? field.files?.[0] : undefined;
    const dogId = this.visit.state().dogId;
    if (!(field instanceof HTMLInputElement) || !picture || !dogId) return;
    this.trouble.set('');
    const { zone = null, incidentId, markId } = this.target();
    const [kind, photoId] = [this.kind(), uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b))];
    if (picture.size > PHOTO_MAX_BYTES) {
      const megabytes = Math.ceil(picture.size / MEGABYTE);
      this.trouble.set($localize`:@@photo.tooLarge:This picture has ${megabytes}:size: MB; at most 10 MB. Take a smaller one.`);
      field.value = '';
      return;
    }
    try {
      // The picture is on the disk before anything names it.
      await this.box.keep({ photoId, visitId: this.visit.visitId(), dogId, kind, zone, picture });
    } catch (error: unknown) {
      this.trouble.set(sayStorageTrouble(error));
      return;
    } finally {
      field.value = '';
    }
    await this.recorder.record(
      { type: 'photo_taken', body: { photoId, kind, zone, ...(incidentId ? { incidentId } : {}), ...(markId ? { markId } : {}) } },
      $localize`:@@photo.kept:Photograph kept`,
    );
  }
}
