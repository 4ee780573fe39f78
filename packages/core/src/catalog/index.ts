export { BALLS, ballById } from './balls.ts';
export {
  type BodyPart,
  bodyBands,
  bodyPart,
  CONTACTS,
  type Contact,
  type ContactVerdict,
  type ContactWord,
  contactBand,
  contactOf,
  judgeContact,
} from './contact.ts';
export { netHeightAt } from './court.ts';
export { gameBallId } from './game-ball.ts';
export {
  armOf,
  firstGameBall,
  GAME_BOOK,
  GAME_BOOK_SOURCE,
  gameBallById,
  gameBallLabel,
  gameBallSource,
  isSoft,
  ownFrom,
} from './game-book.ts';
export { ballIdSchema, surfaceIdSchema } from './ids.ts';
export { LEVEL_NEEDS, type LevelNeeds, type Scatter } from './levels.ts';
export { firstDials, MACHINE_KINDS } from './machines/index.ts';
export { type OwnGameBall, ownGameBallSchema } from './own-game-ball.ts';
export type {
  AgeBand,
  ArmSlot,
  Ball,
  Bats,
  CourtLine,
  CourtPlan,
  DiamondPlay,
  FieldingBall,
  FieldPosition,
  GameBall,
  Hand,
  LadderPlace,
  Net,
  NetPlay,
  PitchGameBall,
  Reference,
  SportRecord,
  Surface,
  TargetPlaceId,
  ZoneRule,
} from './record.ts';
export { TARGET_PLACE_IDS } from './record.ts';
export { diamondOf, handOn, netBetween, netPlayOf } from './sport.ts';
export { ARM_SIDE_M, armSide, MIDDLE_OF_ZONE_M, PLATE, strikeZone, USUAL_HEIGHT_M } from './sports/diamond/field.ts';
export { ROLL_SOURCE } from './sports/diamond/surfaces.ts';
export { SPORT_RECORDS, SPORTS, type Sport } from './sports/index.ts';
export { courtPaceRating, groundOf, SURFACES, surfaceById } from './surfaces.ts';
export { LEVELS, type Level, type Sourced, STROKES, type Stroke } from './types.ts';
