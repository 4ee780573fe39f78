import { releaseOf } from '../aim/index.ts';
import { type ArmSlot, armOf, GAME_BOOK, type Hand, MIDDLE_OF_ZONE_M, type PitchGameBall, PLATE } from '../catalog/index.ts';
import { armAt } from './game.ts';
import type { Setup } from './setup-schema.ts';

/** A machine as near as this to a slot stands in it, m. */
const IN_SLOT_M = 0.05;
/** Nothing leaves lower, m. */
const LOWEST_M = 0.1;

/**
 * Where a machine stands in an arm's slot: the distance it has, on the line from where the pitcher lets go to the middle of the zone, so that its
 * ball comes out of the same place in the hitter's eye.
 */
function spotIn({ from }: Pick<Setup, 'from'>, game: PitchGameBall, hand: Hand, slot: ArmSlot): Setup['from'] {
  const release = releaseOf({ ...game, hand }, hand, slot);
  const share = (from.y - PLATE.frontY_m) / (release.y - PLATE.frontY_m);
  const z = MIDDLE_OF_ZONE_M + (release.z - MIDDLE_OF_ZONE_M) * share;
  return { x: release.x * share, y: from.y, z: Math.max(LOWEST_M, z) };
}

/** Whether a machine stands in that slot. */
export function standsInSlot(setup: Pick<Setup, 'from'>, game: PitchGameBall, hand: Hand, slot: ArmSlot): boolean {
  const spot = spotIn(setup, game, hand, slot);
  return Math.hypot(setup.from.x - spot.x, setup.from.z - spot.z) < IN_SLOT_M;
}

/** The pitch of the other arm that goes by the same name; undefined where the book has none. */
const mirrorOf = (game: PitchGameBall, hand: Hand): PitchGameBall | undefined =>
  GAME_BOOK.filter((each) => each.kind === 'pitch').find(
    (each) => each.sport === game.sport && each.name === game.name && each.band === game.band && armOf(each) === hand,
  );

/**
 * What changes when a machine is placed in an arm's slot. For the other arm a ball that bends is mirrored, the game's and the machine's own.
 * @param game the game ball it stands in for
 */
export function inSlot(setup: Setup, game: PitchGameBall, hand: Hand, slot: ArmSlot): Pick<Setup, 'from' | 'sidespinRpm' | 'gameBallId'> {
  const mirrored = armOf(game) !== null && armOf(game) !== hand ? mirrorOf(game, hand) : undefined;
  return {
    from: spotIn(setup, mirrored ?? game, hand, slot),
    sidespinRpm: (armAt(setup.from) === hand ? 1 : -1) * setup.sidespinRpm || 0,
    gameBallId: setup.gameBallId === game.id && mirrored ? mirrored.id : setup.gameBallId,
  };
}
