import {
  type Arrangement,
  arrange,
  arrangeInParts,
  conditionsOf,
  type FamilyMember,
  type FieldedBall,
  familyInParts,
  familyOf,
  fieldBall,
  firstSetup,
  GAME_BOOK,
  type GameBall,
  gameBallById,
  isToFielders,
  type LinearSpread,
  linearSpread,
  netBetween,
  PLATE,
  type Setup,
  type SpreadQuestion,
  strikeZoneOf,
} from '@good-arc/core';
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { GameBallRow, Kit, MachineRow, Viewer } from '../../api/rows.ts';
import { askedBesides } from '../../device/drawn.ts';
import { ownBall } from '../../ui/gameBalls.ts';
import { useHistory } from '../../ui/history.ts';
import { machineFor } from '../../ui/machineFor.ts';
import { toast } from '../../ui/toast.ts';
import { useKeys } from '../../ui/useKeys.ts';
import { setupToText } from './addressText.ts';
import { meetingOf } from './meeting.ts';
import type { EditedRung } from './SaveRung.tsx';

/** Two set-ups that can be set side by side; `at` is the one in hand. */
export interface Pair {
  a: Setup;
  b: Setup | null;
  at: 'a' | 'b';
}

export const spreadQuestion = (setup: Setup, arrangement: Arrangement, machine: MachineRow): SpreadQuestion | null =>
  arrangement.thrown && {
    conditions: conditionsOf(setup),
    launch: arrangement.thrown.launch,
    repeatability: machine.profile.repeatability,
    gustMps: setup.weather.gustMps ?? 0,
    target: setup.target,
    size: setup.landingZone,
    net: netBetween(setup.sport, setup.from.y, setup.target.kind === 'landing' ? setup.target.y : setup.target.planeY),
  };

/** As `spreadQuestion`, with the strike zone as the target: a ball that touches it counts. Null for what is no pitch. */
export function strikeQuestion({ setup, arrangement, machine }: Pick<Worked, 'setup' | 'arrangement' | 'machine'>): SpreadQuestion | null {
  const question = spreadQuestion(setup, arrangement, machine);
  if (question?.target.kind !== 'plane') return null;
  const zone = strikeZoneOf(setup.sport, setup);
  const { radiusM } = question.conditions.ball;
  return {
    ...question,
    target: { ...question.target, x: 0, z: (zone.topM + zone.bottomM) / 2 },
    size: { widthM: 2 * (PLATE.halfWidthM + radiusM), depthM: zone.topM - zone.bottomM + 2 * radiusM },
  };
}

export interface Worked {
  setup: Setup;
  machine: MachineRow;
  arrangement: Arrangement;
  /** Every arc to the same spot; null until it is worked out. */
  family: FamilyMember[] | null;
  spread: LinearSpread | null;
  /** A ball thrown to fielders, through its hops to its rest. */
  field: FieldedBall | null;
}

const bookBall = ({ gameBallId }: Setup): GameBall | null => gameBallById(gameBallId) ?? null;

/** A set-up on its machine beside its game ball and, for fielders, its roll; its family and its spread not yet. */
function arrangedOn(setup: Setup, machine: MachineRow, game: GameBall | null, arrangement = arrange(setup, machine.profile, game)): Worked {
  const field =
    isToFielders(setup.sport, setup.target) && arrangement.thrown
      ? fieldBall(conditionsOf(setup), setup, arrangement.thrown.launch, setup.level)
      : null;
  return { setup, machine, arrangement, family: null, spread: null, field };
}

/** Families that were worked out before they are drawn. */
const families = new WeakMap<Arrangement, FamilyMember[]>();
const withFamily = (worked: Worked, game: GameBall | null): Worked => ({
  ...worked,
  family: families.get(worked.arrangement) ?? familyOf(worked.setup, worked.machine.profile, worked.arrangement.stroke, game),
});

/** As `families`. */
const spreads = new WeakMap<Arrangement, LinearSpread | null>();
function spreadOf({ setup, arrangement, machine }: Worked): LinearSpread | null {
  const question = spreadQuestion(setup, arrangement, machine);
  return question && linearSpread(question);
}
const withSpread = (worked: Worked): Worked => {
  const known = spreads.get(worked.arrangement);
  return { ...worked, spread: known === undefined ? spreadOf(worked) : known };
};

/** All of a set-up on its machine. */
export function workedOut(setup: Setup, machine: MachineRow): Worked {
  const game = bookBall(setup);
  return withSpread(withFamily(arrangedOn(setup, machine, game), game));
}

