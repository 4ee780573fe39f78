import { LEVEL_NEEDS } from '../catalog/index.ts';
import { firstTargetAt, isToFielders, landingZone, type RungDocument, targetFrom } from '../drill/index.ts';
import { firstTargetFor, type Need } from '../progress/index.ts';
import type { Arrangement } from './arrange.ts';
import { heldOf } from './held.ts';
import type { Setup } from './setup-schema.ts';
import { conditionsOf } from './throw.ts';

/** What a rung adds to a set-up. */
export interface RungChoices {
  name: string;
  focalPoint: string;
  ballsPerRound: number;
  rounds: number;
  gate: Need;
}

/**
 * A solved set-up as a rung; null while it cannot be thrown.
 * @param edited the rung it came from and which of its feeds is on the bench: the other feeds, their order and all the rest are kept
 */
export function rungFromSetup(
  setup: Setup,
  { thrown, stroke }: Arrangement,
  choices: RungChoices,
  edited: { document: RungDocument; feed: number } | null = null,
): RungDocument | null {
  if (!thrown) return null;
  const { name, focalPoint, ballsPerRound, rounds, gate } = choices;
  const { target, gameBallId, hold, arc } = setup;
  const own = { launch: thrown.launch, target, gameBallId, stroke, hold, arc, ...(setup.contact && { contact: setup.contact }) };
  const feeds = edited?.document.feeds.map((feed, i) => (i === edited.feed ? { ...feed, ...own } : feed)) ?? [
    { id: 'b1', name, ...own, on: true, cue: '' },
  ];
  const made: RungDocument = {
    name,
    focalPoint,
    ballsPerRound,
    rounds,
    gate,
    courtId: setup.courtId,
    machineId: setup.machineId,
    ballId: setup.ballId,
    ...(setup.dragShare !== undefined && { dragShare: setup.dragShare }),
    surfaceId: setup.surfaceId,
    level: setup.level,
    weather: setup.weather,
    feeds,
    order: { kind: 'fixed' },
    intervalS: setup.intervalS,
    player: { start: setup.player, recover: null },
    ...(edited ? targetFrom(edited.document) : firstTarget(setup)),
    landingZone: setup.landingZone,
    ...(setup.batterHeightM !== undefined && { batterHeightM: setup.batterHeightM }),
    shadowSwings: 0,
  };
  if (!edited) return made;
  const { order, shadowSwings, player, seed, sweep, ritual, absent, hitters } = edited.document;
  return {
    ...made,
    order,
    shadowSwings,
    player: { start: edited.document.feeds[edited.feed]?.meet ? player.start : setup.player, recover: player.recover },
    ...(seed !== undefined && { seed }),
    ...(sweep && { sweep }),
    ...(ritual && { ritual }),
    ...(absent && { absent }),
    ...(hitters !== undefined && { hitters }),
  };
}

/** A first target of the level; what is thrown to fielders is taken, not hit to a place. */
function firstTarget({ sport, level, target, player, from, ceilingM }: Setup): Pick<RungDocument, 'targetSize' | 'targetAt'> {
  const sizeFrom = (distanceM: number) => firstTargetFor(LEVEL_NEEDS[level].scatter, distanceM);
  const first = firstTargetAt(sport, level, [{ met: player, machine: from }], sizeFrom, { caged: ceilingM !== undefined });
  return isToFielders(sport, target) ? { targetSize: first.targetSize } : first;
}

/**
 * The set-up that a feed of a rung came from, holding what was held, so that the bench can go on from it.
 * @param court the rung's own: its ceiling is that of today
 */
export function setupFromRung(
  document: RungDocument,
  { sport, ceilingM = null }: { sport: Setup['sport']; ceilingM?: number | null },
  index = 0,
): Setup {
  const feed = document.feeds[index] ?? document.feeds[0]!;
  const { launch, target, gameBallId, meet, machineId, contact } = feed;
  const { x, y, z, topspinRpm, sidespinRpm } = launch;
  return {
    sport,
    courtId: document.courtId,
    machineId: machineId ?? document.machineId,
    surfaceId: document.surfaceId,
    ballId: document.ballId,
    ...(document.dragShare !== undefined && { dragShare: document.dragShare }),
    level: document.level,
    weather: document.weather,
    from: { x, y, z },
    target,
    landingZone: document.landingZone ?? landingZone(sport, target.kind),
    ...heldOf(feed, conditionsOf(document), sport),
    topspinRpm,
    sidespinRpm,
    ...(contact && { contact }),
    player: meet ?? document.player.start,
    gameBallId: gameBallId ?? '',
    intervalS: document.intervalS,
    ...(ceilingM !== null && { ceilingM }),
    ...(document.batterHeightM !== undefined && { batterHeightM: document.batterHeightM }),
  };
}
