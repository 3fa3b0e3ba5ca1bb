import { ChangeDetectionStrategy, Component, computed, inject, input, model, output, signal } from '@angular/core';
import { needsVetNow } from '@mansuet/core/incidents';
import { type EventDraft, uuidV7 } from '@mansuet/core/log';
import { HARM_DEGREES, type HarmDegree, INCIDENT_KINDS, type IncidentKind, type ZoneId } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

/** An incident as far as it was entered. */
export interface IncidentDraft {
  readonly kind: IncidentKind | undefined;
  readonly harm: HarmDegree | undefined;
  readonly zone: ZoneId | undefined;
  readonly what: string;
}
export const EMPTY_INCIDENT: IncidentDraft = { kind: undefined, harm: undefined, zone: undefined, what: '' };

/** An incident: what to do at once comes first, the record after. */
@Component({
  selector: 'man-incident-form',
  imports: [ChoiceGroup, Notice, TextField],
  template: `<div class="stack">
    @if (!draft().kind) {
      <h3>What happened?</h3>
      <div class="row">
        @for (k of kinds; track k) {
          <button type="button" class="chip big" (click)="put({ kind: k })">{{ names[k] }}</button>
        }
      </div>
    }
    @if (draft().kind; as k) {
      <man-notice [kind]="vetNow() ? 'vet' : 'warn'" live="alert">
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
      </man-notice>
      <div class="row"><button type="button" class="plain" (click)="put({ kind: undefined })">It was something else</button></div>
      <man-choice label="How bad?" shown size="big" [of]="harms" [value]="draft().harm" (chosen)="put({ harm: $event })" />
      @if (places().length > 0) {
        <man-choice
          label="Where?"
          shown
          clearable
          size="big"
          [of]="places()"
          [value]="draft().zone"
          (chosen)="put({ zone: $event })"
          (cleared)="put({ zone: undefined })"
        />
      }
      <man-text
        label="What, and what stopped it"
        name="what"
        [rows]="3"
        [most]="2000"
        [value]="draft().what"
        (typed)="put({ what: $event })"
      />
      @if (asked()) {
        <man-notice kind="warn" live="alert" says="How bad is it? Choose one; you can correct it later." />
      }
      <button type="button" class="next big" (click)="keep()">Record it</button>
    }
  </div>`,
  styles: `
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
  /** What was entered so far; it stays with whoever opened the form. */
  readonly draft = model<IncidentDraft>(EMPTY_INCIDENT);
  readonly recorded = output<EventDraft>();
  protected readonly kinds = INCIDENT_KINDS;
  protected readonly names = this.words.labels.incident;
  protected readonly atOnce = this.words.language.atOnce;
  protected readonly harms = choicesOf(HARM_DEGREES, this.words.labels.harm);
  protected readonly places = computed(() => choicesOf(this.zones(), this.words.labels.zone));
  protected readonly vetNow = computed(() => {
    const { kind, harm } = this.draft();
    return kind !== undefined && needsVetNow(kind, harm ?? 'none');
  });

  /** Harm is never presumed: a laceration is not mild because nobody said so. */
  protected readonly asked = signal(false);
  protected readonly name = computed(() => {
    const { kind } = this.draft();
    return kind ? this.words.heading('incident', kind) : '';
  });

  protected put(change: Partial<IncidentDraft>): void {
    this.draft.update((d) => ({ ...d, ...change }));
  }

  protected keep(): void {
    const { kind, harm, zone, what } = this.draft();
    this.asked.set(harm === undefined);
    if (!kind || !harm) return;
    const incidentId = uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    this.recorded.emit({ type: 'incident', body: { incidentId, kind, harm, zone: zone ?? null, what: what.trim() } });
  }
}
