import { type PlanDocument, planSchema } from '@good-arc/core';
import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, LadderRow, PlanRow, Versioned } from '../../api/rows.ts';
import { api, madeMeanwhile, messageOf } from '../../ui/api.ts';
import type { Whose } from '../../ui/ChangedSince.tsx';
import { mergedFields } from '../../ui/merge.ts';
import { toast } from '../../ui/toast.ts';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { mayBegin } from '../../ui/when.ts';

/** @param day that the page is about, and the time a plan of it begins with where that day is not the one of this device */
function firstPlan(ladder: LadderRow, kit: Kit, day: string): PlanDocument {
  const today = mayBegin(new Date());
  const startsAt = today.slice(0, 10) === day.slice(0, 10) ? today : day;
  const fitting = kit.players.filter(({ level }) => level === ladder.level);
  return {
    name: ladder.name,
    ladderId: ladder.id,
    startsAt,
    playerIds: (fitting.length > 0 ? fitting : kit.players).slice(0, 3).map(({ id }) => id),
    absentIds: [],
    lines: 1,
    stations: ['picking up'],
    rotateBy: { kind: 'balls', balls: ladder.rungs[0]?.document.ballsPerRound ?? 10 },
    capBalls: 28,
    notes: '',
  };
}

/** A planned outing on its page: changed, saved from the version the page knows, deleted. @param kept null for a new one */
export function usePlan(kept: PlanRow | null, { ladder, kit, startsAt }: { ladder: LadderRow; kit: Kit; startsAt: string }) {
  const [id] = useState(() => kept?.id ?? uuidv7());
  const [plan, setPlan] = useState(() => kept?.document ?? firstPlan(ladder, kit, startsAt));
  const [saved, setSaved] = useState(kept !== null);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [theirs, setTheirs] = useState<PlanRow | null>(null);
  /** As it is kept, as far as this page knows. */
  const base = useRef<Pick<PlanRow, 'version' | 'document'> | null>(kept);

  function change(part: Partial<PlanDocument>): void {
    setPlan((now) => ({ ...now, ...part }));
    setSaved(false);
  }

  async function save(): Promise<void> {
    const parsed = planSchema.safeParse(plan);
    setProblems(parsed.success ? {} : Object.fromEntries(parsed.error.issues.map(({ path, message }) => [path.join('.'), message])));
    if (!parsed.success) return;
    await write(parsed.data);
  }

  async function write(document: PlanDocument): Promise<void> {
    setTheirs(null);
    try {
      const { version } = await api<Versioned>('PUT', `plans/${id}`, document, { seen: base.current?.version });
      base.current = { version, document };
    } catch (error) {
      const made = madeMeanwhile<PlanRow>(error);
      setTheirs(made);
      if (!made) toast.error(messageOf(error));
      return;
    }
    setSaved(true);
    window.history.replaceState(null, '', `/plan?id=${id}`);
  }

  /** Goes on from what somebody else made of it. */
  function settle(whose: Whose): void {
    if (!theirs) return;
    const both = mergedFields(base.current?.document ?? plan, plan, theirs.document);
    const next = whose === 'mine' ? plan : whose === 'theirs' ? theirs.document : both;
    base.current = theirs;
    setPlan(next);
    void write(next);
  }

  async function remove(): Promise<void> {
    if (!(await attempt(() => api('DELETE', `plans/${id}`)))) return;
    setSaved(false);
    saidWithUndo('The plan was deleted.', async () => {
      await api('POST', `plans/${id}/restore`, {});
      setSaved(true);
    });
  }

  return {
    id,
    plan,
    change,
    isSaved: saved,
    problems,
    /** Somebody else has changed it meanwhile. */
    isStale: theirs !== null,
    settle,
    save,
    remove,
  };
}
