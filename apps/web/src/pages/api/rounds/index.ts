import { paperBody } from '../../../api/schemas.ts';
import { endpoint } from '../../../server/endpoint.ts';
import { addPaperRounds } from '../../../server/paper.ts';

/** Rounds from paper or a spreadsheet: as many as a club writes in a year. */
export const POST = endpoint(paperBody, ({ body, store, scope }) => addPaperRounds(store, scope, body), { longestBody: 2 * 1024 * 1024 });
