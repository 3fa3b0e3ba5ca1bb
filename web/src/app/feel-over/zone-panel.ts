import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { findingIn } from '@mansuet/core/findings';
import { hasCoat, mirrorOf, zoneFacts } from '@mansuet/core/knowledge/anatomy';
import { answerResistance, likelyCauses } from '@mansuet/core/knowledge/blades';
import { adviseMat } from '@mansuet/core/knowledge/coat';
import { hasKind } from '@mansuet/core/knowledge/dogs';
import type { EventBody } from '@mansuet/core/log';
import { competenceOf } from '@mansuet/core/plan';
import { openMirrors, mindedPlaces, presumedMarks } from '@mansuet/core/visit';
import {
  type CombTest,
  type DryerTest,
  FOUND_IN_PLACES,
  type FoundInPlace,
  type LiftTest,
  LOOKED_FINDINGS,
  type MatGrade,
  SKIN_STATES,
  type SkinState,
  type ZoneId,
} from '@mansuet/core/words';
import type { Touch } from '../body-map/body-map';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { Toggle } from '../controls/toggle';
import { VisitStore } from '../visit/visit-store';
import { MarksHere } from './marks-here';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

const COMB_CHOICES: readonly Choice<CombTest>[] = [
  { value: 'fine_passes', label: 'Fine teeth pass' },
  { value: 'wide_snags', label: 'Wide teeth snag' },
  { value: 'wide_stops', label: 'Wide teeth stop' },
  { value: 'nothing_passes', label: 'Nothing passes' },
];
const LIFT_CHOICES: readonly Choice<LiftTest>[] = [
  { value: 'lifts_freely', label: 'Lifts freely' },
  { value: 'finger_fits', label: 'A finger fits below' },
  { value: 'skin_comes', label: 'Skin comes with it' },
  { value: 'no_gap', label: 'One sheet, no gap' },
];
type Zone = EventBody<'zone_felt'>;