const machineIn = ({ machines }: Kit, id: string): MachineRow => machines.find((each) => each.id === id) ?? machines[0]!;

function gameIn(own: readonly GameBallRow[], setup: Setup): GameBall | null {
  const found = own.find(({ id }) => id === setup.gameBallId);
  return found ? ownBall(found) : bookBall(setup);
}

/** What was worked out before the bench was drawn. */
const ahead = new WeakMap<Setup, Worked>();
/** The browser does what waits meanwhile. */
const aMoment = () => new Promise((resolve) => setTimeout(resolve));
/** Work that stops now and then, each part in a task of its own. */
async function byTasks<T>(parts: Generator<void, T>): Promise<T> {
  for (;;) {
    await aMoment();
    const part = parts.next();
    if (part.done) return part.value;
  }
}

/** Works out what the bench draws first of its set-ups, task by task. */
export async function workAhead(kit: Kit, { a, b }: Pair): Promise<void> {
  for (const setup of b ? [a, b] : [a]) {
    const [machine, game] = [machineIn(kit, setup.machineId), gameIn(kit.gameBalls, setup)];
    const arrangement = await byTasks(arrangeInParts(setup, machine.profile, game));
    ahead.set(setup, arrangedOn(setup, machine, game, arrangement));
  }
  await aMoment();
}

/** What a page that opens draws one after the other: all in one go a phone would stand still for longer than it takes to be seen. */
const STAGES = ['arc', 'family', 'spread'] as const;

/** The browser has shown what was drawn. */
const aFrame = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));

/** How far the drawing has come. @param before what is worked out before it comes to each stage after the first */
function useStage(before: readonly (() => Promise<void>)[]): number {
  const [stage, setStage] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each stage
  useEffect(() => {
    if (stage === STAGES.length - 1) return;
    let isOpen = true;
    void (async () => {
      await aFrame();
      // what could not be worked out ahead is, or is said, when it is drawn
      await before[stage]?.().catch(() => {});
      if (isOpen) startTransition(() => setStage(stage + 1));
    })();
    return () => {
      isOpen = false;
    };
  }, [stage]);
  return stage;
}

