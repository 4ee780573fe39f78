import { arrange, buildLadder, firstSetup, GAME_BOOK, type Level, rungFromSetup } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { court, ladder, machine, player, rung } from '../src/db/schema.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import type { Db } from '../src/server/db.ts';
import { links } from '../src/server/links.ts';
import { call, emptyDatabase, makeClub, profileOf } from './support/rig.ts';

let db: Db;
const profile = profileOf('Three-wheel pitching machine');
beforeAll(async () => {
  db = await emptyDatabase();
});

/** A club with a cage and a pitching machine whose line nobody answers: what is let through says so. */
async function cage(level: Level) {
  const { scope, store } = await makeClub(db, 'Cage');
  const [machineId, courtId, ladderId, rungId] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()];
  await store.put(machine, { id: machineId, name: 'Heron', profile, linkAddress: '127.0.0.1:19' }, 'machine');
  await store.put(court, { id: courtId, name: 'Cage', sport: 'baseball', surfaceId: 'baseball-turf' }, 'court');
  await store.put(ladder, { id: ladderId, name: 'Hit', sport: 'baseball', level, approach: 'earn-it' }, 'ladder');
  return { scope, store, machineId, courtId, ladderId, rungId };
}

test('a test of a hard ball asks for the name like any other: always where nobody may stand, of a rung when it leaves too little time', async () => {
  const { store, scope, machineId, courtId, ladderId, rungId } = await cage('Building');
  const setup = firstSetup({ id: courtId, sport: 'baseball', surfaceId: 'baseball-turf' }, { id: machineId, profile }, 'Building', 0);
  const document = rungFromSetup(setup, arrange(setup, profile), {
    name: 'Pitch',
    focalPoint: '',
    ballsPerRound: 5,
    rounds: 1,
    gate: { hits: 3, of: 5 },
  })!;
  await store.put(rung, { id: rungId, ladderId, position: 0, document }, 'rung');
  const { launch } = document.feeds[0]!;
  const quick = { ...launch, y: 10.7, speedMps: 31.3, elevationDeg: -2 }; // 70 mph from 35 ft
  const ask = (body: Record<string, unknown>) =>
    call(command.POST, { scope, params: { id: machineId }, body: { do: 'test', ballId: 'baseball', count: 1, launch, ...body } });
  // nobody is at that address: what is let through is answered by the line
  const through = { status: 200, body: { code: 'link-lost' } };
  const refused = { status: 409, body: { errors: [{ pointer: '/confirmedBy' }] } };
  expect(await ask({})).toMatchObject(refused);
  expect(await ask({ confirmedBy: 'Orla' })).toMatchObject(through);
  expect(await ask({ rungId, launch: quick })).toMatchObject(refused);
  expect(await ask({ rungId, launch: quick, confirmedBy: 'Orla' })).toMatchObject(through);
  expect(await ask({ rungId, launch: { ...launch, speedMps: 8, elevationDeg: -20 } })).toMatchObject(refused); // it does not arrive: not judged, not safe
  expect(await ask({ ballId: 'tennis-standard' })).toMatchObject(through);
  links.closeAll();
});

test('a hard ball is armed by name when it is too quick for who hits, though not for the rung', async () => {
  const { store, scope, machineId, courtId, ladderId, rungId } = await cage('Competing');
  const childId = uuidv7();
  await store.put(player, { id: childId, name: 'Zoe', level: 'Starting', hand: 'left', heightM: 1.3 }, 'player');
  const [game] = [...GAME_BOOK].filter(({ id }) => id === 'baseball-fastball-high-school');
  const built = buildLadder({
    sport: 'baseball',
    court: { id: courtId, surfaceId: 'baseball-turf' },
    machine: { id: machineId, profile },
    ballId: 'baseball',
    level: 'Competing',
    weather: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
    gameBall: game!,
    hand: 'right',
    wing: 'forehand',
    heightM: 1.75,
    focalPoint: '',
    minutes: 20,
    hopperBalls: 40,
    approach: 'earn-it',
    wanted: 'working',
  });
  await store.put(rung, { id: rungId, ladderId, position: 0, document: built.rungs.at(-1)! }, 'rung');
  const arm = (body: Record<string, unknown>) =>
    call(command.POST, { scope, params: { id: machineId }, body: { do: 'arm', rungId, ...body } });
  expect(await arm({})).toMatchObject({ status: 200, body: { code: 'link-lost' } });
  expect(await arm({ playerId: childId })).toMatchObject({ status: 409, body: { errors: [{ pointer: '/confirmedBy' }] } });
  expect(await arm({ playerId: childId, confirmedBy: 'Orla' })).toMatchObject({ status: 200, body: { code: 'link-lost' } });
  links.closeAll();
});
