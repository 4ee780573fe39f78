import { type NextOuting, nextOuting, type OutingPart, type OutingRung, type PlayerId, partsSchedule, planOfParts } from '@good-arc/core';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { api } from '../../ui/api.ts';
import { moved } from '../../ui/moved.ts';
import { attempt, saidWithUndo } from '../../ui/undo.ts';

interface Question {
  rungs: OutingRung[];
  playerIds: PlayerId[];
  day: number;
  swingsLeft: number | null;
}

/** What comes next, as it is proposed and as somebody changes it. @param first as it was asked for, and what was proposed for that */
export function useNext(question: Question, first: { minutes: number; proposed: NextOuting }) {
  const [{ minutes, proposed }, setProposed] = useState(first);
  const setMinutes = (minutes: number): void => setProposed({ minutes, proposed: nextOuting({ ...question, minutes }) });
  /** Null while nobody changed what was proposed. */
  const [own, setOwn] = useState<OutingPart[] | null>(null);
  const parts = own ?? proposed.parts;
  const schedule = useMemo(() => partsSchedule(parts, question.rungs, question.playerIds), [parts, question]);
  const set = (at: number, part: Partial<OutingPart>): void => setOwn(parts.map((each, i) => (i === at ? { ...each, ...part } : each)));

  return {
    minutes,
    setMinutes,
    parts,
    proposed,
    isOwn: own !== null,
    lastsMinutes: schedule.endsS / 60,
    swings: Math.max(0, ...schedule.share.map(({ balls }) => balls)),
    set,
    move: (at: number, by: 1 | -1): void => setOwn(moved(parts, at, at + by)),
    add: (part: OutingPart): void => setOwn([...parts, part]),
    remove(at: number): void {
      const before = parts;
      setOwn(parts.filter((_, i) => i !== at));
      saidWithUndo('Taken out.', async () => setOwn(before));
    },
    anew: (): void => setOwn(null),
    /** Keeps it as a plan. @returns its address, or null when that did not work */
    async keep(name: string, startsAt: string): Promise<string | null> {
      const id = uuidv7();
      const plan = planOfParts(parts, question.rungs, { name, startsAt, playerIds: question.playerIds });
      return (await attempt(() => api('PUT', `plans/${id}`, plan))) ? `/plan?id=${id}` : null;
    },
  };
}
