import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { mirrorOf, neighboursOf, sideOf } from '@mansuet/core/knowledge/anatomy';
import { type Joint, type JointComfort, ZONE_IDS, type ZoneId } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { Choices } from '../controls/choices';
import { Slip } from '../controls/slip';
import { allPictures, type DrawnZone, flankPictures, type Look, type Picture, USUAL_LOOK } from '@mansuet/core/drawing';
import { bestViews } from './best-views';
import { drawJoint } from './joint-arc';
import { MAP_LAYERS, MAP_LAYER_LABELS, type MapLayer } from './layers';
import { Words } from '../wording/words.service';
import type { PaintedMark, ZonePaint } from './zone-paint';
import { mmOf } from '../wording/formats';

/** Smaller targets open the magnified inset, CSS pixels: fingers need more than a mouse. */
const SMALL_FOR_FINGER = 40;
const SMALL_FOR_MOUSE = 24;
/** Size that a zone has in the inset, CSS pixels. */
const INSET_TARGET = 64;
const INSET = { width: 340, height: 250 };

interface Inset {
  readonly picture: Picture;
  readonly box: string;
}

/** Where in a place the finger was. */
export interface Touch {
  readonly zone: ZoneId;
  readonly spot: readonly [number, number];
}

let instances = 0;

/**
 * The one drawing of a dog: its zones are touch targets and a labelled tree, reached by keyboard along their neighbours. It knows nothing of
 * the trade: zones, neighbours and what lies on them come from outside.
 */
@Component({
  selector: 'man-body-map',
  imports: [Choices, NgTemplateOutlet, Slip],
  templateUrl: './body-map.html',
  styleUrl: './body-map.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(click)': 'miss($event)' },
})
export class BodyMap {
  private readonly words = inject(Words);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly paint = input<ReadonlyMap<ZoneId, ZonePaint>>(new Map());
  readonly joints = input<ReadonlyMap<Joint, JointComfort>>(new Map());
  /** Ears, tail, nose and build; a usual dog while they are not known. */
  readonly look = input<Look | undefined>();
  readonly selected = input<ZoneId | undefined>();
  /** Only shown, not touched. */
  readonly still = input(false);
  /** Flanks alone, for small places. */
  readonly compact = input(false);
  /** Only the views in which what is lit is seen best. */
  readonly onLit = input(false);
  /** Arrows only go from place to place; Enter takes one. Where taking one opens something. */
  readonly walks = input(false);
  /** Beside something else on an upright tablet: the views stand below each other. */
  readonly upright = input(false);
  /** Layers that have a switch. */
  readonly layers = input<readonly MapLayer[]>([]);
  readonly picked = output<ZoneId>();
  /** Where in a place the finger was: shares of the width and height of its drawing. Not told for a place that was reached by keyboard. */
  readonly touched = output<Touch>();
  /** A touch beside every place. */
  readonly missed = output();

  protected readonly id = `map${instances++}`;
  protected readonly switches = computed(() => choicesOf(this.layers(), MAP_LAYER_LABELS));
  private readonly off = signal<ReadonlySet<MapLayer>>(new Set());
  protected readonly on = computed(() => new Set(MAP_LAYERS.filter((l) => !this.off().has(l))));
  protected readonly inset = signal<Inset | undefined>(undefined);
  protected readonly insetSize = INSET;

  private readonly views = computed<readonly Picture[]>(() => {
    const look = this.look() ?? USUAL_LOOK;
    return this.compact() ? flankPictures(look) : allPictures(look);
  });
  protected readonly pictures = computed<readonly Picture[]>(() =>
    this.onLit()
      ? bestViews(
          this.views(),
          [...this.paint()].flatMap(([zone, p]) => (p.lit ? [zone] : [])),
        )
      : this.views(),
  );
  private readonly walked = signal<ZoneId | undefined>(undefined);
  /** One zone can be reached by Tab; arrows go on from there. */
  protected readonly entry = computed(() => {
    const [selected, pictures] = [this.walked() ?? this.selected() ?? 'back', this.pictures()];
    const drawn = pictures.flatMap((p) => p.zones.map((z) => z.zone));
    return drawn.includes(selected) ? selected : drawn[0];
  });
  protected readonly drawJoint = drawJoint;

  /** Where a pin stands: at its spot, or in the middle of its place. */
  protected spotIn(zone: DrawnZone, mark: PaintedMark, turned: boolean): readonly [number, number] {
    if (!mark.spot) return zone.at;
    const [x, y, width, height] = zone.box;
    const across = turned ? 1 - mark.spot[0] : mark.spot[0];
    return [x + across * width, y + mark.spot[1] * height];
  }

