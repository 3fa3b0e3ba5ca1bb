import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal, type WritableSignal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { factorsOffered, incidentClass, incidentStory, needsVetNow } from '@mansuet/core/incidents';
import { type EventBody, type EventDraft, uuidV7 } from '@mansuet/core/log';
import {
  BITE_LEVELS,
  HARM_DEGREES,
  INCIDENT_KINDS,
  INCIDENT_LOOKS,
  type HarmDegree,
  type IncidentFactor,
  type IncidentKind,
  type IncidentLook,
  TOLD_HOW,
  TOOL_KINDS,
  type ToldHow,
  type ZoneId,
} from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import { addPaint, paintFound } from '../body-map/zone-paint';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { DateField } from '../controls/date-field';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { VisitStore } from '../visit/visit-store';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';
import { IncidentPhotos } from './incident-photos';

type More = Omit<EventBody<'incident_more'>, 'incidentId'>;

/** An incident in calm: completed by additions to the log, each kept as it is said. How it stood comes from the log; nothing is ticked for anyone. */
@Component({
  selector: 'man-incident',
  imports: [BodyMap, ChoiceGroup, Choices, DateField, IncidentPhotos, Notice, NumberField, RouterLink, SelectField, TextField],
  templateUrl: './incident.page.html',
  styleUrl: './incident.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IncidentPage {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  protected readonly visit = inject(VisitStore);
  /** `new` for one that came out later. */
  readonly incidentId = input('');

  protected readonly ranges = RANGES;
  protected readonly kinds = choicesOf(INCIDENT_KINDS, this.words.labels.incident);
  protected readonly harms = choicesOf(HARM_DEGREES, this.words.labels.harm);
  protected readonly looks = choicesOf(INCIDENT_LOOKS, this.words.labels.incidentLook);
  protected readonly tools = choicesOf(TOOL_KINDS, this.words.labels.tool);
  protected readonly bites = BITE_LEVELS.map((value) => ({ value, label: this.words.labels.biteLevel[value] }));
  protected readonly hows = choicesOf(TOLD_HOW, this.words.labels.toldHow);
  protected readonly zones = this.words.labels.zone;
  protected readonly may = computed(() => this.session.may('record'));

  protected readonly incident = computed(() => this.visit.state().incidents.find((i) => i.incidentId === this.incidentId()));
  protected readonly name = computed(() => {
    const i = this.incident();
    return i ? this.words.heading('incident', i.kind) : '';
  });
  protected readonly story = computed(() => {
    const i = this.incident();
    return i ? incidentStory(this.visit.state(), i).map(this.words.say) : [];
  });
  protected readonly classOf = computed(() => {
    const i = this.incident();
    return i ? this.words.labels.incidentClass[incidentClass(i.kind, i.harm)] : '';
  });
  protected readonly vetNow = computed(() => {
    const i = this.incident();
    return i !== undefined && needsVetNow(i.kind, i.harm);
  });
  protected readonly factors = computed(() => {
    const i = this.incident();
    const all = i ? factorsOffered(this.visit.state(), i) : [];
    const of = (inLog: boolean) =>
      all.filter((f) => f.inLog === inLog).map((f) => ({ value: f.factor, label: this.words.labels.incidentFactor[f.factor] }));
    return { known: of(true), other: of(false) };
  });
  protected readonly paint = computed(() => {
    const map = paintFound(this.visit.found());
    const zone = this.incident()?.zone ?? this.zone();
    if (zone) addPaint(map, zone, { lit: true });
    return map;
  });
  protected readonly additions = computed(() =>
    (this.incident()?.additions ?? []).map((a) => ({
      when: this.clock.sayTime(a.atMs),
      who: this.staffName(a.by),
      count: a.fields.length,
    })),
  );

  /** What is typed and not kept yet; what the log has where nothing was typed. */
  protected readonly what = draftOf(() => this.incident()?.what ?? '');
  protected readonly did = draftOf(() => this.incident()?.details.did ?? '');
  protected readonly didAt = draftOf(() => this.incident()?.details.didAt ?? '');
  protected readonly who = draftOf(() => this.incident()?.details.who ?? '');
  protected readonly vet = draftOf(() => this.incident()?.details.vet ?? '');
  protected readonly prevented = draftOf(() => this.incident()?.details.prevented ?? '');
  protected readonly action = draftOf(() => this.incident()?.details.action ?? '');
  protected readonly actionBy = draftOf(() => this.incident()?.details.actionBy ?? '');
  protected readonly actionUntil = draftOf(() => this.incident()?.details.actionUntil ?? '');
  protected readonly length = draftOf<number | null>(() => this.incident()?.details.sizeMm?.[0] ?? null);
  protected readonly width = draftOf<number | null>(() => this.incident()?.details.sizeMm?.[1] ?? null);

  /** Of the owner being told. */
  protected readonly toldName = draftOf(() => this.visit.context()?.file.owner.name ?? '');
  protected readonly toldHow = signal<ToldHow | undefined>(undefined);
  protected readonly toldSaid = signal('');
  protected readonly toldError = signal('');

  /** Of one that came out later. */
  protected readonly isNew = computed(() => this.incidentId() === 'new');
  protected readonly kind = signal<IncidentKind | undefined>(undefined);
  protected readonly zone = signal<ZoneId | undefined>(undefined);
  protected readonly laterOn = draftOf(() => this.visit.today());
  protected readonly laterBy = draftOf(() => this.visit.context()?.file.owner.name ?? '');
  protected readonly errors = signal({ kind: '', on: '', by: '' });

  protected harm(harm: HarmDegree): Promise<boolean> {
    return this.more({ harm });
  }
  protected look(look: IncidentLook): Promise<boolean> {
    return this.more({ look });
  }
  protected at(zone: ZoneId): void {
    if (this.isNew()) this.zone.set(zone);
    else void this.more({ zone });
  }
  protected toggle(factor: IncidentFactor): Promise<boolean> {
    const has = this.incident()?.details.factors ?? [];
    return this.more({ factors: has.includes(factor) ? has.filter((f) => f !== factor) : [...has, factor] });
  }
  /** All that was typed and differs from what the log has, at one stroke. */
  protected async keep(): Promise<void> {
    const i = this.incident();
    if (!i) return;
    const { details } = i;
    const [length, width] = [this.length(), this.width()];
    const size = length && width ? ([length, width] as [number, number]) : undefined;
    const changed: More = {
      ...(this.what().trim() !== i.what ? { what: this.what().trim() } : {}),
      ...text('did', this.did(), details.did),
      ...text('who', this.who(), details.who),
      ...text('vet', this.vet(), details.vet),
      ...text('prevented', this.prevented(), details.prevented),
      ...text('action', this.action(), details.action),
      ...text('actionBy', this.actionBy(), details.actionBy),
      ...(/^\d\d:\d\d$/.test(this.didAt()) && this.didAt() !== details.didAt ? { didAt: this.didAt() } : {}),
      ...(/^\d{4}-\d\d-\d\d$/.test(this.actionUntil()) && this.actionUntil() !== details.actionUntil
        ? { actionUntil: this.actionUntil() }
        : {}),
      ...(size && (size[0] !== details.sizeMm?.[0] || size[1] !== details.sizeMm?.[1]) ? { sizeMm: size } : {}),
    };
    if (Object.keys(changed).length > 0 && !(await this.more(changed))) return;
    await this.router.navigate(['/visits', this.visit.visitId(), 'hand_back']);
  }
  protected async tellOwner(): Promise<void> {
    const how = this.toldHow();
    const name = this.toldName().trim();
    this.toldError.set(!name ? $localize`:@@incident.toldWho:Who was told?` : !how ? $localize`:@@incident.toldHow:How was it told?` : '');
    if (!how || !name) return;
    await this.visit.record({ type: 'owner_told', body: { incidentId: this.incidentId(), name, how, said: this.toldSaid().trim() } });
  }
  /** One that was found or reported after the visit is added to it. */
  protected async add(): Promise<void> {
    const [kind, on, by] = [this.kind(), this.laterOn(), this.laterBy().trim()];
    const isDay = /^\d{4}-\d\d-\d\d$/.test(on) && on <= this.visit.today();
    this.errors.set({
      kind: kind ? '' : $localize`:@@incident.whatKind:What was it?`,
      on: isDay ? '' : $localize`:@@incident.whichDay:A day that has come already.`,
      by: by ? '' : $localize`:@@incident.whoSaid:Who saw it, or said so?`,
    });
    if (!kind || !isDay || !by) return;
    const incidentId = uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    const draft: EventDraft = {
      type: 'incident',
      body: { incidentId, kind, harm: null, zone: this.zone() ?? null, what: '', later: { on, by } },
    };
    if (await this.visit.record(draft)) await this.router.navigate(['/visits', this.visit.visitId(), 'incidents', incidentId]);
  }

  protected readonly howOf = (how: ToldHow): string => this.words.labels.toldHow[how];
  protected readonly time = (ms: number): string => this.clock.sayTime(ms);
  protected readonly report = computed(() => `/api/visits/${this.visit.visitId()}/incident-report.pdf?incident=${this.incidentId()}`);
  protected readonly letter = computed(() => `/api/visits/${this.visit.visitId()}/vet-letter.pdf`);

  protected more(more: More): Promise<boolean> {
    return this.visit.record({ type: 'incident_more', body: { incidentId: this.incidentId(), ...more } });
  }
  private staffName(id: string): string {
    return this.visit.staff().find((s) => s.staffId === id)?.name ?? '';
  }
}

/** What is typed, from what the log has: it stays under the finger while other things are added, and gives way only when its own field changes. */
function draftOf<T>(kept: () => T): WritableSignal<T> {
  const from = computed(kept);
  return linkedSignal(() => from());
}

/** A text that was changed; one that is empty was not said. */
function text<K extends 'did' | 'who' | 'vet' | 'prevented' | 'action' | 'actionBy'>(
  key: K,
  now: string,
  before: string | undefined,
): Partial<Record<K, string>> {
  const written = now.trim();
  const out: Partial<Record<K, string>> = {};
  if (written !== '' && written !== (before ?? '')) out[key] = written;
  return out;
}
