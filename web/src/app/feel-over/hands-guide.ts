import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FEEL_AREA_FACTS, foundBefore, nextArea, type OldFinding, stiffBefore } from '@mansuet/core/findings';
import type { EventDraft } from '@mansuet/core/log';
import {
  FEEL_AREAS,
  type FeelArea,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  type LookedFinding,
  type LookedPart,
  type ZoneId,
} from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { presumedMarks } from '@mansuet/core/visit';
import { VisitStore } from '../visit/visit-store';
import { asBefore } from './marks-here';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { sizeOf } from '../wording/formats';

/** Nose to tail in the order of the hands: one tap a stretch when it is sound or as the last time. Any order is allowed. */
@Component({
  selector: 'man-hands-guide',
  imports: [ChoiceGroup],
  templateUrl: './hands-guide.html',
  styleUrl: './hands-guide.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandsGuide {
  private readonly words = inject(Words);
  protected readonly store = inject(VisitStore);
  /** A place that somebody wants to enter in detail. */
  readonly zoneWanted = output<ZoneId>();
  readonly jointsWanted = output();

  protected readonly areas = FEEL_AREAS;
  protected readonly facts = FEEL_AREA_FACTS;
  protected readonly partLabels = this.words.labels.lookedPart;
  private readonly findings = new Map<LookedPart, readonly Choice<LookedFinding>[]>(
    LOOKED_PARTS.map((p) => [p, choicesOf<LookedFinding>(LOOKED_FINDINGS[p], this.words.labels.lookedFinding)]),
  );
  private readonly chosen = signal<FeelArea | undefined>(undefined);

  private readonly felt = computed(() => this.store.state().areasFelt);
  protected readonly current = computed(() => this.chosen() ?? nextArea(new Set(this.felt().keys())));
  protected readonly last = computed(() => this.store.context()?.lastFound ?? undefined);
  protected readonly before = computed(() => {
    const area = this.current();
    if (!area) return [];
    if (area !== 'joints') return foundBefore(area, this.last());
    return [];
  });
  /** Marks that are known there and that nobody has looked for today. */
  private readonly known = computed(() => {
    const area = this.current();
    const zones = area ? FEEL_AREA_FACTS[area].zones : [];
    return presumedMarks(this.store.planContext()?.knownMarks ?? [], this.store.state()).filter((m) => zones.includes(m.zone));
  });
  /** What was found there the last time, in a line. */
  protected readonly saysBefore = computed(() => {
    if (this.current() === 'joints') {
      const { joints, favours } = stiffBefore(this.last());
      return [
        ...joints.map((j) => `${this.words.labels.joint[j]} ${this.last()?.feelOver.joints[j] ?? ''}`),
        ...(favours ? [`spared its ${this.words.labels.leg[favours]}`] : []),
      ].join(', ');
    }
    const found = this.before()
      .filter((f) => f.kind !== 'mark')
      .map((f) => sayOld(this.words, f));
    const marks = this.known().map((m) => `mark, ${this.words.labels.zone[m.zone]}`);
    return [...found, ...marks].join(', ');
  });
  /** Each can be measured anew; "as before" says that it is there and adds no number that nobody read. */
  protected readonly marks = computed(() =>
    this.before().flatMap((f) => (f.kind === 'mark' && !this.store.state().feelOver.marks.some((m) => m.markId === f.markId) ? [f] : [])),
  );

  protected stateOf(area: FeelArea): 'open' | 'found' | 'sound' | 'as_before' {
    const { zones, looks } = FEEL_AREA_FACTS[area];
    const f = this.store.state().feelOver;
    const found =
      f.zones.some((z) => zones.includes(z.zone) && (z.matGrade > 0 || z.skin !== 'sound' || z.crust)) ||
      f.marks.some((m) => zones.includes(m.zone)) ||
      looks.some((p) => f.looked?.[p] !== undefined && f.looked[p] !== LOOKED_FINDINGS[p][0]) ||
      (area === 'joints' && Object.values(f.joints).some((c) => c !== 'free'));
    const as = this.felt().get(area);
    if (!as) return found ? 'found' : 'open';
    return found && as === 'sound' ? 'found' : as;
  }
  protected sayState(area: FeelArea): string {
    const says = { open: 'not felt yet', found: 'something found', sound: 'sound', as_before: 'as the last time' };
    return `${this.words.labels.feelArea[area]}: ${says[this.stateOf(area)]}`;
  }
  protected findingsOf(part: LookedPart): readonly Choice<LookedFinding>[] {
    return this.findings.get(part) ?? [];
  }
  protected lookedAt(part: LookedPart): LookedFinding | undefined {
    return this.store.state().feelOver.looked?.[part];
  }

  protected go(area: FeelArea): void {
    this.chosen.set(area);
  }
  protected async look(part: LookedPart, finding: LookedFinding): Promise<void> {
    await this.store.record({ type: 'part_looked', body: { part, finding } });
  }

  /** Both hands went over it: nothing but what is written. The next stretch comes by itself. */
  protected async sound(area: FeelArea): Promise<void> {
    await this.store.record({ type: 'area_felt', body: { area, as: 'sound' } });
    this.chosen.set(undefined);
  }

  /** What was there the last time is there again: written down as today's finding, so that it counts for today's plan. */
  protected async asBefore(area: FeelArea): Promise<void> {
    const today = this.store.state().feelOver;
    const last = this.last();
    const drafts: EventDraft[] = [];
    for (const f of this.before()) {
      if (f.kind === 'zone' && last && !today.zones.some((z) => z.zone === f.zone))
        drafts.push({
          type: 'zone_as_before',
          body: { zone: f.zone, grade: f.grade, skin: f.skin, crust: f.crust, ...(f.strangles ? { strangles: true } : {}), on: last.on },
        });
      if (f.kind === 'looked' && today.looked?.[f.part] === undefined)
        drafts.push({ type: 'part_looked', body: { part: f.part, finding: f.finding } });
    }
    drafts.push(...this.known().map((m): EventDraft => ({ type: 'mark_as_before', body: asBefore(m) })));
    if (area === 'joints') {
      const { joints, favours } = stiffBefore(this.last());
      for (const joint of joints) {
        const comfort = this.last()?.feelOver.joints[joint];
        if (comfort && today.joints[joint] === undefined) drafts.push({ type: 'joint_felt', body: { joint, comfort } });
      }
      if (favours && !today.favours) drafts.push({ type: 'leg_favoured', body: { leg: favours } });
    }
    const felt: EventDraft = { type: 'area_felt', body: { area, as: 'as_before' } };
    const [first = felt, ...more] = [...drafts, felt];
    await this.store.record(first, ...more);
    this.chosen.set(undefined);
  }
  protected readonly areaNames = this.words.labels.feelArea;
  protected readonly how = this.words.language.feelAreaHow;
  protected readonly label = (z: ZoneId): string => this.words.labels.zone[z];
  protected readonly day = (date: string): string => (date ? dayInWords(date, this.store.today()) : '');
  protected readonly size = sizeOf;
}

function sayOld(words: Words, f: OldFinding): string {
  if (f.kind === 'zone')
    return [
      words.labels.zone[f.zone],
      f.grade > 0 ? words.labels.matGrade[f.grade] : '',
      f.skin !== 'sound' ? `${f.skin} skin` : '',
      f.crust ? 'crust' : '',
    ]
      .filter((x) => x !== '')
      .join(' ');
  if (f.kind === 'looked') return `${words.labels.lookedPart[f.part]} ${words.labels.lookedFinding[f.finding]}`;
  return `mark, ${words.labels.zone[f.zone]}`;
}
