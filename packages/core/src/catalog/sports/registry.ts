// Written by ./arc from the files beside it: add a file, and it is listed.
import { record as baseball } from './baseball/record.ts';
import { record as pickleball } from './pickleball/record.ts';
import { record as softball } from './softball/record.ts';
import { record as tennis } from './tennis/record.ts';

export const RECORDS = { baseball, pickleball, softball, tennis };
