import {
  buildLadder,
  fitDrill,
  gameBallById,
  hazardsOfRung,
  LIBRARY,
  type RungDocument,
  SPORT_RECORDS,
  type Sport,
  wholly,
} from '@good-arc/core';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import type { Kit, MachineRow, RungRow } from '../src/api/rows.ts';
import { ConfirmByName } from '../src/ui/ConfirmByName.tsx';
import { HazardList, ManualFirst } from '../src/ui/HazardList.tsx';
import { judge, venueOf } from '../src/ui/judge.ts';
import { Units } from '../src/ui/Units.tsx';
import { sayNext } from '../src/views/courtside/cue.ts';
import { mainAction } from '../src/views/courtside/mainAction.ts';
import { CompareRungs } from '../src/views/ladders/CompareRungs.tsx';
import { RitualFields } from '../src/views/ladders/RitualFields.tsx';
import { RungDetail } from '../src/views/ladders/RungDetail.tsx';
import { Sequence } from '../src/views/ladders/Sequence.tsx';
import { CallSheets } from '../src/views/plan/CallSheets.tsx';
import { profileOf } from './support/rig.ts';
import { textOf } from './support/text.ts';

/** The parts of a rung that is opened, as text off their first rendering. */

const markup = (node: ReactNode, system: 'imperial' | 'metric' = 'imperial'): string =>
  renderToStaticMarkup(<Units system={system}>{node}</Units>);
const text = (node: ReactNode, system: 'imperial' | 'metric' = 'imperial'): string => textOf(markup(node, system));

const id = (n: number): string => `0190f3a0-0000-7000-8000-${String(n).padStart(12, '0')}`;
const machine = (n: number, name: string, kind: string): MachineRow => ({
  version: 1,
  id: id(n),
  name,
  profile: profileOf(kind),
  dials: [],
  today: null,
  linkAddress: '',
  notes: '',
});
const kit: Kit = {
  players: [],
  squads: [],
  courts: [],
  balls: [],
  machines: [
    machine(1, 'Bramble', 'Two-wheel portable'),
    machine(2, 'Aster', 'Programmable court machine'),
    machine(3, 'Heron', 'Programmable field machine'),
    machine(4, 'Flint', 'Two-wheel pitching machine'),
  ],
  gameBalls: [],
};
const weather = { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 };

function fitted(drillId: string, on: number, second?: number): RungDocument[] {
  const drill = LIBRARY.find((each) => each.id === drillId)!;
  const row = (n: number) => ({ id: id(n), profile: kit.machines[n - 1]!.profile });
  return fitDrill(drill, {
    sport: drill.sport,
    court: { id: id(9), surfaceId: drill.sport === 'tennis' ? 'tennis-acrylic-medium' : SPORT_RECORDS[drill.sport].surfaces.at(-1)!.id },
    machine: row(on),
    ballId: SPORT_RECORDS[drill.sport].balls[0]!.id,
    level: drill.level,
    weather,
    hand: 'right',
    heightM: 1.75,
    approach: 'earn-it',
    ...(second && { second: row(second) }),
  }).rungs;
}
const rowOf = (document: RungDocument, n = 20): RungRow => ({ id: id(n), ladderId: id(5), position: 0, document });
const nothing = (): void => {};

function detail(document: RungDocument, sport: Sport, readOnly = false, system: 'imperial' | 'metric' = 'imperial'): string {
  return text(
    <RungDetail
      rung={rowOf(document)}
      number={1}
      sport={sport}
      kit={kit}
      judgement={judge(kit, sport, document)}
      compared={false}
      playerId=""
      readOnly={readOnly}
      onChange={nothing}
      onDuplicate={nothing}
      onDelete={nothing}
      onCompare={nothing}
    />,
    system,
  );
}

