import { ballById, type PlayerId, type SheetLine, scoreRound, tally, writeSheet } from '@good-arc/core';
import { and, count, eq } from 'drizzle-orm';
import { LINES_HEADER } from '../api/headers.ts';
import type { RoundRow } from '../api/rows.ts';
import { round as roundTable } from '../db/schema.ts';
import { readRounds } from './read-rounds.ts';
import type { Store } from './store.ts';

/** Rounds read at once: what is kept in memory does not grow with the record. */
const AT_ONCE = 200;

const LINE_TYPES = { csv: 'text/csv; charset=utf-8', json: 'application/json' } as const;
export type TakenAs = keyof typeof LINE_TYPES;
export const isTakenAs = (text: string): text is TakenAs => text in LINE_TYPES;

/** A round as a row of a sheet. */
function lineOf({ card, weather, results, notes, ...round }: RoundRow): SheetLine {
  const { hits, balls } = scoreRound(card, results);
  const { near } = tally(results.map(({ outcome }) => outcome));
  const { launch } = card.feeds[0]!;
  return {
    day: round.startedAt.slice(0, 10),
    time: round.startedAt.slice(11, 16),
    player: round.playerName,
    ladder: round.ladderName,
    rung: card.name,
    hits,
    balls,
    near,
    notes,
    court: round.courtName,
    machine: round.machineName,
    speed_mps: launch.speedMps,
    elevation_deg: launch.elevationDeg,
    topspin_rpm: launch.topspinRpm,
    interval_s: card.intervalS,
    target_width_m: card.targetSize.widthM,
    target_depth_m: card.targetSize.depthM,
    wind_x_mps: weather.windXMps,
    wind_y_mps: weather.windYMps,
    temperature_c: weather.temperatureC,
  };
}

/** All rounds of a club or of a player, newest first, page by page as the answer is read: a row a round as CSV (times in UTC), every ball as JSON. Their number goes ahead. */
export async function takeOut(store: Store, as: TakenAs, playerId?: PlayerId): Promise<Response> {
  const [counted] = await store.read((db, mine) =>
    db
      .select({ rounds: count() })
      .from(roundTable)
      .where(and(mine(roundTable), playerId && eq(roundTable.playerId, playerId))),
  );
  const encoder = new TextEncoder();
  let after: { startedAt: Date; id: string } | undefined;
  let isFirst = true;
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const rounds = await readRounds(store, { ...(playerId && { playerId }), ...(after && { after }), most: AT_ONCE });
      const last = rounds.at(-1);
      if (as === 'csv' && (last || isFirst)) controller.enqueue(encoder.encode(writeSheet(rounds.map(lineOf), isFirst)));
      if (as === 'json') {
        const texts = rounds.map((round) => JSON.stringify({ sport: ballById(round.card.ballId).sport, ...round }));
        controller.enqueue(encoder.encode(`${isFirst ? '[' : last ? ',\n' : ''}${texts.join(',\n')}`));
      }
      isFirst = false;
      if (last) after = { startedAt: new Date(last.startedAt), id: last.id };
      // a page may be short of what could not be read: only an empty one is the end
      if (!last) {
        if (as === 'json') controller.enqueue(encoder.encode(']\n'));
        controller.close();
      }
    },
  });
  const name = `good-arc-rounds.${as}`;
  return new Response(body, {
    headers: {
      'content-type': LINE_TYPES[as],
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
      [LINES_HEADER]: String(counted?.rounds ?? 0),
    },
  });
}
