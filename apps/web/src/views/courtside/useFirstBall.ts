import {
  acceptance,
  conditionsOf,
  type Dial,
  inARow,
  judgeRung,
  landingZone,
  type MachineToday,
  type MachineTrim,
  type NextTrim,
  needsName,
  nextTrim,
  onClick,
  type RungDocument,
  type RungId,
  type Sport,
  settingsOf,
  shiftToday,
  speedShareOn,
  trimAll,
} from '@good-arc/core';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { GameBallRow, MachineRow } from '../../api/rows.ts';
import { today } from '../../ui/day.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { useHistory } from '../../ui/history.ts';
import { putRow } from '../../ui/putRow.ts';
import { toast } from '../../ui/toast.ts';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { useTestBalls } from '../../ui/useTestBalls.ts';
import type { Trimmed, useTrim } from './useTrim.ts';

export interface FirstBallProps {
  rungId: RungId;
  /** As it is set today, before any trim. */
  document: RungDocument;
  sport: Sport;
  machine: MachineRow;
  onMachine: (machine: MachineRow) => void;
  /** The machine turns itself by the program; without it hands do. */
  hasLine: boolean;
  gameBalls: readonly GameBallRow[];
  trim: ReturnType<typeof useTrim>;
}

interface Mark {
  id: string;
  x: number;
  /** y on the ground; the height in a window. */
  y: number;
  /** Counts up with every change of a dial. */
  setting: number;
}

interface FirstBallState extends Trimmed {
  /** Of every tuned dial. */
  readings: Record<string, number>;
  setting: number;
  marks: Mark[];
}

/** A rung of one of its balls. */
const ballOf = (document: RungDocument, i: number): RungDocument => ({ ...document, feeds: [{ ...document.feeds[i]!, on: true }] });

