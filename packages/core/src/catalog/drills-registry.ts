// Written by ./arc from the files beside it: add a file, and it is listed.
import { drills as baseball } from './sports/baseball/drills.ts';
import { drills as pickleball } from './sports/pickleball/drills/index.ts';
import { drills as softball } from './sports/softball/drills.ts';
import { drills as tennis } from './sports/tennis/drills/index.ts';

export const DRILLS = { baseball, pickleball, softball, tennis };
