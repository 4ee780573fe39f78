import { flightsOf, metsOf, once, planOf, type RungDocument, type Sport } from '@good-arc/core';

/** Places that lie farther apart across the court than this are shown from above, m. */
const APART_M = 0.8;
const GAP_PX = 6;

interface Segment {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** A small drawing of a rung, px: its flights from the side; beside them the court from above, where its balls go to several places. */
export interface Thumb {
  width: number;
  height: number;
  ground: Segment;
  net: Segment | null;
  /** Points of each flight, as a polyline takes them. */
  arcs: string[];
  above: { court: { x: number; y: number; width: number; height: number }; net: Segment | null; ways: Segment[] } | null;
}

/** To the tenth of a pixel: a list of rungs carries hundreds of these. */
const tenth = (px: number): number => Math.round(px * 10) / 10;
const segment = (x1: number, y1: number, x2: number, y2: number): Segment => ({
  x1: tenth(x1),
  y1: tenth(y1),
  x2: tenth(x2),
  y2: tenth(y2),
});

/** What was drawn of a document: lists draw the same rungs again and again, and no document is ever changed in place. */
const drawingsOf = once((_: RungDocument) => new Map<string, Thumb>());

const sizeOf = (sport: Sport, width: number, height: number): string => `${sport} ${width}×${height}`;

/** Draws a rung so small that its flights fit. */
export function thumbOf(document: RungDocument, sport: Sport, width = 132, height = 46): Thumb {
  const known = drawingsOf(document).get(sizeOf(sport, width, height));
  if (known) return known;
  const thumb = Object.freeze(draw(document, sport, width, height));
  drawnElsewhere(document, sport, thumb);
  return thumb;
}

/** A drawing that came along with its rung: to take over what the server drew a phone need not fly its balls again. */
export function drawnElsewhere(document: RungDocument, sport: Sport, thumb: Thumb): void {
  drawingsOf(document).set(sizeOf(sport, thumb.width, thumb.height), thumb);
}

function draw(document: RungDocument, sport: Sport, width: number, height: number): Thumb {
  const plan = planOf({ sport, target: document.feeds[0]!.target });
  const { view, net } = plan;
  const thrown = flightsOf(document);
  const places = document.feeds.filter(({ on }) => on).flatMap((feed) => metsOf(document, feed).map((met) => ({ from: feed.launch, met })));
  const across = places.map(({ met }) => met.x);
  const isSeveral = Math.max(...across) - Math.min(...across) > APART_M;
  const side = isSeveral ? width - Math.round(height * 0.9) - GAP_PX : width;
  const perM = side / (view.y2 - view.y1);
  const highest = Math.max(1.6, ...thrown.flatMap(({ flight }) => flight.path.map(([, , , z]) => z)));
  const perUp = Math.min(perM * 2.2, (height - 6) / highest);
  const along = (y: number): number => (plan.nearOnLeft ? y - view.y1 : view.y2 - y) * perM;
  const floor = height - 2;
  return {
    width,
    height,
    ground: segment(0, floor, side, floor),
    net: net && segment(along(0), floor, along(0), floor - net.centreHeightM * perUp),
    arcs: thrown.map(({ flight }) => flight.path.map(([, , y, z]) => `${tenth(along(y))},${tenth(floor - z * perUp)}`).join(' ')),
    above: isSeveral ? fromAbove(plan, places, side + GAP_PX, width - side - GAP_PX, height) : null,
  };
}

/** The court from above, the machine at the top and the player's side below: a line to each place. */
function fromAbove(
  { view, inPlay, net }: ReturnType<typeof planOf>,
  places: readonly { from: { x: number; y: number }; met: { x: number; y: number } }[],
  x: number,
  width: number,
  height: number,
): Thumb['above'] {
  const down = (y: number): number => ((view.y2 - y) / (view.y2 - view.y1)) * (height - 2) + 1;
  const over = (at: number): number => x + width / 2 + (at / (inPlay.x2 - inPlay.x1)) * (width - 8);
  return {
    court: {
      x: tenth(over(inPlay.x1)),
      y: tenth(down(inPlay.y2)),
      width: tenth(over(inPlay.x2) - over(inPlay.x1)),
      height: tenth(down(inPlay.y1) - down(inPlay.y2)),
    },
    net: net && segment(over(inPlay.x1) - 2, down(0), over(inPlay.x2) + 2, down(0)),
    ways: places.map(({ from, met }) => segment(over(from.x), down(from.y), over(met.x), down(met.y))),
  };
}
