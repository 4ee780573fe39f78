import {
  ballById,
  isThrownFrom,
  isTrimOf,
  judgeRung,
  type LadderId,
  type Level,
  type MachineId,
  needsName,
  programOf,
  type RungDocument,
  rungSchema,
} from '@good-arc/core';
import type { CommandBody } from '@good-arc/line';
import { simulateFault, withDials } from '@good-arc/simulator/extension';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import { commandBody } from '../../../../api/schemas.ts';
import { gameBall, ladder, machine, player, round } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { readRung } from '../../../../server/ladders.ts';
import { lineOf, links, pageOf } from '../../../../server/links.ts';
import { CHANGED_SINCE, Refusal } from '../../../../server/problem.ts';
import type { Store } from '../../../../server/store.ts';
import { gameBallFinder } from '../../../../ui/gameBalls.ts';

/** Time to see one test ball land and to mark it, s. */
const TEST_INTERVAL_S = 8;

/** Gives the machine a command; the answer is the machine's own confirmation or refusal. */
export const POST = endpoint(commandBody, async ({ body, id, store, scope, context }) => {
  const page = pageOf(context.url);
  const open = links.open(id, scope.clubId);
  if (open && isPlain(body)) return open.send(asTold(body), page);
  const link = await lineOf(store, id, scope);
  if (body.do === 'test') return link.send(await testBalls(store, body), page);
  if (isPlain(body)) return link.send(asTold(body), page);
  const { ladderId, command } = await programmed(store, id, body);
  return link.send(command, page, ladderId);
});

type Asked<Do> = Extract<z.output<typeof commandBody>, { do: Do }>;
type Plain = Exclude<z.output<typeof commandBody>, { do: 'arm' | 'rest' | 'test' }>;

/** A command that needs no look at what is kept. */
const isPlain = (body: z.output<typeof commandBody>): body is Plain => body.do !== 'arm' && body.do !== 'rest' && body.do !== 'test';

/** It, in the words of the line. */
const asTold = (body: Plain): CommandBody => (body.do === 'simulate' ? simulateFault(body.fault) : body);

/** Whether a rung, thrown to this player, needs somebody to answer for it by name. */
async function asksForName(store: Store, ladderId: LadderId, document: RungDocument, playerLevel?: Level): Promise<boolean> {
  const [{ sport }, { profile }, own] = await Promise.all([
    store.one(ladder, ladderId, 'ladder'),
    store.one(machine, document.machineId, 'machine'),
    store.list(gameBall),
  ]);
  const context = { sport, machine: profile, gameBall: gameBallFinder(own), ...(playerLevel && { playerLevel }) };
  return needsName(document, judgeRung(document, context));
}

const nameWanted = (title: string): Refusal =>
  new Refusal(409, title, [{ pointer: '/confirmedBy', detail: 'Give the name of the coach who confirms it.' }]);

/** A few balls of one launch. Of a rung somebody may stand at the plate; else a hard ball asks who sees to it that nobody does. */
async function testBalls(store: Store, { launch, dials, count, ballId, rungId, confirmedBy }: Asked<'test'>): Promise<CommandBody> {
  if (ballById(ballId).hard && !confirmedBy) {
    if (rungId === undefined) throw nameWanted('A hard ball: somebody sees to it by name that nobody stands where it goes.');
    const { document, ladderId } = await readRung(store, rungId);
    const tried: RungDocument = { ...document, ballId, feeds: [{ ...document.feeds[0]!, launch, on: true }] };
    if (await asksForName(store, ladderId, tried)) throw nameWanted('A hard ball and too little time: a coach confirms it by name first.');
  }
  const named = { id: `test-${uuidv7()}`, name: 'Test balls' };
  return { do: 'arm', program: { ...named, launches: [launch], intervalS: TEST_INTERVAL_S, count, ...(dials && withDials(dials)) } };
}

