import { area, axisBottom, axisLeft, curveLinear, line, scaleLinear, type ScaleLinear, type Selection } from 'd3';
import { PAUSE_AT, STOP_AT, STRAIN_MAX, WATCH_AT } from '@mansuet/core/strain';
import { STRAIN_BANDS, type StrainBand } from '@mansuet/core/words';

export interface RibbonPoint {
  readonly minute: number;
  readonly strain: number;
  /** Between which points strain lies in nine of ten, where that is known. */
  readonly range90?: readonly [number, number];
}
export interface PredictedPoint extends RibbonPoint {
  readonly low: number;
  readonly high: number;
}
export interface RibbonStep {
  readonly label: string;
  readonly from: number;
  readonly to: number;
  readonly breaks: readonly { readonly from: number; readonly minutes: number }[];
}

/** Where minutes and strain lie on a drawing of some size. */
export interface RibbonScales {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly width: number;
  readonly height: number;
  readonly frame: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
  /** Height of the bars of the steps, with the gap above them; 0 without steps. */
  readonly lane: number;
}
type Drawing = Selection<SVGGElement, unknown, null, undefined>;

const EDGES: Readonly<Record<StrainBand, readonly [number, number]>> = {
  settled: [0, WATCH_AT],
  watch: [WATCH_AT, PAUSE_AT],
  pause: [PAUSE_AT, STOP_AT],
  stop: [STOP_AT, STRAIN_MAX],
};
const LANE_PX = 22;
const BAR_PX = 18;

/** @param minutes to the right end */
export function ribbonScales(width: number, height: number, minutes: number, steps: boolean): RibbonScales {
  const lane = steps ? LANE_PX : 0;
  const frame = { left: 76, right: 10, top: 6, bottom: 22 + lane };
  return {
    x: scaleLinear([0, minutes], [frame.left, width - frame.right]),
    y: scaleLinear([0, STRAIN_MAX], [height - frame.bottom, frame.top]),
    width,
    height,
    frame,
    lane,
  };
}

/** The bands with their words, and the axes. */
export function drawGround(svg: Drawing, { x, y, width, height, frame }: RibbonScales): void {
  for (const band of STRAIN_BANDS) {
    const [low, high] = EDGES[band];
    const g = svg.append('g').attr('class', `band ${band}`);
    g.append('rect')
      .attr('x', frame.left)
      .attr('width', width - frame.left - frame.right)
      .attr('y', y(high))
      .attr('height', y(low) - y(high));
    const middle = (y(low) + y(high)) / 2;
    g.append('path').attr('transform', `translate(12 ${middle})`).attr('d', GLYPHS[band]);
    g.append('text')
      .attr('x', 24)
      .attr('y', middle + 4)
      .text(band);
  }
  svg
    .append('g')
    .attr('class', 'axis')
    .attr('transform', `translate(0 ${height - frame.bottom})`)
    .call(
      axisBottom(x)
        .ticks(Math.min(10, Math.max(2, Math.floor((width - 80) / 90))))
        .tickFormat((d) => `${Number(d)} min`),
    )
    // A label that would be cut at the edge says nothing.
    .selectAll<SVGTextElement, number>('.tick text')
    .filter((d) => x(d) > width - 24)
    .remove();
  svg.append('g').attr('class', 'axis').attr('transform', `translate(${frame.left} 0)`).call(axisLeft(y).tickValues([]));
}

/** What the plan expects, with its range. */
export function drawPredicted(svg: Drawing, { x, y }: RibbonScales, points: readonly PredictedPoint[]): void {
  if (points.length < 2) return;
  const range = area<PredictedPoint>()
    .curve(curveLinear)
    .x((p) => x(p.minute))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high));
  const middle = line<PredictedPoint>()
    .x((p) => x(p.minute))
    .y((p) => y(p.strain));
  svg
    .append('path')
    .attr('class', 'range')
    .attr('d', range([...points]));
  svg
    .append('path')
    .attr('class', 'predicted')
    .attr('d', middle([...points]));
}

/** What was measured, and how sure, as outlines: whole pixels, so that one second more changes nothing that could be seen. */
export function measuredPaths(
  { x, y }: RibbonScales,
  points: readonly RibbonPoint[],
): { readonly sure: string; readonly measured: string } {
  if (points.length < 2) return { sure: '', measured: '' };
  const sure = area<RibbonPoint>()
    .digits(0)
    .x((p) => x(p.minute))
    .y0((p) => y(p.range90?.[0] ?? p.strain))
    .y1((p) => y(p.range90?.[1] ?? p.strain));
  const middle = line<RibbonPoint>()
    .digits(0)
    .x((p) => x(p.minute))
    .y((p) => y(p.strain));
  return { sure: sure([...points]) ?? '', measured: middle([...points]) ?? '' };
}

/** The bars of the steps, with the breaks between and inside them. @param pick called with the number of a step that is pointed at */
export function drawSteps(
  svg: Drawing,
  { x, height, lane }: RibbonScales,
  steps: readonly RibbonStep[],
  opened: number | undefined,
  pick: (step: number) => void,
): void {
  const top = height - lane;
  steps.forEach((step, i) => {
    for (const pause of step.breaks)
      svg
        .append('rect')
        .attr('class', 'rest')
        .attr('x', x(pause.from))
        .attr('width', Math.max(1, x(pause.from + pause.minutes) - x(pause.from)))
        .attr('y', top)
        .attr('height', BAR_PX);
    const g = svg.append('g').attr('class', opened === i ? 'step open' : 'step');
    g.on('click', () => pick(i));
    const parts = workOf(step);
    for (const [from, to] of parts)
      g.append('rect')
        .attr('x', x(from))
        .attr('width', Math.max(2, x(to) - x(from) - 1))
        .attr('y', top)
        .attr('height', BAR_PX)
        .attr('rx', 3);
    g.append('title').text(step.label);
    const [from, to] = parts.reduce((widest, p) => (p[1] - p[0] > widest[1] - widest[0] ? p : widest), [0, 0]);
    if (x(to) - x(from) > 16)
      g.append('text')
        .attr('x', (x(from) + x(to)) / 2)
        .attr('y', top + 13)
        .attr('text-anchor', 'middle')
        .text(String(i + 1));
  });
}

/** Stretches of work in a step: a break inside it parts them. */
function workOf(step: RibbonStep): (readonly [number, number])[] {
  const inside = step.breaks.filter((b) => b.from > step.from && b.from < step.to);
  const starts = [step.from, ...inside.map((b) => b.from + b.minutes)];
  return starts.map((from, i) => [from, inside[i]?.from ?? step.to] as const);
}

/** The shape of a band, beside its colour and its word. */
const GLYPHS: Readonly<Record<StrainBand, string>> = {
  settled: 'M6 0a6 6 0 1 1 -12 0a6 6 0 1 1 12 0',
  watch: 'M-6 3a6 6 0 0 1 12 0',
  pause: 'M-3 -6v12M3 -6v12',
  stop: 'M-2.5 -6h5l3.5 3.5v5l-3.5 3.5h-5l-3.5 -3.5v-5z',
};