describe('a rung opened', () => {
  const [, combination] = fitted('tennis-in-behind-it', 2);
  test('each ball with its figures, its own wait, and the sum behind its word', () => {
    const said = detail(combination!, 'tennis');
    expect(said).toContain('1 · Short ball');
    expect(said).toMatch(/then \d\.\d s/);
    expect(said).toMatch(/Volley \d\.\d\d s of \d\.\d\d \d\.\d s (calm|working)/);
    // every ball has its own wait: the interval moves none of them, so none is offered
    expect(said).not.toContain('Shortest workable');
    expect(detail(fitted('tennis-baseline-groove', 2)[0]!, 'tennis')).toMatch(/Shortest workable: \d+\.\d s/);
    expect(said).toContain('Of the game ball');
  });
  test('where each ball is hit to, in words and to be chosen; what goes to fielders has no target', () => {
    const said = detail(combination!, 'tennis');
    expect(said).toContain('Target of all balls 1 · Short ball 2 · Volley');
    expect(said).toContain('Place the coach says deep left corner deep middle deep right corner left service box');
    const [flies] = fitted('baseball-flies-by-field', 3);
    expect(detail(flies!, 'baseball')).not.toContain('Target wide');
  });
  test('a target behind the machine is said where it is chosen and among the cautions', () => {
    const { launch } = combination!.feeds[0]!;
    const said = detail({ ...combination!, feeds: [{ ...combination!.feeds[0]!, targetAt: { x: launch.x, y: launch.y } }] }, 'tennis');
    expect(said).toContain('The way to the target leads past the machine.');
    const open = detail({ ...combination!, targetAt: { x: launch.x, y: launch.y } }, 'tennis');
    expect(open).toContain('the way there leads past the machine');
  });
  test('in metric units for who reads metric', () => {
    expect(detail(combination!, 'tennis', false, 'metric')).toMatch(/\d+ km\/h/);
    expect(detail(combination!, 'tennis', false, 'metric')).not.toContain('mph');
  });
  test('a machine that cannot do it by itself says what a person does', () => {
    // built for a machine that is programmed, then moved to one with dials
    const onBramble = { ...combination!, machineId: kit.machines[0]!.id };
    expect(detail(onBramble, 'tennis')).toContain('a helper changes it between balls');
    expect(detail(combination!, 'tennis')).not.toContain('a helper changes it');
  });
  test('who may only look sees no field to change', () => {
    const said = markup(
      <RungDetail
        rung={rowOf(combination!)}
        number={1}
        sport="tennis"
        kit={kit}
        judgement={judge(kit, 'tennis', combination!)}
        compared={false}
        playerId=""
        readOnly
        onChange={nothing}
        onDuplicate={nothing}
        onDelete={nothing}
        onCompare={nothing}
      />,
    );
    expect(said).not.toContain('Focal point');
    expect(said).not.toContain('Read balls from CSV');
    expect(said).toContain('disabled');
  });
  test('fielding: positions to tick off, and the note to fielders', () => {
    const [infield] = fitted('baseball-whoever-is-there', 3);
    const said = detail(infield!, 'baseball');
    expect(said).toMatch(/Absent today: their balls are left out 1B 2B 3B P SS/);
    expect(said).toContain('One voice for each ball');
  });
});

describe('the sequence', () => {
  const [first] = fitted('pickleball-three-thirds', 2);
  const shown = (part: Partial<RungDocument>): string =>
    markup(<Sequence document={{ ...first!, ...part }} machine={undefined} change={nothing} readOnly={false} />);
  const strip = (part: Partial<RungDocument>): string => [...shown(part).matchAll(/data-feed="(\d)"/g)].map(([, feed]) => feed).join('');
  test('the next thirty for the seed, and another deal for another', () => {
    expect(strip({})).toBe('123'.repeat(10));
    expect(strip({ order: { kind: 'blocks', size: 3 } }).slice(0, 9)).toBe('111222333');
    const bag = { order: { kind: 'bag' as const } };
    expect(strip({ ...bag, seed: 1 })).not.toBe(strip({ ...bag, seed: 2 }));
    expect(strip({ ...bag, seed: 1 })).toBe(strip({ ...bag, seed: 1 }));
  });
  test('its balance in words', () => {
    const said = text(
      <Sequence document={{ ...first!, order: { kind: 'blocks', size: 5 } }} machine={undefined} change={nothing} readOnly={false} />,
    );
    expect(said).toContain('10 × Left third, 10 × Middle third, 10 × Right third. Longest run 5');
  });
  test('a deal again where there is something to deal', () => {
    expect(shown({})).not.toContain('Deal again');
    expect(shown({ order: { kind: 'bag' } })).toContain('Deal again');
    expect(shown({ order: { kind: 'calls', list: [1, 2] } })).toContain('New list');
    expect(shown({ feeds: first!.feeds.map((feed) => ({ ...feed, on: false })) })).toContain('No ball is switched on.');
  });
});

