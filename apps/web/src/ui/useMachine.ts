import type { MachineId } from '@good-arc/core';
import type { LinkEvent, RadarReading, Refused, Status } from '@good-arc/line';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { CourtsideCommand } from '../api/schemas.ts';
import { api } from './api.ts';
import { onTicks } from './ticks.ts';

type Heard = LinkEvent | RadarReading;

/** Signs of life on their way at once: where none arrives, more of them help nobody. */
const MOST_BEATS = 3;
const BEAT_WITHIN_MS = 2000;
/** This page's own id: the machine goes on only while the page that drives it is there. */
const PAGE = `?page=${Math.random().toString(36).slice(2)}`;

/** A release that is said so much earlier or later, ms, is another one, or was moved. */
const MOVED_MS = 300;

/** Whether two words about when a ball leaves, ms, are about the same release. */
export const isSameRelease = (a: number, b: number): boolean => Math.abs(a - b) < MOVED_MS;

/**
 * When the next ball leaves, after another word about it: words come late by their way and never early, so of one release the earliest is the truest.
 * Milliseconds of one clock.
 */
export const dueAfter = (before: number | null, said: number): number =>
  before !== null && isSameRelease(before, said) ? Math.min(before, said) : said;

/** The answer of the machine to a command, as the server passes it on. */
interface MachineReply {
  ok: boolean;
  state: string;
  text?: string;
}

export interface MachineView {
  /** The server's stream is open, and the machine answers the server. */
  serverUp: boolean;
  linkUp: boolean;
  /** Why a machine that answers does not let itself be driven. */
  refused: Refused | null;
  status: Status | null;
  /** `performance.now()` of the next release; null when none is due. */
  dueAt: number | null;
  heardAt: number;
}

/**
 * Listens to a machine's line, and says four times a second that somebody is there: when the page goes, the machine is held.
 * @param onRelease,onMisfeed,onReading are called as the machine reports, at once
 */
export function useMachine(
  machineId: MachineId,
  hasLine: boolean,
  on: {
    release: (event: Extract<LinkEvent, { event: 'release' }>) => void;
    misfeed: (seq: number) => void;
    reading: (seq: number, speedMps: number) => void;
  },
) {
  const [view, setView] = useState<MachineView>({ serverUp: false, linkUp: false, refused: null, status: null, dueAt: null, heardAt: 0 });
  const handlers = useRef(on);
  handlers.current = on;

  useEffect(() => {
    if (!hasLine) return;
    const source = new EventSource(`/api/machines/${machineId}/link${PAGE}`);
    source.onopen = () => setView((now) => ({ ...now, serverUp: true }));
    source.onerror = () => setView((now) => ({ ...now, serverUp: false, linkUp: false, dueAt: null }));
    source.onmessage = ({ data }) => {
      const heard = JSON.parse(data as string) as Heard;
      const heardAt = performance.now();
      if (heard.event === 'release') handlers.current.release(heard);
      else if (heard.event === 'misfeed') handlers.current.misfeed(heard.seq);
      else if (heard.event === 'reading') handlers.current.reading(heard.seq, heard.speedMps);
      setView((now) => {
        if (heard.event === 'link')
          return { ...now, linkUp: heard.up, refused: heard.why ?? null, dueAt: null, ...(heard.up ? {} : { status: null }) };
        if (heard.event === 'status')
          return {
            ...now,
            status: heard,
            heardAt,
            dueAt: heard.nextInS === null ? null : dueAfter(now.dueAt, heardAt + heard.nextInS * 1000),
          };
        return { ...now, heardAt };
      });
    };
    let onTheWay = 0;
    const endBeats = onTicks(() => {
      if (onTheWay === MOST_BEATS) return;
      onTheWay++;
      // a beat that fails is a beat that is missing: that is its meaning
      void api('POST', `machines/${machineId}/beat${PAGE}`, {}, { withinMs: BEAT_WITHIN_MS })
        .catch(() => {})
        .finally(() => onTheWay--);
    });
    return () => {
      endBeats();
      source.close();
    };
  }, [machineId, hasLine]);

  const command = useCallback(
    (body: CourtsideCommand) =>
      // what makes a machine safe goes out even when the page is closed at once
      api<MachineReply>('POST', `machines/${machineId}/command${PAGE}`, body, { keepalive: body.do === 'hold' || body.do === 'stow' }),
    [machineId],
  );
  return { view, command };
}