  protected paintOf(zone: ZoneId): ZonePaint {
    return this.paint().get(zone) ?? {};
  }
  /** What a screen reader says of a zone. */
  protected say(zone: ZoneId): string {
    const p = this.paintOf(zone);
    return [
      this.words.labels.zone[zone],
      p.lit ? 'lit now' : '',
      p.grade ? `mat grade ${p.grade}` : '',
      p.skin && p.skin !== 'sound' ? `${p.skin} skin` : '',
      p.crust ? 'crust' : '',
      ...(p.marks ?? []).map((m) => `mark of ${mmOf(m.mm)}${m.presumed ? ', not looked for today' : ''}`),
      p.trigger ? 'sets it off' : '',
      p.strain ? `strain seen, ${p.strain} of 5` : '',
      p.risk ? `risk left: ${p.risk}` : '',
      p.number ? `step ${p.number}` : '',
      p.changed ? 'otherwise than last time' : '',
      p.felt ? 'felt' : '',
    ]
      .filter((x) => x !== '')
      .join(', ');
  }

  /** What a screen reader says of a picture that is only looked at: the places that are lit, and what lies elsewhere. */
  protected sayPicture(picture: Picture): string {
    const seen = new Set(
      picture.zones.map((z) => z.zone).filter((z) => Object.entries(this.paintOf(z)).some(([k, v]) => k !== 'felt' && v)),
    );
    const lit = [...seen].sort((a, b) => Number(this.paintOf(b).lit ?? false) - Number(this.paintOf(a).lit ?? false));
    return lit.length === 0 ? picture.name : `${picture.name}: ${lit.map((z) => this.say(z)).join('; ')}`;
  }

  protected toggle(layer: MapLayer): void {
    this.off.update((off) => {
      const next = new Set(off);
      if (!next.delete(layer)) next.add(layer);
      return next;
    });
  }

  /** A tap: small zones open the inset around the finger, the others are chosen. */
  protected tap(event: MouseEvent, zone: DrawnZone, picture: Picture): void {
    if (this.still()) return;
    const svg = event.currentTarget instanceof SVGElement ? event.currentTarget.ownerSVGElement : null;
    const scale = svg?.getScreenCTM()?.a ?? 1;
    const finger = 'pointerType' in event && event.pointerType === 'touch';
    if (zone.size * scale >= (finger ? SMALL_FOR_FINGER : SMALL_FOR_MOUSE)) return this.touch(event, zone.zone, picture);
    const zoom = Math.max(INSET_TARGET / zone.size, scale * 1.5);
    const [width, height] = [INSET.width / zoom, INSET.height / zoom];
    this.inset.set({ picture, box: `${zone.at[0] - width / 2} ${zone.at[1] - height / 2} ${width} ${height}` });
  }

  /** Beside every place: nothing is chosen, so that no neighbour is taken for it. */
  protected miss(event: MouseEvent): void {
    const at = event.target instanceof Element ? event.target : undefined;
    if (!this.still() && at?.closest('.views svg') && !at.closest('.zone')) this.missed.emit();
  }

  /** Chosen by finger or mouse: where in its place is told, too. */
  protected touch(event: MouseEvent, zone: ZoneId, picture: Picture): void {
    if (this.still()) return;
    const drawn =
      event.currentTarget instanceof SVGElement ? event.currentTarget.querySelector('.ground')?.getBoundingClientRect() : undefined;
    this.pick(zone);
    if (!drawn || drawn.width === 0 || drawn.height === 0) return;
    const share = (at: number, from: number, size: number): number => Math.min(1, Math.max(0, (at - from) / size));
    const across = share(event.clientX, drawn.left, drawn.width);
    this.touched.emit({ zone, spot: [picture.turned ? 1 - across : across, share(event.clientY, drawn.top, drawn.height)] });
  }

  protected pick(zone: ZoneId): void {
    if (this.still()) return;
    this.inset.set(undefined);
    this.picked.emit(zone);
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
    if (this.walks()) this.walk(zone, step || 1);
    else {
      this.pick(to);
      this.focusOn(to);
    }
  }

  /** To the next place that is drawn. */
  private walk(zone: ZoneId, step: number): void {
    const drawn = [...new Set(this.pictures().flatMap((p) => p.zones.map((z) => z.zone)))];
    const next = drawn[(drawn.indexOf(zone) + step + drawn.length) % drawn.length];
    if (!next) return;
    this.walked.set(next);
    this.focusOn(next);
  }
  private focusOn(zone: ZoneId): void {
    queueMicrotask(() => this.host.nativeElement.querySelector<SVGElement>(`.views [data-zone="${zone}"]`)?.focus());
  }

  /** The next zone in the order of the table, on the same side; so every zone is reached, whatever its neighbours. */
  private along(zone: ZoneId, step: 1 | -1): ZoneId | undefined {
    const side = sideOf(zone) ?? 'left';
    const line = ZONE_IDS.filter((z) => (sideOf(z) ?? side) === side);
    return line[(line.indexOf(zone) + step + line.length) % line.length];
  }
}
