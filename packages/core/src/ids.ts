/**
 * An id that knows what it is of: the id of a court is refused by the compiler where that of a machine is due. A plain string is taken, so that what
 * comes from outside needs no cast.
 */
export type IdOf<Kind extends string> = string & { readonly of?: Kind };

/** Of rows of a club: UUIDv7, made by whoever makes the row. */
export type ClubId = IdOf<'club'>;
/** Of a person who signs in. */
export type PersonId = IdOf<'person'>;
/** Of a player. */
export type PlayerId = IdOf<'player'>;
/** Of players who come together. */
export type SquadId = IdOf<'squad'>;
/** Of a court. */
export type CourtId = IdOf<'court'>;
/** Of a machine. */
export type MachineId = IdOf<'machine'>;
/** Of a basket of balls. */
export type BasketId = IdOf<'basket'>;
/** Of a ladder. */
export type LadderId = IdOf<'ladder'>;
/** Of a rung. */
export type RungId = IdOf<'rung'>;
/** Of a planned outing. */
export type PlanId = IdOf<'plan'>;
/** Of an outing. */
export type OutingId = IdOf<'outing'>;
/** Of a round. */
export type RoundId = IdOf<'round'>;
/** Of a result. */
export type ResultId = IdOf<'result'>;
/** Of a tune-up. */
export type TuneUpId = IdOf<'tune-up'>;

/** Of the catalogue: names as they stand in its files. */
export type BallId = IdOf<'ball'>;
/** Of a built-in surface. */
export type SurfaceId = IdOf<'surface'>;
/** Of a built-in drill. */
export type DrillId = IdOf<'drill'>;
/** Of the book, or of a game ball of the club’s own. */
export type GameBallId = IdOf<'game-ball'>;
/** Of a dial, unique on its machine. */
export type DialId = IdOf<'dial'>;
/** Of a feed, unique in its rung. */
export type FeedId = IdOf<'feed'>;
