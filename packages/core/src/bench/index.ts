export { type Arrangement, type Arrival, arrange, type FamilyMember, type Thrown, throwBall } from './arrange.ts';
export { flightsOf, type RungChoices, rungFromSetup, setupFromRung } from './rung.ts';
export { conditionsOf, firstSetup, type Setup, setupSchema } from './setup.ts';
