import { ballById, type Dial, fitTuneUp, isFlown, onClick, SPORT_RECORDS, standOf, type TestBall, type TuneUp } from '@good-arc/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, MachineRow, Viewer } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { useHistory } from '../../ui/history.ts';
import { valueOfBall } from '../../ui/testBalls.ts';
import { toast } from '../../ui/toast.ts';
import { useTestBalls } from '../../ui/useTestBalls.ts';
import { firstTune, newBall, placesOf, savedTune, saveTune, withSeen } from './state.ts';

/** What the page is given. */
export interface TuneProps {
  viewer: Viewer;
  kit: Kit;
  machine: MachineRow;
  dial: Dial;
  /** The tune-up of this dial before this one: how the machine stood then. */
  last: TuneUp | null;
}

/** A tune-up under way: its balls, its fit, the machine’s line, and how it is kept. */
export function useTune({ viewer, kit, machine, dial, last }: TuneProps) {
  const [first] = useState(() => savedTune(machine.id, dial) ?? firstTune(kit, machine, dial, last, viewer.altitudeM));
  const history = useHistory(first);
  const { now } = history;
  const { document, reading, each } = now;
  const [saving, setSaving] = useState(false);
  const current = useRef(now);
  current.current = now;
  useEffect(() => saveTune(machine.id, dial.id, now), [now, machine.id, dial.id]);

  const flown = isFlown(dial);
  const dragShare = kit.balls.find(({ id }) => id === document.ballStockId)?.dragShare ?? 1;
  const stand = useMemo(
    () => (flown ? standOf(document, machine.profile, dragShare) : null),
    [document, flown, machine.profile, dragShare],
  );
  const fit = useMemo(() => fitTuneUp(document, dial, machine.profile, dragShare), [document, dial, machine.profile, dragShare]);
  const court = kit.courts.find(({ id }) => id === document.courtId) ?? kit.courts[0]!;
  const plan = SPORT_RECORDS[court.sport].court;

  const set = (part: Partial<typeof now>, key = ''): void => {
    const next = { ...current.current, ...part };
    current.current = next;
    history.set(next, key);
  };
  const setDocument = (part: Partial<TuneUp>, key = ''): void => set({ document: { ...current.current.document, ...part } }, key);
  const setBalls = (change: (balls: TestBall[]) => TestBall[]): void => setDocument({ balls: change(current.current.document.balls) });
  const seen = (part: Parameters<typeof withSeen>[2]): void => setBalls((balls) => withSeen(balls, current.current.reading, part, uuidv7));
  const toggle = (id: string): void =>
    setBalls((balls) => balls.map((ball) => (ball.id === id ? { ...ball, leftOut: !ball.leftOut } : ball)));

  // balls of the line by their number in this go, so that a radar reading finds its own
  const thrown = useRef(new Map<number, string>());
  // the gun may speak before the machine does
  const early = useRef(new Map<number, number>());
  const middleMps = (machine.profile.speedMps[0] + machine.profile.speedMps[1]) / 2;
  const line = useTestBalls({
    machine,
    launch: stand && {
      ...stand.from,
      elevationDeg: stand.elevationDeg,
      bearingDeg: stand.bearingDeg,
      speedMps: middleMps,
      ...stand.spin(middleMps),
    },
    conditions: stand?.conditions ?? null,
    places: placesOf(dial, reading, machine.profile),
    ballId: document.ballId,
    asksName: ballById(document.ballId).hard ? 'A hard ball: somebody sees to it that nobody stands where it goes.' : '',
    goesBy: 1,
    onGo() {
      thrown.current.clear();
      early.current.clear();
    },
    onBall(number) {
      const id = uuidv7();
      thrown.current.set(number, id);
      setBalls((balls) => [...balls, newBall(id, current.current.reading, { radarMps: early.current.get(number) ?? null })]);
    },
    onReading(number, mps) {
      const radarMps = Math.round(mps * 100) / 100;
      const id = thrown.current.get(number);
      if (id) setBalls((balls) => balls.map((ball) => (ball.id === id ? { ...ball, radarMps } : ball)));
      else early.current.set(number, radarMps);
    },
  });

  function moveDial(to: number): void {
    line.clearLanded();
    set({ reading: onClick(dial.scale, to) });
  }

  async function keep(): Promise<void> {
    setSaving(true);
    try {
      // a ball that was thrown and never seen says nothing
      const balls = document.balls.filter((ball) => valueOfBall(ball, stand) !== null);
      await api('PUT', `tune-ups/${uuidv7()}`, {
        machineId: machine.id,
        tunedAt: new Date().toISOString(),
        document: { ...document, balls },
      });
      saveTune(machine.id, dial.id, null);
      location.assign(`/machines/${machine.id}`);
    } catch (error) {
      toast.error(messageOf(error));
      setSaving(false);
    }
  }

  return {
    history,
    document,
    reading,
    each,
    saving,
    flown,
    stand,
    fit,
    court,
    plan,
    setDocument,
    setBalls,
    seen,
    toggle,
    line,
    moveDial,
    keep,
  };
}
