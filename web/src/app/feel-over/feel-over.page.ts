import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { changedZones, FEEL_AREA_FACTS } from '@mansuet/core/findings';
import { zonesOfGroup } from '@mansuet/core/knowledge/anatomy';
import { FEEL_AREAS, type Joint, type JointComfort, JOINTS, type ZoneId } from '@mansuet/core/words';
import { BodyMap, type Touch } from '../body-map/body-map';
import { addPaint, paintFound, type ZonePaint } from '../body-map/zone-paint';
import type { MapLayer } from '../body-map/layers';
import { type Tab, TabPanel, Tabs } from '../controls/tabs';
import { StandIns } from '../devices/stand-ins';
import type { VisitEvent } from '@mansuet/core/log';
import { openMirrors, mindedPlaces, presumedMarks } from '@mansuet/core/visit';
import { sayEvent } from '../visit/say-event';
import { VisitStore } from '../visit/visit-store';
import { Growing } from './growing';
import { HandsGuide } from './hands-guide';
import { JointsPanel } from './joints-panel';
import { TodayPanel } from './today-panel';
import { ZonePanel } from './zone-panel';
import { Words } from '../wording/words.service';

type FeltTab = 'fit' | 'hands' | 'zone' | 'joints';
const TABS: readonly Tab<FeltTab>[] = [
  { id: 'fit', label: 'Fit and mood' },
  { id: 'hands', label: 'Hands' },
  { id: 'zone', label: 'Zone' },
  { id: 'joints', label: 'Joints' },
];

/** Feel over: hands nose to tail before any tool. Each tap is an event; the plan follows from them. */
@Component({
  selector: 'man-feel-over',
  imports: [BodyMap, Growing, HandsGuide, JointsPanel, StandIns, TabPanel, Tabs, TodayPanel, ZonePanel],
  templateUrl: './feel-over.page.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeelOverPage {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  protected readonly undoes = (event: VisitEvent): string => sayEvent(this.words, event);
  protected readonly store = inject(VisitStore);

  protected readonly tabs = TABS;
  private readonly chosenTab = signal<FeltTab | undefined>(undefined);
  private readonly mayGo = computed(() => ['go', 'go_with_limits'].includes(this.store.fit()?.verdict ?? ''));
  /** Until somebody chooses, what is asked first is shown first. */
  protected readonly tab = computed<FeltTab>(() => this.chosenTab() ?? (this.ready() && this.mayGo() ? 'hands' : 'fit'));
  protected readonly zone = signal<ZoneId | undefined>(undefined);
  protected readonly touch = signal<Touch | undefined>(undefined);
  protected readonly layers: readonly MapLayer[] = ['mats', 'marks', 'joints', 'triggers'];

  private readonly feelOver = computed(() => this.store.state().feelOver);
  protected readonly verdict = computed(() => {
    const fit = this.store.fit();
    return fit && { verdict: fit.verdict, says: fit.reasons.map(this.words.say) };
  });
  protected readonly joints = computed<ReadonlyMap<Joint, JointComfort>>(() => {
    const felt = this.store.state().areasFelt.has('joints');
    const f = this.feelOver();
    return new Map(JOINTS.flatMap((j) => (f.joints[j] ? [[j, f.joints[j]] as const] : felt ? [[j, 'free' as const] as const] : [])));
  });
  protected readonly paint = computed<ReadonlyMap<ZoneId, ZonePaint>>(() => {
    const found = this.feelOver();
    const map = new Map<ZoneId, ZonePaint>();
    const set = (zone: ZoneId, paint: ZonePaint): void => addPaint(map, zone, paint);
    const areas = this.store.state().areasFelt;
    for (const area of areas.keys()) for (const zone of FEEL_AREA_FACTS[area].zones) set(zone, { felt: true });
    for (const t of this.store.dog()?.triggers ?? []) if (t.place) for (const zone of zonesOfGroup(t.place)) set(zone, { trigger: true });
    // What was left undone shows until a hand has been there.
    for (const { finding: z } of this.store.leftBefore()) set(z.zone, { grade: z.matGrade, crust: z.crust });
    // Marks that are known lie there until somebody looks.
    const marks = [...found.marks, ...presumedMarks(this.store.planContext()?.knownMarks ?? [], this.store.state())];
    for (const [zone, paint] of paintFound({ ...found, marks })) set(zone, paint);
    for (const zone of mindedPlaces(this.store.state(), this.store.planContext()?.resented ?? [])) set(zone, { trigger: true });
    for (const z of found.zones) set(z.zone, { felt: true });
    const last = this.store.context()?.lastFound ?? undefined;
    for (const zone of changedZones(found, new Set(areas.keys()), last)) set(zone, { changed: true });
    return map;
  });
  protected readonly ready = computed(() => this.store.state().fit !== undefined && this.store.state().moodFelt);
  protected readonly says = computed(() => {
    if (!this.ready()) return 'Answer what is seen today, and how it is on the table.';
    const mirrors = openMirrors(this.store.state());
    if (mirrors.length > 0)
      return `Matted on one side: feel the other, too (${this.words.list(mirrors.map((z) => this.words.labels.zone[z]))}).`;
    const felt = this.store.state().areasFelt.size;
    return felt < FEEL_AREAS.length
      ? `${felt} of ${FEEL_AREAS.length} stretches felt. Go on in the order of the hands, or as the dog lets you.`
      : 'Both sides, folds and feet are felt.';
  });

  /** What is asked first is answered: on to the dog. */
  protected toHands(): void {
    if (this.mayGo()) this.chosenTab.set('hands');
  }
  protected show(tab: FeltTab): void {
    this.chosenTab.set(tab);
  }

  protected pick(zone: ZoneId): void {
    this.zone.set(zone);
    this.chosenTab.set('zone');
  }

  protected async done(): Promise<void> {
    if (!this.store.state().feelOverDone) await this.store.record({ type: 'feel_over_done', body: {} });
    const verdict = this.verdict();
    if (verdict?.verdict === 'not_today' || verdict?.verdict === 'ask_vet') {
      await this.store.record({ type: 'visit_ended', body: { outcome: 'not_today', why: verdict.says[0] ?? '' } });
      await this.router.navigate(['/visits', this.store.visitId(), 'hand_back']);
      return;
    }
    await this.router.navigate(['/visits', this.store.visitId(), 'agree']);
  }
}
