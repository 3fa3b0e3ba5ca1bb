import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { area, line, scaleLinear } from 'd3';
import type { DogFile, PastVisit } from '@mansuet/core/contract';
import { ageInWords, CONDITION_LABELS } from '@mansuet/core/dogs';
import { zoneLabel } from '@mansuet/core/anatomy';
import { learnHalfLife, noiseOrPlace, suspectTriggers } from '@mansuet/core/learning';
import { adviseMark, READING_ERROR_MM } from '@mansuet/core/marks';
import { sayReason } from '@mansuet/core/reasons';
import { HOLDS } from '@mansuet/core/holds';
import { INCIDENTS } from '@mansuet/core/incidents';
import { ACTIVITY_FACTS, type ActivityHistory } from '@mansuet/core/plan';
import { breaksSeenIn, historyOf } from '@mansuet/core/visit';
import { dayInWords } from '../wording/time';

interface Strip {
  readonly visit: PastVisit;
  readonly curve: string;
  readonly fill: string;
  readonly when: string;
}

/** What is known of a dog: facts, what works, what to avoid, marks, past visits. */
@Component({
  selector: 'man-dog-file-view',
  imports: [RouterLink],
  templateUrl: './dog-file-view.html',
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DogFileView {
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  protected readonly opened = signal<string | undefined>(undefined);
  protected readonly holds = HOLDS;
  protected readonly incidents = INCIDENTS;
  protected readonly activities = ACTIVITY_FACTS;
  protected readonly zone = zoneLabel;
  protected readonly round = Math.round;

  protected readonly facts = computed(() => {
    const d = this.file().dog;
    return [
      ['Age', `${ageInWords(d.born, this.today())}${d.bornEstimated ? ' (estimate)' : ''}`],
      ['Weight', `${d.weightKg} kg, ${d.build} build`],
      ['Sex', `${d.sex}${d.neutered ? ', neutered' : ''}`],
      ['Coat', d.coat],
      ['Head', `${d.nose} nose, ${d.ears} ears`],
      ['Health, as told', d.conditions.map((c) => CONDITION_LABELS[c]).join(', ') || 'nothing told'],
      ['Sets it off', d.triggers.map((t) => (t.place ? `${t.cause} (${t.place})` : t.cause)).join(', ') || 'nothing known'],
      ['Bite history', d.biteHistory ? 'has bitten while handled' : 'none told'],
      ['Stands well for', d.standingSeenMinutes === null ? 'not timed yet' : `${d.standingSeenMinutes} min, seen`],
      ['Treats', d.treatsAllowed ? 'allowed' : 'not allowed'],
    ] as const;
  });
  protected readonly works = computed(() => this.file().notes.filter((n) => n.kind === 'works'));
  protected readonly avoid = computed(() => this.file().notes.filter((n) => n.kind !== 'works'));

  /** Strain points per minute, by kind of work, where it is hardest first. */
  private readonly seen = computed(() => historyOf(this.file().visits.map((v) => v.summary)));
  /** Tool, place and posture that stand out from the rest of this dog, and whether it is the tool or the place. */
  protected readonly suspects = computed(() =>
    suspectTriggers(this.seen())
      .slice(0, 3)
      .map((t) => ({
        what: `${t.tool.replace('_', ' ')}, ${t.group}, ${t.posture.replace('_', ' ')}`,
        percent: Math.min(99, Math.round(100 * t.chance)),
        minutes: Math.round(t.minutes),
        says: noiseOrPlace(t.tool, t.group, this.seen()).reasons.map(sayReason).join(' '),
      })),
  );
  protected readonly recovery = computed(() =>
    learnHalfLife(breaksSeenIn(this.file().visits.map((v) => v.summary)))
      .reasons.map(sayReason)
      .join(' '),
  );
  protected readonly learned = computed(() =>
    byActivity(this.seen())
      .filter((h) => h.minutes >= 3)
      .map((h) => ({
        label: ACTIVITY_FACTS[h.activity].label,
        rate: h.points / h.minutes,
        minutes: Math.round(h.minutes),
        points: Math.round(h.points),
      }))
      .sort((a, b) => b.rate - a.rate)
      .slice(0, 4),
  );

  protected readonly strips = computed<readonly Strip[]>(() =>
    this.file()
      .visits.slice(0, 8)
      .map((visit) => {
        const points = visit.summary.curve;
        const x = scaleLinear([0, Math.max(30, visit.summary.minutes)], [0, 148]);
        const y = scaleLinear([0, 100], [40, 1]);
        return {
          visit,
          curve:
            line<(typeof points)[number]>()
              .x((p) => x(p.minute))
              .y((p) => y(p.strain))([...points]) ?? '',
          fill:
            area<(typeof points)[number]>()
              .x((p) => x(p.minute))
              .y0(40)
              .y1((p) => y(p.strain))([...points]) ?? '',
          when: dayInWords(visit.arrivesAt.slice(0, 10), this.today()),
        };
      }),
  );

  /** Each mark with its first and its last measure. */
  protected readonly marks = computed(() => {
    const byId = new Map<string, DogFile['marks']>();
    for (const m of this.file().marks) byId.set(m.markId, [...(byId.get(m.markId) ?? []), m]);
    return [...byId.values()].flatMap((seen) => {
      const first = seen[0];
      const last = seen[seen.length - 1];
      if (!first || !last) return [];
      const advice = adviseMark({
        zone: last.zone,
        seenByVet: false,
        seen: seen.map((m) => ({ on: m.seenOn, lengthMm: m.lengthMm, widthMm: m.widthMm, border: m.border, surface: m.surface })),
      });
      const doubles = advice.growth.areaDoublingDays;
      return [
        {
          first,
          last,
          times: seen.length,
          areaMm2: Math.round(advice.growth.areaMm2),
          doubles:
            doubles !== undefined && doubles > 0 && Number.isFinite(doubles) && grewVisibly(first, last) ? Math.round(doubles) : undefined,
          verdict: advice.verdict,
          says: advice.reasons.map(sayReason),
        },
      ];
    });
  });

  protected open(id: string): void {
    this.opened.update((o) => (o === id ? undefined : id));
  }
}

/** More than two people's readings differ. */
const grewVisibly = (a: { lengthMm: number; widthMm: number }, b: { lengthMm: number; widthMm: number }): boolean =>
  b.lengthMm - a.lengthMm > READING_ERROR_MM || b.widthMm - a.widthMm > READING_ERROR_MM;

/** Minutes and points of each activity, whatever the posture. */
function byActivity(seen: readonly ActivityHistory[]): Pick<ActivityHistory, 'activity' | 'minutes' | 'points'>[] {
  const activities = [...new Set(seen.map((s) => s.activity))];
  return activities.map((activity) => {
    const own = seen.filter((s) => s.activity === activity);
    return {
      activity,
      minutes: own.reduce((sum, s) => sum + s.minutes, 0),
      points: own.reduce((sum, s) => sum + s.points, 0),
    };
  });
}
