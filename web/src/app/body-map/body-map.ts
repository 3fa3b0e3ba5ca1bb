import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output } from '@angular/core';
import { curveCatmullRomClosed, line } from 'd3';
import { ZONE_IDS, mirrorOf, neighboursOf, sideOf, zoneLabel, type Side, type ZoneId, type ZonePart } from '@mansuet/core/anatomy';
import type { MatGrade } from '@mansuet/core/coat';
import { FLANK, HEAD, HEAD_PAIRED, PAW_NAILS, PAW_OUTLINE, PAW_PADS, UNDERSIDE, UNDERSIDE_PAIRED, type Shape } from './drawing';

/** What lies on a zone; the map only draws it. */
export interface ZonePaint {
  readonly grade?: MatGrade | undefined;
  readonly skin?: 'sound' | 'red' | 'sore' | undefined;
  readonly crust?: boolean | undefined;
  /** Diameter of a mark, mm. */
  readonly markMm?: number | undefined;
  /** Number of the step in the plan. */
  readonly number?: number | undefined;
  readonly lit?: boolean | undefined;
  readonly trigger?: boolean | undefined;
}

interface Drawn {
  readonly zone: ZoneId;
  readonly d: string;
  readonly at: readonly [number, number];
  readonly label: string;
  readonly paint: ZonePaint;
}
interface Picture {
  readonly name: string;
  readonly box: string;
  readonly far: readonly string[];
  readonly body: readonly string[];
  readonly zones: readonly Drawn[];
  readonly lines: readonly string[];
}

const smooth = line<readonly [number, number]>().curve(curveCatmullRomClosed.alpha(0.6));

