import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { mirrorOf, ZONE_IDS, zoneFacts, zoneLabel, type ZoneId } from '@mansuet/core/anatomy';
import { SKIN_STATES, type SkinState } from '@mansuet/core/blades';
import { adviseMat, gradeMat, MAT_GRADE_NAMES, type CombTest, type LiftTest } from '@mansuet/core/coat';
import {
  findingIn,
  hasKind,
  JOINT_COMFORTS,
  JOINT_LABELS,
  JOINTS,
  MARK_BORDERS,
  MARK_SURFACES,
  MOOD_LABELS,
  MOODS,
  type Joint,
  type JointComfort,
  type Mood,
  LEGS,
  LEG_LABELS,
  type Leg,
} from '@mansuet/core/dogs';
import { FIT_SIGNS, FIT_SIGN_LABELS, FIT_VERDICT_LABELS, TOLD_ITEMS, TOLD_LABELS, type FitSign, type ToldItem } from '@mansuet/core/fit';
import { sayReason } from '@mansuet/core/reasons';
import { uuidV7, type EventBody } from '@mansuet/core/visit';
import { BodyMap, type ZonePaint } from '../body-map/body-map';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';

const COMB_CHOICES: readonly { id: CombTest; label: string }[] = [
  { id: 'fine_passes', label: 'Fine teeth pass' },
  { id: 'wide_snags', label: 'Wide teeth snag' },
  { id: 'wide_stops', label: 'Wide teeth stop' },
  { id: 'nothing_passes', label: 'Nothing passes' },
];
const LIFT_CHOICES: readonly { id: LiftTest; label: string }[] = [
  { id: 'lifts_freely', label: 'Lifts freely' },
  { id: 'finger_fits', label: 'A finger fits below' },
  { id: 'skin_comes', label: 'Skin comes with it' },
  { id: 'no_gap', label: 'One sheet, no gap' },
];
const USUAL_LIFT: Readonly<Record<CombTest, LiftTest>> = {
  fine_passes: 'lifts_freely',
  wide_snags: 'lifts_freely',
  wide_stops: 'finger_fits',
  nothing_passes: 'skin_comes',
};
/** Room taken for granted until somebody says otherwise, °C. Our default. */
const USUAL_ROOM_CELSIUS = 20;

type Zone = EventBody<'zone_felt'>;