/** Balls by themselves before a round: what was thrown and marked, the one thing to turn next, and today’s shift. */
export function useFirstBall({ rungId, document, sport, machine, onMachine, hasLine, gameBalls, trim }: FirstBallProps) {
  const day = today();
  const ours = document.feeds.flatMap(({ on, machineId = document.machineId }, i) => (on && machineId === document.machineId ? [i] : []));
  const [index, setIndex] = useState(ours[0] ?? 0);
  const [need, setNeed] = useState<2 | 3>(2);
  const share = speedShareOn(machine.today, day);
  // what a program sets no hand turns
  const dials = hasLine ? [] : machine.dials;
  const byCard = (row: MachineRow, i = index): Record<string, number> =>
    Object.fromEntries(
      settingsOf(ballOf(document, i), { ...row, dials, speedShare: speedShareOn(row.today, day) })
        .settings.filter(({ moves }) => moves !== 'interval')
        .map(({ dialId, reading }) => [dialId, reading]),
    );
  const history = useHistory<FirstBallState>({
    by: trim.by,
    readings: { ...byCard(machine), ...trim.readings },
    setting: 0,
    marks: [],
  });
  const { by, readings, setting, marks } = history.now;
  const tried = useMemo(() => ballOf(document, index), [document, index]);
  const { target } = tried.feeds[0]!;
  const thrown = useMemo(() => trimAll(tried, by, machine.profile) ?? tried, [tried, by, machine.profile]);
  const { launch } = thrown.feeds[0]!;
  const isWindow = target.kind === 'plane';
  const middle = isWindow ? { x: target.x, y: target.z } : { x: target.x, y: target.y };
  const zone = { ...middle, ...(document.landingZone ?? landingZone(sport, target.kind)) };
  const said = acceptance(zone, marks, setting, need);
  const advice = said.kind === 'turn' ? nextTrim(tried, sport, { profile: machine.profile, dials }, readings, zone, said.miss) : null;
  const conditions = conditionsOf(document);

  const asksName = useMemo(
    () => needsName(thrown, judgeRung(thrown, { sport, machine: machine.profile, gameBall: gameBallFinder([...gameBalls]) })),
    [thrown, sport, machine.profile, gameBalls],
  );
  const line = useTestBalls({
    machine: hasLine ? machine : { ...machine, linkAddress: '' },
    ballId: document.ballId,
    rungId,
    asksName: asksName ? 'A hard ball and too little time for this age, or one that was not judged.' : '',
    launch,
    conditions,
    places: [],
    goesBy: 0,
    ...(isWindow && { planeY: target.planeY }),
  });

  /** What stands elsewhere than the card has it is kept for the day. */
  function keep({ by: kept, readings: stand }: Trimmed, row = machine): void {
    const card = byCard(row);
    trim.keep({ by: kept, readings: Object.fromEntries(Object.entries(stand).filter(([id, reading]) => reading !== card[id])) });
  }

  /** What is turned begins the count anew. */
  function turnTo(next: Partial<Trimmed>): void {
    const now = { ...history.now, ...next, setting: setting + 1 };
    history.set(now);
    keep(now);
  }

  function turnBy(change: Partial<MachineTrim>): void {
    const next = {
      elevationDeg: by.elevationDeg + (change.elevationDeg ?? 0),
      turnDeg: by.turnDeg + (change.turnDeg ?? 0),
      speedShare: by.speedShare * (change.speedShare ?? 1),
    };
    if (trim.can(document, next)) turnTo({ by: next });
    else toast.error(`${machine.name} cannot do that with a trim: it would be another ball. Look at how it stands, or change the rung.`);
  }

  function did(next: NextTrim): void {
    if (next.by === 'clicks') turnTo({ readings: { ...readings, [next.trim.dialId]: next.trim.reading } });
    else if (next.by === 'turn') turnBy({ turnDeg: next.deg });
    else if (next.by === 'elevation') turnBy({ elevationDeg: next.deg });
    else turnBy({ speedShare: 1 + next.mps / launch.speedMps });
  }

  const current = marks.filter((mark) => mark.setting === setting);
  const shift =
    !isWindow && setting === 0 && current.length > 0 && share === 1 && by.speedShare === 1
      ? shiftToday(
          { conditions, from: launch, elevationDeg: launch.elevationDeg, bearingDeg: launch.bearingDeg, spin: () => launch },
          current.map(({ x, y }) => Math.hypot(x - launch.x, y - launch.y)),
          launch.speedMps,
          (machine.profile.repeatability.speedPct / 100) * launch.speedMps + 0.25,
        )
      : null;

  /** The curves of its dials count as so much faster or slower today; null for as they are. */
  async function setToday(today: MachineToday | null): Promise<void> {
    const before = machine;
    let saved = machine;
    const save = async (next: MachineRow): Promise<void> => {
      saved = await putRow('kit/machines', { ...next, version: saved.version });
      onMachine(saved);
    };
    if (!(await attempt(() => save({ ...machine, today })))) return;
    const now = { ...history.now, readings: { ...readings, ...byCard(saved) }, setting: setting + 1 };
    history.set(now);
    keep(now, saved);
    saidWithUndo(
      today
        ? `${machine.name} counts as ${Math.round(100 * (today.speedShare - 1))} % in speed for today; its curves stay as they are.`
        : 'The shift was taken back.',
      () => save(before),
    );
  }

  return {
    /** Balls of this machine, by index. */
    ours,
    index,
    /** Another ball of the rung is tried: balls of the one before say nothing of it. */
    choose(next: number): void {
      setIndex(next);
      history.set({ ...history.now, readings: byCard(machine, next), setting: setting + 1 });
    },
    share,
    dials,
    need,
    setNeed,
    readings,
    setting,
    marks,
    launch,
    isWindow,
    target,
    zone,
    said,
    inARow: inARow(zone, marks),
    advice,
    line,
    canUndo: history.canUndo,
    undo(): void {
      history.undo();
      if (history.before) keep(history.before);
    },
    mark(spot: { x: number; y: number }): void {
      line.marked();
      history.set({ ...history.now, marks: [...marks, { ...spot, id: uuidv7(), setting }] });
    },
    turnDial: (dial: Dial, to: number): void => turnTo({ readings: { ...readings, [dial.id]: onClick(dial.scale, to) } }),
    did,
    /** A program does it, no hand. */
    turnsItself: (next: NextTrim): boolean => hasLine && (next.by !== 'turn' || machine.profile.aimedBy !== 'hand'),
    shift: shift?.matters ? shift : null,
    /** Everything is so much slower today: a machine on a line is told to throw as much faster. */
    takeShift(speedShare: number): void {
      if (hasLine) turnBy({ speedShare: 1 / speedShare });
      else void setToday({ day, speedShare: Math.round(speedShare * 1000) / 1000 });
    },
    takeShiftBack: (): void => void setToday(null),
  };
}
