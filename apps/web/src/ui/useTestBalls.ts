import { type BallId, type Conditions, type DialPlace, fly, type Launch, type RungId } from '@good-arc/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { MachineRow } from '../api/rows.ts';
import type { CourtsideCommand } from '../api/schemas.ts';
import { messageOf } from './api.ts';
import { toast } from './toast.ts';
import { useMachine } from './useMachine.ts';

interface Handlers {
  /** A new go begins: balls are numbered from 1 again. */
  onGo?: () => void;
  /** A ball that counts has left; `ball` is its number in this go, from 1. */
  onBall?: (ball: number) => void;
  onReading?: (ball: number, speedMps: number) => void;
}

interface Options extends Handlers {
  machine: MachineRow;
  /** Null where the machine's line is of no use. */
  launch: Launch | null;
  conditions: Conditions | null;
  /** Where the dials stand, for the simulation. */
  places: DialPlace[];
  ballId: BallId;
  /** The rung they are of: somebody may stand at the plate. */
  rungId?: RungId;
  /** Why a hard ball needs somebody to answer for it by name; empty when it does not. */
  asksName: string;
  /** Balls at the start of a go that count as nothing. */
  goesBy: number;
  /** Plane in which a simulated ball is seen, y; without one, where it first touches. */
  planeY?: number;
}

/** A spot where a simulated ball was seen: on the ground, or in the plane at height z. */
export interface SeenSpot {
  x: number;
  y: number;
  z: number;
}

/** Throws test balls on the machine's line, feeding as soon as it is ready, and says where the simulated ones went when they get there. */
export function useTestBalls({ machine, launch, conditions, places, ballId, rungId, asksName, goesBy, planeY, ...on }: Options) {
  const { onGo, onBall, onReading } = on;
  const hasLine = machine.linkAddress !== '' && launch !== null;
  // where simulated balls went that nobody has marked yet, the oldest first: a slow thumb loses none
  const [landed, setLanded] = useState<readonly SeenSpot[]>([]);
  const [wentBy, setWentBy] = useState(false);
  const [confirmedBy, setConfirmedBy] = useState('');
  const wanted = useRef(false);
  const latest = useRef({ conditions, goesBy, planeY, onGo, onBall, onReading });
  latest.current = { conditions, goesBy, planeY, onGo, onBall, onReading };

  const { view, command } = useMachine(machine.id, hasLine, {
    release({ seq, launch: thrown }) {
      const now = latest.current;
      const counts = seq > now.goesBy;
      setWentBy(!counts);
      if (!counts) return;
      now.onBall?.(seq - now.goesBy);
      if (!now.conditions) return;
      const { bounces, crossings } = fly(now.conditions, thrown, { planesY: now.planeY === undefined ? [] : [now.planeY], maxBounces: 0 });
      const [pass] = crossings;
      const [touch] = bounces;
      const spot = now.planeY === undefined ? touch && { x: touch.x, y: touch.y, z: 0 } : pass && { x: pass.x, y: now.planeY, z: pass.z };
      const afterS = now.planeY === undefined ? touch?.t : pass?.t;
      if (spot && afterS !== undefined) setTimeout(() => setLanded((now) => [...now, spot]), afterS * 1000);
    },
    misfeed: () => toast('A misfeed: it counts as nothing.'),
    reading: (seq, speedMps) => {
      const now = latest.current;
      if (seq > now.goesBy) now.onReading?.(seq - now.goesBy, speedMps);
    },
  });

  const give = useCallback(
    async (body: CourtsideCommand): Promise<boolean> => {
      try {
        const reply = await command(body);
        if (!reply.ok) toast.error(reply.text ?? 'The machine did not take that.');
        return reply.ok;
      } catch (error) {
        toast.error(messageOf(error));
        return false;
      }
    },
    [command],
  );

  const state = view.status?.state ?? 'unknown';
  useEffect(() => {
    if (state !== 'ready' || !wanted.current) return;
    wanted.current = false;
    void give({ do: 'feed' });
  }, [state, give]);

  /** Arms it for so many balls that count; they are fed when it is ready. */
  async function throwBalls(count: number): Promise<void> {
    if (!launch) return;
    latest.current.onGo?.();
    setLanded([]);
    if (state === 'fault' && !(await give({ do: 'clear' }))) return;
    wanted.current = true;
    const dials = places.length > 0 ? { dials: places } : {};
    const of = { ballId, ...(rungId !== undefined && { rungId }), ...(confirmedBy && { confirmedBy }) };
    if (!(await give({ do: 'test', ...of, launch, count: count + goesBy, ...dials }))) wanted.current = false;
  }

  function hold(): void {
    wanted.current = false;
    void give({ do: 'hold' });
  }

  return {
    hasLine,
    linkUp: view.linkUp,
    state,
    busy: state === 'arming' || state === 'feeding',
    throwBalls,
    hold,
    /** What must be confirmed by name before anything is thrown; empty when nothing is left to. */
    asksName: confirmedBy === '' ? asksName : '',
    confirm: setConfirmedBy,
    /** The oldest simulated ball that is not marked yet. */
    landed: landed[0] ?? null,
    wentBy,
    /** It is marked. */
    marked: () => setLanded((now) => now.slice(1)),
    clearLanded: () => setLanded([]),
  };
}