/** Feel over: hands nose to tail before any tool. Each tap is an event; the plan follows from them. */
@Component({
  selector: 'man-feel-over',
  imports: [BodyMap, FormsModule, NzInputModule, NzSelectModule],
  templateUrl: './feel-over.page.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeelOverPage {
  private readonly router = inject(Router);
  private readonly clock = inject(ClockService);
  protected readonly store = inject(VisitStore);

  protected readonly tab = signal<'fit' | 'zone' | 'joints'>('fit');
  protected readonly zone = signal<ZoneId | undefined>(undefined);
  protected readonly signsOpen = signal(false);
  protected readonly toldOpen = signal(false);
  protected readonly mark = signal({
    lengthMm: 8,
    widthMm: 6,
    border: 'regular' as (typeof MARK_BORDERS)[number],
    surface: 'smooth' as (typeof MARK_SURFACES)[number],
  });
  protected readonly markError = signal('');

  protected readonly combs = COMB_CHOICES;
  protected readonly lifts = LIFT_CHOICES;
  protected readonly skins = SKIN_STATES;
  protected readonly joints = JOINTS;
  protected readonly jointLabels = JOINT_LABELS;
  protected readonly comforts = JOINT_COMFORTS;
  protected readonly moods = MOODS;
  protected readonly moodLabels = MOOD_LABELS;
  protected readonly signs = FIT_SIGNS;
  protected readonly signLabels = FIT_SIGN_LABELS;
  protected readonly toldItems = TOLD_ITEMS;
  protected readonly toldLabels = TOLD_LABELS;
  protected readonly legs = LEGS;
  protected readonly legLabels = LEG_LABELS;
  protected readonly borders = MARK_BORDERS;
  protected readonly surfaces = MARK_SURFACES;
  protected readonly gradeNames = MAT_GRADE_NAMES;
  protected readonly label = zoneLabel;
  protected readonly zones = ZONE_IDS;

  protected readonly feelOver = computed(() => this.store.state().feelOver);
  protected readonly answers = computed(
    () => this.store.state().fit ?? { signs: [], vetAgreed: false, told: [], roomCelsius: USUAL_ROOM_CELSIUS },
  );
  protected readonly verdict = computed(() => {
    const fit = this.store.fit();
    return fit && { ...fit, label: FIT_VERDICT_LABELS[fit.verdict], says: fit.reasons.map(sayReason) };
  });
  protected readonly needsVetWord = computed(() => (this.store.dog()?.conditions.length ?? 0) > 0);

  protected readonly paint = computed<ReadonlyMap<ZoneId, ZonePaint>>(() => {
    const map = new Map<ZoneId, ZonePaint>();
    for (const z of this.feelOver().zones) map.set(z.zone, { grade: z.matGrade, skin: z.skin, crust: z.crust });
    for (const m of this.feelOver().marks) map.set(m.zone, { ...map.get(m.zone), markMm: Math.max(m.lengthMm, m.widthMm) });
    return map;
  });

  /** What was last entered for the open zone; the comb test decides what is presumed. */
  private readonly entered = signal<ReadonlyMap<ZoneId, Zone>>(new Map());
  protected readonly open = computed<Zone | undefined>(() => {
    const zone = this.zone();
    if (!zone) return undefined;
    const found = findingIn(this.feelOver(), zone);
    const comb = COMB_CHOICES[Math.min(found.matGrade, 3)]?.id ?? 'fine_passes';
    const lift = found.matGrade === 4 ? 'no_gap' : USUAL_LIFT[comb];
    const known = this.entered().get(zone);
    return {
      ...(known && gradeMat(known.comb, known.lift) === found.matGrade ? known : { comb, lift }),
      zone,
      skin: found.skin,
      crust: found.crust,
    };
  });
  protected readonly care = computed(() => {
    const zone = this.zone();
    return zone ? zoneFacts(zone).care : [];
  });
  protected readonly advice = computed(() => {
    const open = this.open();
    const dog = this.store.dog();
    if (!open || !dog) return undefined;
    const grade = gradeMat(open.comb, open.lift);
    if (grade === 0) return undefined;
    const kinds = this.store.kinds();
    const a = adviseMat({
      zone: open.zone,
      grade,
      skin: open.skin,
      puppyOrSenior: hasKind(kinds, 'puppy') || hasKind(kinds, 'senior'),
      intactMale: dog.sex === 'male' && !dog.neutered,
      trained: this.store.groomer()?.trained ?? false,
      strangles: false,
      dryer: undefined,
      house: this.store.house(),
    });
    return { grade, minutes: a.minutes, range: a.minutesRange, says: a.reasons.map(sayReason), mirror: a.alsoCheck };
  });
  protected readonly found = computed(() => {
    const f = this.feelOver();
    const mats = f.zones.filter((z) => z.matGrade > 0 || z.crust || z.skin !== 'sound');
    return { mats, marks: f.marks, joints: JOINTS.filter((j) => (f.joints[j] ?? 'free') !== 'free') };
  });
  protected readonly ready = computed(() => this.store.state().fit !== undefined && this.store.state().moodFelt);

  protected pick(zone: ZoneId): void {
    this.zone.set(zone);
    this.tab.set('zone');
  }

  protected pickMirror(): void {
    const zone = this.zone();
    const mirror = zone && mirrorOf(zone);
    if (mirror) this.pick(mirror);
  }

  protected async setZone(change: Partial<Zone>): Promise<void> {
    const open = this.open();
    if (!open) return;
    const body: Zone = { ...open, ...change, ...(change.comb ? { lift: USUAL_LIFT[change.comb] } : {}) };
    this.entered.update((m) => new Map(m).set(open.zone, body));
    await this.store.record({ type: 'zone_felt', body });
  }
  protected setSkin(skin: SkinState): void {
    void this.setZone({ skin });
  }

  protected setFit(change: Partial<{ signs: FitSign[]; vetAgreed: boolean; told: ToldItem[]; roomCelsius: number }>): void {
    const now = this.answers();
    void this.store.record({
      type: 'fit_answered',
      body: { signs: [...now.signs], vetAgreed: now.vetAgreed, told: [...now.told], roomCelsius: now.roomCelsius, ...change },
    });
  }
  protected toggleSign(sign: FitSign): void {
    const signs = this.answers().signs;
    this.setFit({ signs: signs.includes(sign) ? signs.filter((s) => s !== sign) : [...signs, sign] });
  }
  protected toggleTold(item: ToldItem): void {
    const told = this.answers().told;
    this.setFit({ told: told.includes(item) ? told.filter((t) => t !== item) : [...told, item] });
  }
  protected setFavours(leg: Leg | null): void {
    void this.store.record({ type: 'leg_favoured', body: { leg } });
  }
  protected setRoom(value: number | null): void {
    if (value !== null && value >= -10 && value <= 50) this.setFit({ roomCelsius: value });
  }

  protected setMood(mood: Mood): void {
    void this.store.record({ type: 'mood_felt', body: { mood } });
  }
  protected setBite(told: boolean): void {
    void this.store.record({ type: 'bite_told', body: { told } });
  }
  protected setJoint(joint: Joint, comfort: JointComfort): void {
    void this.store.record({ type: 'joint_felt', body: { joint, comfort } });
  }

  protected setMark(change: Partial<ReturnType<typeof this.mark>>): void {
    this.mark.update((m) => ({ ...m, ...change }));
  }
  protected async addMark(): Promise<void> {
    const zone = this.zone();
    const m = this.mark();
    const sound = (x: number): boolean => x > 0 && x <= 300;
    if (!sound(m.lengthMm) || !sound(m.widthMm)) {
      this.markError.set('Length and width in mm, above 0 to 300.');
      return;
    }
    this.markError.set('');
    if (!zone) return;
    // A mark in the same zone on an earlier visit is the same one, measured again.
    const before = this.store
      .context()
      ?.file.marks.filter((x) => x.zone === zone)
      .at(-1);
    const markId = before?.markId ?? uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    await this.store.record({ type: 'mark_felt', body: { markId, zone, ...m, isNew: before === undefined } });
  }

  protected async done(): Promise<void> {
    if (!this.store.state().feelOverDone) await this.store.record({ type: 'feel_over_done', body: {} });
    const verdict = this.store.fit()?.verdict;
    if (verdict === 'not_today' || verdict === 'ask_vet') {
      await this.store.record({ type: 'visit_ended', body: { outcome: 'not_today', why: this.verdict()?.says[0] ?? '' } });
      await this.router.navigate(['/visits', this.store.visitId(), 'hand_back']);
      return;
    }
    await this.router.navigate(['/visits', this.store.visitId(), 'agree']);
  }
}
