export { type AeroLaw, BALLS, type Ball, ballById, coefficients } from './ball.ts';
export { AGE_BANDS, type AgeBand } from './band.ts';
export {
  COURT_PLANS,
  type CourtLine,
  type CourtPlan,
  FIELD_PLAN,
  MIDDLE_OF_ZONE_M,
  type Net,
  netBetween,
  netHeightAt,
  PITCHERS_PLATE_Y_M,
  PLATE,
  type Reference,
  strikeZone,
} from './court.ts';
export {
  GAME_BOOK,
  GAME_BOOK_SOURCE,
  type GameBall,
  gameBallById,
  gameBallLabel,
  type OwnGameBall,
  ownGameBallSchema,
} from './gamebook.ts';
export { ballIdSchema, surfaceIdSchema } from './ids.ts';
export { LEVEL_NEEDS, type LevelNeeds, STROKES, type Stroke } from './level.ts';
export { courtPaceRating, SURFACES, type Surface, surfaceById } from './surface.ts';
export { LEVELS, type Level, type Sourced, SPORTS, type Sport } from './types.ts';