/** Everything the bench knows and can do: the set-ups, their flights, undo, and the address that reopens them. */
export function useBench(viewer: Viewer, kit: Kit, initial: Pair, initiallyEdited: EditedRung | null) {
  const history = useHistory(initial);
  const pair = history.now;
  const [edited, setEdited] = useState(initiallyEdited);
  const [ownRows, setOwnRows] = useState(kit.gameBalls);
  const setup = (pair.at === 'b' && pair.b) || pair.a;
  const court = kit.courts.find(({ id }) => id === setup.courtId) ?? kit.courts[0]!;
  const machine = machineIn(kit, setup.machineId);

  const work = (one: Setup): Worked =>
    (ownRows === kit.gameBalls && ahead.get(one)) || arrangedOn(one, machineIn(kit, one.machineId), gameIn(ownRows, one));
  // biome-ignore lint/correctness/useExhaustiveDependencies: machines of the kit do not change on this page
  const arrangedA = useMemo(() => work(pair.a), [pair.a, ownRows]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: as above
  const arrangedB = useMemo(() => pair.b && work(pair.b), [pair.b, ownRows]);
  const arranged = arrangedB ? [arrangedA, arrangedB] : [arrangedA];
  const stage = useStage([
    async () => {
      for (const { setup: of, machine: on, arrangement } of arranged)
        families.set(arrangement, await byTasks(familyInParts(of, on.profile, arrangement.stroke, gameIn(ownRows, of))));
    },
    async () => {
      for (const each of arranged) spreads.set(each.arrangement, spreadOf(each));
    },
  ]);
  const [hasFamily, isDrawn] = [stage >= STAGES.indexOf('family'), stage >= STAGES.indexOf('spread')];
  // biome-ignore lint/correctness/useExhaustiveDependencies: the game ball is that of what was arranged
  const manyA = useMemo(() => (hasFamily ? withFamily(arrangedA, gameIn(ownRows, pair.a)) : arrangedA), [arrangedA, hasFamily]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: as above
  const manyB = useMemo(
    () => (hasFamily && pair.b && arrangedB ? withFamily(arrangedB, gameIn(ownRows, pair.b)) : arrangedB),
    [arrangedB, hasFamily],
  );
  const a = useMemo(() => (isDrawn ? withSpread(manyA) : manyA), [manyA, isDrawn]);
  const b = useMemo(() => (isDrawn && manyB ? withSpread(manyB) : manyB), [manyB, isDrawn]);
  const now: Worked = (pair.at === 'b' && b) || a;
  const other: Worked | null = pair.at === 'b' ? a : b;

  const put = (next: Setup, key = ''): void => history.set({ ...pair, [pair.at]: next }, key);
  const change = (part: Partial<Setup>, key = ''): void => put({ ...setup, ...part }, key);

  // a page kept on the device was drawn for another set-up
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, as the page opens
  useEffect(() => {
    const asked = askedBesides();
    if (!asked?.has('s')) return;
    void import('./address.ts').then(({ pairFromParams }) => {
      const given = pairFromParams(asked);
      const known = ({ courtId, machineId }: Setup): boolean =>
        kit.courts.some(({ id }) => id === courtId) && kit.machines.some(({ id }) => id === machineId);
      if (given && known(given.a) && (given.b === null || known(given.b))) history.set(given, 'address');
    });
  }, []);

  useEffect(() => {
    document.body.dataset.address = 'behind';
    const later = setTimeout(() => {
      const rung = edited ? `rung=${edited.id}&${edited.feed > 0 ? `feed=${edited.feed + 1}&` : ''}` : '';
      const second = pair.b ? `&b=${setupToText(pair.b)}&on=${pair.at}` : '';
      window.history.replaceState(null, '', `/bench?${rung}s=${setupToText(pair.a)}${second}`);
      document.body.dataset.address = 'here';
    }, 250);
    return () => clearTimeout(later);
  }, [pair, edited]);

  const { undo, redo } = history;
  useKeys({ '$mod+z': undo, '$mod+Shift+z': redo }, { repeats: true });

  function chooseCourt(id: string): void {
    const next = kit.courts.find((each) => each.id === id);
    if (!next) return;
    if (next.sport === setup.sport) {
      const { ceilingM: _old, ...rest } = setup;
      // in a hall nothing blows
      const weather = next.indoor ? { ...setup.weather, windXMps: 0, windYMps: 0, gustMps: 0 } : setup.weather;
      put({ ...rest, weather, courtId: id, surfaceId: next.surfaceId, ...(next.ceilingM !== null && { ceilingM: next.ceilingM }) });
      return;
    }
    const fitting = machineFor(kit.machines, next.sport);
    if (!fitting) {
      toast.error(`No machine of yours throws ${next.sport} balls. Add one in Kit.`);
      return;
    }
    setEdited(null);
    history.set({ a: firstSetup(next, fitting, setup.level, viewer.altitudeM), b: null, at: 'a' });
  }

  function chooseMachine(id: string): void {
    const next = kit.machines.find((each) => each.id === id);
    if (!next) return;
    change({
      machineId: id,
      from: { ...setup.from, z: next.profile.releaseHeightM },
      intervalS: Math.min(next.profile.intervalS[1], Math.max(next.profile.intervalS[0], setup.intervalS)),
    });
  }

  function chooseLevel(level: Setup['level']): void {
    const was = gameBallById(setup.gameBallId);
    const same =
      GAME_BOOK.find((ball) => ball.sport === setup.sport && ball.level === level && ball.name === was?.name) ??
      GAME_BOOK.find((ball) => ball.sport === setup.sport && ball.level === level);
    change({ level, gameBallId: was ? (same?.id ?? setup.gameBallId) : setup.gameBallId });
  }

  return {
    pair,
    setup,
    court,
    machine,
    now,
    other,
    edited,
    setEdited,
    ownRows,
    setOwnRows,
    change,
    put,
    close: history.close,
    /** Its arc is there: what it is set up with may be. */
    hasArc: hasFamily,
    /** Its first picture is there: what stands beside that, or under it on a phone, may be. */
    isDrawn,
    undo,
    redo,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    chooseCourt,
    chooseMachine,
    chooseLevel,
    /** Brings the ball to another height of the player; where that cannot be, nothing changes. */
    meetAt: (heightM: number) => {
      const next = meetingOf(now)?.moved(heightM);
      if (next) put(next, 'meet');
    },
    /** Sets the present set-up beside itself, to be changed from there. */
    split: () => history.set({ a: pair.a, b: setup, at: 'b' }),
    look: (at: 'a' | 'b') => history.set({ ...pair, at }, 'look'),
    join: () => history.set({ a: setup, b: null, at: 'a' }),
  };
}
export type BenchState = ReturnType<typeof useBench>;
