import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import { needsVetNow } from '@mansuet/core/incidents';
import { type EventDraft, uuidV7 } from '@mansuet/core/log';
import { HARM_DEGREES, type HarmDegree, INCIDENT_KINDS, type IncidentKind, type ZoneId } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

/** An incident: what to do at once comes first, the record after. */
@Component({
  selector: 'man-incident-form',
  imports: [FormsModule, NzInputModule],
  template: `<div class="stack">
    @if (!kind()) {
      <h3>What happened?</h3>
      <div class="row">
        @for (k of kinds; track k) {
          <button type="button" class="chip" (click)="kind.set(k)">{{ names[k] }}</button>
        }
      </div>
    }
    @if (kind(); as k) {
      <div [class]="vetNow() ? 'vet' : 'warn'" role="alert">
        <b>{{ name() }}: at once</b>
        <ol>
          @for (line of atOnce[k]; track $index) {
            <li>{{ line }}</li>
          }
        </ol>
        @if (vetNow()) {
          <p>
            <b>Ring: {{ vet() }}</b>
          </p>
        }
      </div>
      <div class="row"><button type="button" class="plain" (click)="kind.set(undefined)">It was something else</button></div>
      <h3>How bad?</h3>
      <div class="row">
        @for (h of harms; track h) {
          <button type="button" class="chip" [attr.aria-pressed]="harm() === h" (click)="harm.set(h)">{{ harmLabels[h] }}</button>
        }
      </div>
      @if (zones().length > 0) {
        <h3>Where?</h3>
        <div class="row">
          @for (z of zones(); track z) {
            <button type="button" class="chip" [attr.aria-pressed]="zone() === z" (click)="zone.set(zone() === z ? undefined : z)">
              {{ label(z) }}
            </button>
          }
        </div>
      }
      <label class="field"
        >What, and what stopped it
        <textarea nz-input rows="3" maxlength="2000" [ngModel]="what()" (ngModelChange)="what.set($event)"></textarea>
      </label>
      @if (asked()) {
        <p class="warn" role="alert">How bad is it? Choose one; you can correct it later.</p>
      }
      <button type="button" class="next" (click)="keep()">Record it</button>
    }
  </div>`,
  styles: `
    .chip {
      min-height: 52px;
    }
    ol {
      list-style: decimal inside;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IncidentForm {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  readonly zones = input<readonly ZoneId[]>([]);
  readonly vet = input('the vet');
  readonly recorded = output<EventDraft>();
  protected readonly kinds = INCIDENT_KINDS;
  protected readonly names = this.words.labels.incident;
  protected readonly atOnce = this.words.language.atOnce;
  protected readonly harms = HARM_DEGREES;
  protected readonly harmLabels = this.words.labels.harm;
  protected readonly label = (z: ZoneId): string => this.words.labels.zone[z];
  protected readonly kind = signal<IncidentKind | undefined>(undefined);
  protected readonly harm = signal<HarmDegree | undefined>(undefined);
  protected readonly zone = signal<ZoneId | undefined>(undefined);
  protected readonly what = signal('');
  protected readonly vetNow = computed(() => {
    const kind = this.kind();
    return kind !== undefined && needsVetNow(kind, this.harm() ?? 'none');
  });

  /** Harm is never presumed: a laceration is not mild because nobody said so. */
  protected readonly asked = signal(false);
  protected readonly name = computed(() => {
    const kind = this.kind();
    return kind ? this.words.heading('incident', kind) : '';
  });

  protected keep(): void {
    const kind = this.kind();
    const harm = this.harm();
    this.asked.set(harm === undefined);
    if (!kind || !harm) return;
    const incidentId = uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    this.recorded.emit({ type: 'incident', body: { incidentId, kind, harm, zone: this.zone() ?? null, what: this.what().trim() } });
  }
}
