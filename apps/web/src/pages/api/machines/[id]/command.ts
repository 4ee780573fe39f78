import { gameBallById, judgeRung, programOf, type RungDocument } from '@good-arc/core';
import type { CommandBody } from '@good-arc/machine-link';
import type { z } from 'zod';
import { commandBody } from '../../../../api/schemas.ts';
import { ladder, machine } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { readRung } from '../../../../server/ladders.ts';
import { links, pageOf } from '../../../../server/links.ts';
import { noLine, Refusal } from '../../../../server/problem.ts';
import type { Store } from '../../../../server/store.ts';

/** Time to see one test ball land and to mark it, s. */
const TEST_INTERVAL_S = 8;

/** Gives the machine a command; the answer is the machine's own confirmation or refusal. */
export const POST = endpoint(commandBody, async ({ body, id, store, scope, context }) => {
  const page = pageOf(context.url);
  const open = links.open(id, scope.clubId);
  if (open && body.do !== 'arm' && body.do !== 'test') return open.send(body, page);
  const { linkAddress } = await store.one(machine, id, 'machine');
  if (linkAddress === '') throw noLine();
  return links.of(id, scope.clubId, linkAddress).send(await programmed(store, id, body), page);
});

/** Whether a rung throws a hard ball that leaves too little time. */
async function isUnsafe(store: Store, ladderId: string, document: RungDocument): Promise<boolean> {
  const [{ sport }, { profile }] = await Promise.all([
    store.one(ladder, ladderId, 'ladder'),
    store.one(machine, document.machineId, 'machine'),
  ]);
  return judgeRung(document, { sport, machine: profile, gameBall: gameBallById })?.unsafe === true;
}

/** What the browser asks for as the machine's command; a rung becomes its program. */
async function programmed(store: Store, machineId: string, command: z.output<typeof commandBody>): Promise<CommandBody> {
  if (command.do === 'test') {
    const { launch, dials, count } = command;
    return { do: 'arm', program: { launches: [launch], intervalS: TEST_INTERVAL_S, count, ...(dials && { dials }) } };
  }
  if (command.do !== 'arm') return command;
  const { document, ladderId } = await readRung(store, command.rungId);
  const isOurs = ({ machineId: other }: { machineId?: string | undefined }): boolean => (other ?? document.machineId) === machineId;
  if (document.machineId !== machineId && !document.feeds.some(isOurs))
    throw new Refusal(409, 'This rung was set up on another machine.', [{ pointer: '/rungId', detail: 'Choose a rung of this machine.' }]);
  const balls = programOf(document);
  if (balls.length === 0) throw new Refusal(409, 'Every feed of this rung is switched off, or nobody is there to take it.');
  const left = balls.slice(command.from);
  // with two machines each throws its own balls, and waits while the other throws
  const own = left.flatMap((ball, at) => (isOurs(document.feeds[ball.index]!) ? [{ ...ball, at }] : []));
  if (own.length === 0) throw new Refusal(409, 'All balls of this round have been thrown. Finish it and begin another.');
  if (!command.confirmedBy && (await isUnsafe(store, ladderId, document)))
    throw new Refusal(409, 'A hard ball and too little time: a coach confirms it by name first.', [
      { pointer: '/confirmedBy', detail: 'Give the name of the coach who confirms it.' },
    ]);
  const secondsTo = (at: number): number => left.slice(0, at).reduce((sum, { thenS }) => sum + thenS, 0);
  return {
    do: 'arm',
    program: {
      launches: own.map(({ launch }) => launch),
      intervalS: document.intervalS,
      count: own.length,
      thenS: own.map(({ at, thenS }, i) => (own[i + 1] ? secondsTo(own[i + 1]!.at) - secondsTo(at) : thenS)),
      firstS: secondsTo(own[0]!.at),
    },
  };
}
