import {
  conditionsOf,
  type Dial,
  type DialPlace,
  inARow,
  isFlown,
  judgeRung,
  landingZone,
  type MachineToday,
  needsName,
  onClick,
  type PlayerId,
  placeOfDial,
  type Sport,
  settingsOf,
  shiftToday,
  speedShareOn,
} from '@good-arc/core';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { GameBallRow, MachineRow, RungRow, Viewer } from '../../api/rows.ts';
import { today } from '../../ui/day.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { useHistory } from '../../ui/history.ts';
import { putRow } from '../../ui/putRow.ts';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { useTestBalls } from '../../ui/useTestBalls.ts';
import { type NextTrim, nextTrims } from './trims.ts';

/** What the page is given. */
export interface RightProps {
  viewer: Viewer;
  rung: RungRow;
  sport: Sport;
  machine: MachineRow;
  gameBalls: GameBallRow[];
  /** Who hits afterwards. */
  playerId: PlayerId | null;
}

interface Mark {
  id: string;
  x: number;
  /** y on the ground; the height in a window. */
  y: number;
  /** Counts up with every change of a dial. */
  setting: number;
}

interface RightState {
  readings: Record<string, number>;
  setting: number;
  marks: Mark[];
}

/** The acceptance loop: what was thrown and marked, what to turn next, and today’s shift. */
export function useRight({ rung: { id: rungId, document }, sport, machine: initial, gameBalls }: RightProps) {
  const day = today();
  const [machine, setMachine] = useState(initial);
  const share = speedShareOn(machine.today, day);
  const settings = settingsOf(document, { ...machine, speedShare: share }).settings.filter(({ moves }) => moves !== 'interval');
  const [need, setNeed] = useState<2 | 3>(2);
  const history = useHistory<RightState>({
    readings: Object.fromEntries(settings.map(({ dialId, reading }) => [dialId, reading])),
    setting: 0,
    marks: [],
  });
  const { readings, setting, marks } = history.now;
  const { launch, target } = document.feeds[0]!;
  const isWindow = target.kind === 'plane';
  const middle = isWindow ? { x: target.x, y: target.z } : { x: target.x, y: target.y };
  const zone = { ...middle, ...(document.landingZone ?? landingZone(sport, target.kind)) };
  const count = inARow(zone, marks);
  const isRight = count >= need;
  const current = marks.filter((mark) => mark.setting === setting);
  const mean = (read: (mark: Mark) => number): number => current.reduce((sum, mark) => sum + read(mark), 0) / current.length;
  const last = current.at(-1);
  const lastMissed = last && inARow(zone, [last]) === 0;
  const trims =
    lastMissed && !isRight
      ? nextTrims(document, sport, machine, readings, { xM: mean(({ x }) => x) - middle.x, alongM: mean(({ y }) => y) - middle.y })
      : [];
  const conditions = conditionsOf(document);

  const gameBall = useMemo(() => gameBallFinder(gameBalls), [gameBalls]);
  const judged = useMemo(
    () => judgeRung({ ...document, feeds: [{ ...document.feeds[0]!, on: true }] }, { sport, machine: machine.profile, gameBall }),
    [document, sport, machine.profile, gameBall],
  );
  const line = useTestBalls({
    machine,
    ballId: document.ballId,
    rungId,
    asksName: needsName(document, judged) ? 'A hard ball and too little time for this age, or one that was not judged.' : '',
    launch,
    conditions,
    places: machine.dials.flatMap((dial) => placeOf(dial, readings, machine)),
    goesBy: 0,
    ...(isWindow && { planeY: target.planeY }),
  });

  function mark(spot: { x: number; y: number }): void {
    line.marked();
    history.set({ ...history.now, marks: [...marks, { ...spot, id: uuidv7(), setting }] });
  }

  function turnDial(dial: Dial, to: number): void {
    history.set({ ...history.now, readings: { ...readings, [dial.id]: onClick(dial.scale, to) }, setting: setting + 1 });
  }

  function did(next: NextTrim): void {
    const changed = next.by === 'clicks' ? { ...readings, [next.trim.dialId]: next.trim.reading } : readings;
    history.set({ readings: changed, setting: setting + 1, marks });
  }

  const shift =
    !isWindow && setting === 0 && current.length > 0 && share === 1
      ? shiftToday(
          { conditions, from: launch, elevationDeg: launch.elevationDeg, bearingDeg: launch.bearingDeg, spin: () => launch },
          current.map(({ x, y }) => Math.hypot(x - launch.x, y - launch.y)),
          launch.speedMps,
          (machine.profile.repeatability.speedPct / 100) * launch.speedMps + 0.25,
        )
      : null;

  async function setToday(today: MachineToday | null): Promise<void> {
    const before = machine;
    let saved = machine;
    const save = async (next: MachineRow): Promise<void> => {
      saved = await putRow('kit/machines', { ...next, version: saved.version });
      setMachine(saved);
    };
    if (!(await attempt(() => save({ ...machine, today })))) return;
    const now = settingsOf(document, { ...saved, speedShare: speedShareOn(today, day) }).settings;
    history.set({
      readings: {
        ...readings,
        ...Object.fromEntries(now.filter(({ moves }) => moves !== 'interval').map((each) => [each.dialId, each.reading])),
      },
      setting: setting + 1,
      marks,
    });
    saidWithUndo(
      today
        ? `${machine.name} counts as ${Math.round(100 * (today.speedShare - 1))} % in speed for today; its curves stay as they are.`
        : 'The shift was taken back.',
      () => save(before),
    );
  }

  return {
    day,
    machine,
    share,
    settings,
    need,
    setNeed,
    history,
    readings,
    setting,
    marks,
    launch,
    target,
    isWindow,
    zone,
    count,
    isRight,
    current,
    lastMissed,
    trims,
    line,
    mark,
    turnDial,
    did,
    shift,
    setToday,
  };
}

/** Where a dial stands, for the simulation: speed and wheels by their readings, elevation only as a whole set of dials. */
function placeOf(dial: Dial, readings: Record<string, number>, { profile }: MachineRow): DialPlace[] {
  const reading = readings[dial.id];
  if (reading === undefined || !(isFlown(dial) || dial.moves === 'elevation')) return [];
  return [placeOfDial(dial, reading, profile)];
}