/**
 * The program of a rung for this machine, or what is left of it: what the page shows, as long as that is what is kept or a round of it goes on, trimmed
 * for the air of the day or nudged at most.
 */
async function programmed(
  store: Store,
  machineId: MachineId,
  command: Asked<'arm'> | Asked<'rest'>,
): Promise<{ ladderId: LadderId; command: CommandBody }> {
  const { document: kept, ladderId } = await readRung(store, command.rungId);
  const document = command.document ?? kept;
  const [begun] = command.roundId === undefined ? [] : await store.any(round, [command.roundId]);
  // a round that was begun goes on with its own card, whatever became of the rung; one whose beginning has not arrived yet, with what the page shows; one
  // for learning has a target of its hitter’s own, or speeds that nobody is told
  const wanted = begun ? rungSchema.parse(begun.card) : command.from === 0 ? kept : document;
  if (!(begun ? isTrimOf : isThrownFrom)(document, wanted))
    throw new Refusal(
      409,
      'This rung was changed since this page was opened: what it shows is not what is kept any more.',
      [{ pointer: '/document', detail: 'Load the page again, then arm it.' }],
      CHANGED_SINCE,
    );
  const isOurs = ({ machineId: other }: { machineId?: MachineId | undefined }): boolean => (other ?? document.machineId) === machineId;
  if (document.machineId !== machineId && !document.feeds.some(isOurs))
    throw new Refusal(409, 'This rung was set up on another machine.', [{ pointer: '/rungId', detail: 'Choose a rung of this machine.' }]);
  const { dealt, intervalS = document.intervalS } = command;
  if (dealt?.some((index) => index >= document.feeds.length))
    throw new Refusal(400, 'A ball is asked for that this rung does not have.', [
      { pointer: '/dealt', detail: `Indexes of its ${document.feeds.length} balls, from 0.` },
    ]);
  const balls = programOf({ ...document, intervalS }, dealt);
  if (balls.length === 0) throw new Refusal(409, 'Every feed of this rung is switched off, or nobody is there to take it.');
  const left = balls.slice(command.from);
  // with two machines each throws its own balls, and waits while the other throws
  const own = left.flatMap((ball, at) => (isOurs(document.feeds[ball.index]!) ? [{ ...ball, at }] : []));
  if (left.length === 0 || (own.length === 0 && command.do === 'arm'))
    throw new Refusal(409, 'All balls of this round have been thrown. Finish it and begin another.');
  const [hits] = command.playerId === undefined ? [] : await store.any(player, [command.playerId]);
  if (!command.confirmedBy) {
    if (await asksForName(store, ladderId, document, hits?.level))
      throw nameWanted('A hard ball and too little time: a coach confirms it by name first.');
  }
  const secondsTo = (at: number): number => left.slice(0, at).reduce((sum, { thenS }) => sum + thenS, 0);
  const launches = own.map(({ launch }) => launch);
  const thenS = own.map(({ at, thenS: then }, i) => (own[i + 1] ? secondsTo(own[i + 1]!.at) - secondsTo(at) : then));
  if (command.do === 'rest') {
    const after = balls.slice(command.armedFrom, command.from).filter(({ index }) => isOurs(document.feeds[index]!)).length;
    const { nextInS } = command;
    // with two machines the next ball may be the other's now; where none is due yet, the first of them waits as long from the start
    const first = own.length === left.length ? {} : { firstS: (nextInS ?? 0) + secondsTo(own[0]?.at ?? 0) };
    return { ladderId, command: { do: 'rest', program: command.roundId, after, launches, thenS, ...first } };
  }
  return {
    ladderId,
    command: {
      do: 'arm',
      program: {
        id: command.roundId ?? uuidv7(),
        name: [document.name, hits?.name].filter(Boolean).join(', '),
        launches,
        intervalS,
        count: own.length,
        thenS,
        firstS: secondsTo(own[0]!.at),
      },
    },
  };
}