/** The one drawing of a dog: its zones are touch targets, told apart by name, reached by keyboard along their neighbours. */
@Component({
  selector: 'man-body-map',
  templateUrl: './body-map.html',
  styleUrl: './body-map.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BodyMap {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly paint = input<ReadonlyMap<ZoneId, ZonePaint>>(new Map());
  readonly selected = input<ZoneId | undefined>();
  /** Only shown, not touched. */
  readonly still = input(false);
  /** Flanks alone, for small places. */
  readonly compact = input(false);
  readonly picked = output<ZoneId>();

  protected readonly pictures = computed<readonly Picture[]>(() => {
    const paint = this.paint();
    const flank = (side: Side): Picture =>
      this.picture(`${side} flank`, FLANK.box, FLANK.outlines, FLANK.shapes, paint, side, side === 'right');
    if (this.compact()) return [flank('left'), flank('right')];
    const underside = this.withPairs('underside', UNDERSIDE, UNDERSIDE_PAIRED, paint);
    const head = this.withPairs('head', HEAD, HEAD_PAIRED, paint);
    return [flank('left'), flank('right'), underside, head, this.paws('fore', paint), this.paws('hind', paint)];
  });
  /** One zone can be reached by Tab; arrows go on from there. */
  protected readonly entry = computed(() => this.selected() ?? 'back');

  protected pick(zone: ZoneId): void {
    if (!this.still()) this.picked.emit(zone);
  }

  /** Arrow keys go to neighbours, M to the mirrored zone. */
  protected key(event: KeyboardEvent, zone: ZoneId): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.pick(zone);
      return;
    }
    const near = neighboursOf(zone);
    const step =
      event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowLeft' || event.key === 'ArrowUp' ? -1 : 0;
    const to = event.key.toLowerCase() === 'm' ? mirrorOf(zone) : step === 0 ? undefined : (this.along(zone, step) ?? near[0]);
    if (!to) return;
    event.preventDefault();
    this.pick(to);
    queueMicrotask(() => this.host.nativeElement.querySelector<SVGElement>(`[data-zone="${to}"]`)?.focus());
  }

  /** The next zone in the order of the table, on the same side; so every zone is reached, whatever its neighbours. */
  private along(zone: ZoneId, step: 1 | -1): ZoneId | undefined {
    const side = sideOf(zone) ?? 'left';
    const line = ZONE_IDS.filter((z) => (sideOf(z) ?? side) === side);
    return line[(line.indexOf(zone) + step + line.length) % line.length];
  }

  private picture(
    name: string,
    box: readonly [number, number],
    outlines: typeof FLANK.outlines,
    shapes: readonly Shape[],
    paint: ReadonlyMap<ZoneId, ZonePaint>,
    side: Side,
    mirrored: boolean,
  ): Picture {
    const flip = (points: readonly (readonly [number, number])[]): readonly (readonly [number, number])[] =>
      mirrored ? points.map(([x, y]) => [box[0] - x, y] as const) : points;
    return {
      name,
      box: `0 0 ${box[0]} ${box[1]}`,
      far: outlines.filter((o) => o.tone === 'far').map((o) => smooth(flip(o.points)) ?? ''),
      body: outlines.filter((o) => o.tone === 'body').map((o) => smooth(flip(o.points)) ?? ''),
      lines: [],
      zones: shapes.flatMap((shape) => {
        const zone = zoneOf(shape.part, side);
        return zone ? [this.drawn(shape, zone, paint, flip, mirrored ? box[0] : undefined)] : [];
      }),
    };
  }

  private withPairs(name: string, view: typeof HEAD, pairs: readonly Shape[], paint: ReadonlyMap<ZoneId, ZonePaint>): Picture {
    const middle = this.picture(name, view.box, view.outlines, view.shapes, paint, 'left', false);
    const left = this.picture(name, view.box, [], pairs, paint, 'left', false);
    const right = this.picture(name, view.box, [], pairs, paint, 'right', true);
    return { ...middle, zones: [...middle.zones, ...left.zones, ...right.zones] };
  }

  private paws(which: 'fore' | 'hind', paint: ReadonlyMap<ZoneId, ZonePaint>): Picture {
    const at = (points: readonly (readonly [number, number])[], x: number): readonly (readonly [number, number])[] =>
      points.map(([a, b]) => [a + x, b + 4] as const);
    // From below, the dog's left is on the right of the picture.
    const paw = (side: Side, x: number): Drawn => {
      const zone: ZoneId = `${which}_paw_${side}`;
      return { zone, d: smooth(at(PAW_OUTLINE, x)) ?? '', at: [x + 50, 58], label: zoneLabel(zone), paint: paint.get(zone) ?? {} };
    };
    const nails = (side: Side, x: number): Drawn => {
      const zone: ZoneId = `${which}_nails_${side}`;
      return { zone, d: smooth(at(PAW_NAILS, x)) ?? '', at: [x + 50, 8], label: zoneLabel(zone), paint: paint.get(zone) ?? {} };
    };
    return {
      name: `${which} paws from below`,
      box: '0 0 216 112',
      far: [],
      body: [],
      zones: [paw('right', 4), paw('left', 112), nails('right', 4), nails('left', 112)],
      lines: [4, 112].flatMap((x) => PAW_PADS.map((pad) => smooth(at(pad, x)) ?? '')),
    };
  }

  private drawn(
    shape: Shape,
    zone: ZoneId,
    paint: ReadonlyMap<ZoneId, ZonePaint>,
    flip: (p: readonly (readonly [number, number])[]) => readonly (readonly [number, number])[],
    width: number | undefined,
  ): Drawn {
    const base = { zone, label: zoneLabel(zone), paint: paint.get(zone) ?? {} };
    if (shape.circle) {
      const [x0, y, r] = shape.circle;
      const x = width === undefined ? x0 : width - x0;
      return { ...base, d: `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`, at: [x, y] };
    }
    const points = flip(shape.points ?? []);
    const mean = (i: 0 | 1): number => points.reduce((sum, p) => sum + p[i], 0) / Math.max(1, points.length);
    return { ...base, d: smooth(points) ?? '', at: [mean(0), mean(1)] };
  }
}

function zoneOf(part: ZonePart, side: Side): ZoneId | undefined {
  return ZONE_IDS.find((z) => z === part) ?? ZONE_IDS.find((z) => z === `${part}_${side}`);
}
