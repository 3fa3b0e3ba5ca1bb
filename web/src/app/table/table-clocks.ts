import { Injectable, computed, inject, untracked } from '@angular/core';
import { standingLimits } from '@mansuet/core/knowledge/dogs';
import { type HoldClock, holdClocks, pressureClock, standingClock } from '@mansuet/core/visit';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';
import { stopwatch } from '../wording/time';

/** A clock against what it may reach, in words. */
export interface ClockLine {
  readonly says: string;
  readonly over: boolean;
}

/** A hand that rests may rest for the whole visit: a clock on it says nothing. */
const LONG_SECONDS = 30 * 60;
const shortHolds = (all: readonly HoldClock[]): readonly HoldClock[] => all.filter((h) => h.capSeconds < LONG_SECONDS);

/** What runs beside the step: each hold against its cap, minutes on its feet, pressure on a wound. */
@Injectable()
export class TableClocks {
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);

  private readonly limits = computed(() => {
    this.visit.found();
    // What else changes in the visit does not change how long it can stand.
    return untracked(() => {
      const input = this.visit.planInput();
      return input && standingLimits(input.dog, this.visit.kinds(), input.feelOver, input.today);
    });
  });
  readonly holds = computed<ReadonlyMap<string, ClockLine>>(
    () =>
      new Map(
        shortHolds(holdClocks(this.visit.state(), this.clock.nowMs())).map((h) => [
          h.hold,
          { says: $localize`:@@clock.of:${stopwatch(h.seconds)}:so far: of ${stopwatch(h.capSeconds)}:at most:`, over: h.over },
        ]),
      ),
  );
  readonly standing = computed<(ClockLine & { readonly guess: boolean }) | undefined>(() => {
    const limits = this.limits();
    const stands = limits && standingClock(this.visit.state(), limits, this.clock.nowMs());
    if (!stands) return undefined;
    const [now, most] = [Math.floor(stands.minutes), Math.round(stands.limitMinutes)];
    return {
      says: $localize`:@@clock.stands:on its feet ${now}:minutes: of ${most}:minutes: min`,
      over: stands.over,
      guess: stands.known === 'guess',
    };
  });
  readonly pressure = computed(() => pressureClock(this.visit.state(), this.clock.nowMs()));
}
