import { ballsOf } from '@good-arc/core';
import type { CommandBody } from '@good-arc/machine-link';
import type { z } from 'zod';
import { commandBody } from '../../../../api/schemas.ts';
import { machine } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { readRung } from '../../../../server/ladders.ts';
import { links } from '../../../../server/links.ts';
import { noLine, Refusal } from '../../../../server/problem.ts';
import type { Store } from '../../../../server/store.ts';

/** Gives the machine a command; the answer is the machine's own confirmation or refusal. */
export const POST = endpoint(commandBody, async ({ body, id, store, scope }) => {
  const open = links.open(id, scope.clubId);
  if (open && body.do !== 'arm') return open.send(body);
  const { linkAddress } = await store.one(machine, id, 'machine');
  if (linkAddress === '') throw noLine();
  return links.of(id, scope.clubId, linkAddress).send(await programmed(store, id, body));
});

/** What the browser asks for as the machine's command; a rung becomes its program. */
async function programmed(store: Store, machineId: string, command: z.output<typeof commandBody>): Promise<CommandBody> {
  if (command.do !== 'arm') return command;
  const { document } = await readRung(store, command.rungId);
  if (document.machineId !== machineId)
    throw new Refusal(409, 'This rung was set up on another machine.', [{ pointer: '/rungId', detail: 'Choose a rung of this machine.' }]);
  const launches = ballsOf(document).map(({ launch }) => launch);
  if (launches.length === 0) throw new Refusal(409, 'Every feed of this rung is switched off.');
  const left = launches.slice(command.from);
  if (left.length === 0) throw new Refusal(409, 'All balls of this round have been thrown. Finish it and begin another.');
  return { do: 'arm', program: { launches: left, intervalS: document.intervalS, count: left.length } };
}