/** One place on the dog: comb, lift, skin, crust, and a mark that lies there. */
@Component({
  selector: 'man-zone-panel',
  imports: [ChoiceGroup, MarksHere, Notice, Toggle],
  templateUrl: './zone-panel.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ZonePanel {
  private readonly words = inject(Words);
  protected readonly store = inject(VisitStore);
  readonly zone = input<ZoneId | undefined>();
  /** Where the finger was last on the map. */
  readonly touch = input<Touch | undefined>();
  readonly picked = output<ZoneId>();

  protected readonly combs = COMB_CHOICES;
  protected readonly coat = hasCoat;
  protected readonly lifts = LIFT_CHOICES;
  protected readonly labels = this.words.labels;
  protected readonly skins = choicesOf(SKIN_STATES, this.labels.skin);
  protected readonly gradeNames = this.words.labels.matGrade;
  protected readonly label = (z: ZoneId): string => this.words.labels.zone[z];
  private readonly feelOver = computed(() => this.store.state().feelOver);

  /** The open place with the tests that were made there; those that were not are empty. */
  protected readonly open = computed<Zone | undefined>(() => {
    const zone = this.zone();
    if (!zone) return undefined;
    const found = findingIn(this.feelOver(), zone);
    return {
      comb: found.tests?.comb ?? null,
      lift: found.tests?.lift ?? null,
      zone,
      skin: found.skin,
      crust: found.crust,
      ...(found.strangles ? { strangles: true } : {}),
    };
  });
  /** Grade of the open place: by its tests, or as it was carried over. */
  private readonly grade = computed<MatGrade>(() => {
    const zone = this.zone();
    return zone ? findingIn(this.feelOver(), zone).matGrade : 0;
  });
  protected readonly care = computed(() => {
    const zone = this.zone();
    return zone ? zoneFacts(zone).care.map((c) => this.words.labels.care[c]) : [];
  });
  /** The last time, when it was otherwise. */
  protected readonly before = computed(() => {
    const zone = this.zone();
    const last = this.store.context()?.lastFound;
    const was = zone && last?.feelOver.zones.find((z) => z.zone === zone);
    if (!was || !last || (was.matGrade === 0 && was.skin === 'sound')) return undefined;
    return `Last felt ${dayInWords(last.on, this.store.today())}: grade ${was.matGrade}, ${this.words.labels.matGrade[was.matGrade]}${was.skin === 'sound' ? '' : ', ' + this.words.labels.skin[was.skin] + ' skin'}.`;
  });
  private readonly markHere = computed(() => {
    const zone = this.zone();
    const known = presumedMarks(this.store.planContext()?.knownMarks ?? [], this.store.state());
    return [...this.feelOver().marks, ...known].some((m) => m.zone === zone);
  });
  /** Felt today, or minded the last time. */
  protected readonly resents = computed(() => {
    const zone = this.zone();
    return zone !== undefined && mindedPlaces(this.store.state(), this.store.planContext()?.resented ?? []).includes(zone);
  });
  /** Only after the wash, and only an open mat is a question for the dryer. */
  protected readonly mayTestByDryer = computed(() => {
    const zone = this.zone();
    return zone !== undefined && this.store.state().work !== undefined && findingIn(this.feelOver(), zone).matGrade === 2;
  });
  protected readonly mayStrangle = computed(() => {
    const open = this.open();
    if (!open || this.grade() < 3) return false;
    return ['legs', 'feet', 'rear', 'ears'].includes(zoneFacts(open.zone).group);
  });
  protected readonly advice = computed(() => {
    const open = this.open();
    const dog = this.store.dog();
    if (!open || !dog) return undefined;
    const grade = this.grade();
    if (grade === 0) return undefined;
    const kinds = this.store.kinds();
    const a = adviseMat({
      zone: open.zone,
      grade,
      skin: open.skin,
      puppyOrSenior: hasKind(kinds, 'puppy') || hasKind(kinds, 'senior'),
      intactMale: dog.sex === 'male' && !dog.neutered,
      trained: this.store.groomer()?.trained ?? false,
      strangles: open.strangles ?? false,
      dryer: undefined,
      house: this.store.house(),
    });
    // Asked until a hand was there.
    const mirror = a.alsoCheck && openMirrors(this.store.state()).includes(a.alsoCheck) ? a.alsoCheck : undefined;
    return {
      grade,
      minutes: a.minutes,
      range: a.minutesRange,
      says: a.reasons.filter((r) => r.rule !== 'mat.check_mirror' || mirror !== undefined).map(this.words.say),
      mirror,
    };
  });

  /** What a blade may stop at in this place, and the answer to each: asked before the first stroke, not after it. */
  protected readonly resistance = computed(() => {
    const open = this.open();
    const grade = this.grade();
    if (!open || (grade < 2 && !this.markHere())) return [];
    const competence = competenceOf(this.store.groomer()?.trained ?? false);
    const markHere = this.markHere();
    return likelyCauses({ zone: open.zone, matGrade: grade, markHere }).map((cause) => ({
      asks: this.words.labels.resistance[cause],
      says: answerResistance({ cause, zone: open.zone, blade: '10', competence }).reasons.map(this.words.say).join(' '),
    }));
  });

  protected pickMirror(): void {
    const zone = this.zone();
    const mirror = zone && mirrorOf(zone);
    if (mirror) this.picked.emit(mirror);
  }

  protected async setZone(change: Partial<Zone>): Promise<void> {
    const open = this.open();
    if (!open) return;
    const body: Zone = { ...open, ...change, ...(change.comb ? { lift: null } : {}) };
    await this.store.record({ type: 'zone_felt', body });
  }
  protected setSkin(skin: SkinState): void {
    void this.setZone({ skin });
  }
  protected async testByDryer(test: DryerTest): Promise<void> {
    const zone = this.zone();
    if (zone) await this.store.record({ type: 'dryer_tested', body: { zone, test } });
  }
  /** What can be in any place: a grass seed, a tick. */
  protected readonly foundParts: readonly { readonly part: FoundInPlace; readonly label: string }[] = [
    { part: 'ticks', label: $localize`:@@zone.tick:a tick` },
    { part: 'seeds', label: $localize`:@@zone.seed:a grass seed` },
  ];
  protected isHere(part: FoundInPlace): boolean {
    const zone = this.zone();
    return zone !== undefined && (this.feelOver().foundAt?.[part] ?? []).includes(zone);
  }
  /** The part is looked at with this place, or without it; with the last place gone, none is found. */
  protected setHere(part: FoundInPlace, here: boolean): void {
    const zone = this.zone();
    if (!zone) return;
    const others = (this.feelOver().foundAt?.[part] ?? []).filter((z) => z !== zone);
    const zones = here ? [...others, zone] : others;
    const finding = zones.length > 0 ? FOUND_IN_PLACES[part] : LOOKED_FINDINGS[part][0];
    void this.store.record({ type: 'part_looked', body: { part, finding, ...(zones.length > 0 ? { zones } : {}) } });
  }
  protected setResents(resents: boolean): void {
    const zone = this.zone();
    if (zone) void this.store.record({ type: 'place_resented', body: { zone, resents } });
  }
}