describe('serve rhythm, comparison, cautions', () => {
  test('how long the ritual takes, and how many bounces fit the machine’s interval', () => {
    const [, serve] = fitted('tennis-serve-and-next', 2);
    const said = (intervalS: number): string => {
      const document = { ...serve!, intervalS };
      return text(<RitualFields document={document} judgement={judge(kit, 'tennis', document)} change={nothing} />);
    };
    expect(said(serve!.intervalS)).toContain('The ritual takes 4.6 s.');
    expect(said(serve!.intervalS)).toMatch(/At every \d+\.\d s \d+ bounces fit\./);
    expect(said(3)).toContain('Not even the toss fits into 3.0 s.');
  });
  test('two rungs side by side: what changes is named, figures that differ are bold', () => {
    const { rungs } = buildLadder({
      ...venueOf(kit, 'tennis', fitted('tennis-baseline-groove', 1)[0]!)!,
      gameBall: gameBallById('tennis-rally-drive-building')!,
      hand: 'right',
      wing: 'forehand',
      heightM: 1.7,
      focalPoint: '',
      minutes: 30,
      hopperBalls: 60,
      approach: 'earn-it',
      wanted: 'working',
    });
    const pair = [0, 1].map((i) => ({ rung: rowOf(rungs[i]!, 20 + i), number: i + 1, judged: wholly(judge(kit, 'tennis', rungs[i]!)) }));
    const said = markup(<CompareRungs pair={[pair[0]!, pair[1]!]} sport="tennis" onClose={nothing} />);
    expect(said).toContain('What changes: placement, pace.');
    expect(said).toMatch(/font-bold">\d+\.\d mph/);
    expect(said).toMatch(/<td class="dial pr-3 ">6 ft 3 in wide|<td class="dial pr-3 ">\S+ ft/);
  });
  test('cautions say what, why and what to do, and that the manual comes first', () => {
    const [called] = fitted('baseball-two-machines-one-voice', 3, 4);
    const hazards = hazardsOfRung(called!, 'baseball', judge(kit, 'baseball', called!));
    const said = text(<HazardList hazards={hazards} />);
    expect(said).toContain('Helmet on the hitter');
    expect(text(<ManualFirst />)).toContain('The machine’s manual and local rules come first.');
    expect(text(<HazardList hazards={[]} />).trim()).toBe('');
  });
});

describe('a call sheet, and courtside', () => {
  const calls = fitted('baseball-two-machines-one-voice', 3, 4);
  const ladder = {
    id: id(5),
    name: 'Called',
    sport: 'baseball' as const,
    level: 'Advanced' as const,
    approach: 'earn-it' as const,
    version: 1,
    origin: null,
    rungs: calls.map((document, position) => ({ ...rowOf(document, 20 + position), position })),
  };
  test('thirty calls of every rung that needs a caller, each with the machine that throws', () => {
    const said = text(<CallSheets ladder={ladder} kit={kit} />);
    expect(said).toContain('1 Fastball, first machine · Heron 2 Fastball, first machine · Heron 3 Slider, second machine · Flint');
    expect(said.match(/Call from the screen/g)).toHaveLength(3);
    expect(
      text(
        <CallSheets
          ladder={{
            ...ladder,
            rungs: [ladder.rungs[0]!].map((rung) => ({ ...rung, document: { ...rung.document, feeds: rung.document.feeds.slice(0, 1) } })),
          }}
          kit={kit}
        />,
      ).trim(),
    ).toBe('');
  });
  test('the next ball is said where there are several; of one ball, the focal point', () => {
    const [rung] = calls;
    expect(sayNext(rung!.feeds[1]!, rung!)).toBe('Slider, second machine: Second machine throws, first shows');
    const one = { ...rung!, feeds: [{ ...rung!.feeds[0]!, cue: '' }] };
    expect(sayNext(one.feeds[0]!, one)).toBe(rung!.focalPoint);
    expect(sayNext(null, one)).toBe(rung!.focalPoint);
  });
  test('the round’s balls are fed when the machine is armed with its own share of them', () => {
    const acts = { arm: nothing, feed: nothing, resume: nothing, clear: nothing, begin: nothing };
    const at = (status: { thrown: number; count: number }) =>
      mainAction('ready', acts, true, false, { own: 6, all: 10 }, { linkUp: true, status });
    expect(at({ thrown: 0, count: 6 })!.name).toBe('Feed 10 balls');
    expect(at({ thrown: 0, count: 4 })!.name).toBe('Arm'); // armed for another round
  });
  test('a hard ball and no time: a name is asked for', () => {
    const said = markup(<ConfirmByName what="A hard ball" doThis="Slow it down" onConfirm={nothing} />);
    expect(said).toContain('Name of the coach who confirms it');
    expect(said).toContain('disabled');
  });
});
