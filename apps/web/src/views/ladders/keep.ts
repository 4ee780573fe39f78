import type { DrillId, LadderDocument, RungDocument } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { api } from '../../ui/api.ts';

/** Keeps rungs as a new ladder of the club and opens it. @throws ApiError when the server did not take it */
export async function keepLadder(ladder: LadderDocument, rungs: readonly RungDocument[], drillId?: DrillId): Promise<void> {
  const id = uuidv7();
  await api('POST', `ladders/${id}/import`, {
    ladder,
    rungs: rungs.map((document) => ({ id: uuidv7(), document })),
    ...(drillId !== undefined && { drillId }),
  });
  location.assign(`/ladders/${id}`);
}
