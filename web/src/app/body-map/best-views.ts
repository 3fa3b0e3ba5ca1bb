import type { ZoneId } from '@mansuet/core/words';
import type { Picture } from '@mansuet/core/drawing';

/** Both sides of the dog: what is shown while nothing is lit. */
const FLANKS = 2;
/** A view that shows it at least so large beside the best one will do, share: one view fewer is worth it. */
const GOOD_ENOUGH = 0.75;

/**
 * The fewest views that show every one of some places about as large as it can be shown, in their usual order.
 * @param pictures all views of the dog, both flanks first
 * @param lit places that are worked on; one that is drawn nowhere is left out
 */
export function bestViews(pictures: readonly Picture[], lit: readonly ZoneId[]): readonly Picture[] {
  const largeIn = (p: Picture, zone: ZoneId): number =>
    Math.max(0, ...p.zones.flatMap((z) => (z.zone === zone ? [z.size / Math.max(p.width, p.height)] : [])));
  const shows = new Map(
    pictures.map((p) => [
      p,
      lit.filter((zone) => {
        const best = Math.max(...pictures.map((other) => largeIn(other, zone)));
        return best > 0 && largeIn(p, zone) >= best * GOOD_ENOUGH;
      }),
    ]),
  );
  const open = new Set([...shows.values()].flat());
  const chosen = new Set<Picture>();
  while (open.size > 0) {
    const gain = (p: Picture): number => (shows.get(p) ?? []).filter((zone) => open.has(zone)).length;
    const next = pictures.reduce((a, b) => (gain(b) > gain(a) ? b : a));
    for (const zone of shows.get(next) ?? []) open.delete(zone);
    chosen.add(next);
  }
  return chosen.size === 0 ? pictures.slice(0, FLANKS) : pictures.filter((p) => chosen.has(p));
}
