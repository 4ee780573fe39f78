import { printTime } from '@good-arc/core';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { isSameRelease } from '../../ui/useMachine.ts';
import { hush, markAt, type Signals, signalsFor } from './signals.ts';

interface Props {
  /** `performance.now()` of the next release; null when none is due. */
  dueAt: number | null;
  intervalS: number;
  /** The interval in words, or as it is changed. */
  every: ReactNode;
  /** Number of the next ball, and of the last of the round. */
  next: number;
  last: number;
  cue: string;
  /** Of several kinds of ball: the cue is said on a phone, too. */
  cueNeeded: boolean;
  /** The next ball counts more than others: it is said large. */
  loud: boolean;
  /** A serve of one’s own: its ritual begins so long before the release, s. */
  ritualBeforeS: number | null;
  signals: Signals;
  /** Shown beside the countdown where there is little height. */
  aside: ReactNode;
}

const SHOWN = 6;
/** From a ball of the lane to the next, of the lane’s width. */
const APART_PERCENT = 15;
/** A release is told a little before it was due at times, and seen to be over for so long. */
const EARLY_MS = 200;
const GONE_MS = 500;
/** The countdown is read to a tenth of a second, and a signal may be so much late. */
const TICK_MS = 33;

/** The coming balls roll along a lane toward the release line; the countdown under it. */
export function Lane({ dueAt, intervalS, every, next, last, cue, cueNeeded, loud, ritualBeforeS, signals, aside }: Props) {
  const track = useRef<HTMLDivElement>(null);
  const [inS, setInS] = useState<number | null>(null);
  /** Of which release so many signals were given: words about when it is due come again and again, and differ by a little. */
  const given = useRef({ dueAt: 0, many: 0 });
  /** The release that is awaited, and when the one before it was. */
  const awaited = useRef<{ dueAt: number | null; before: number | null }>({ dueAt: null, before: null });
  const [isGone, setIsGone] = useState(false);
  const told = useMemo(() => signalsFor(signals, cue), [signals, cue]);
  const due = useRef(told);
  due.current = told;

  useEffect(() => {
    const { dueAt: until, before } = awaited.current;
    const isNext = until !== null && dueAt !== null && !isSameRelease(until, dueAt) && performance.now() > until - EARLY_MS;
    awaited.current = { dueAt, before: isNext ? until : before };
    if (dueAt === null) {
      setInS(null);
      setIsGone(false);
      given.current = { dueAt: 0, many: 0 };
      hush();
      return;
    }
    const leftS = (): number => Math.max(0, (dueAt - performance.now()) / 1000);
    const at = (seconds: number): string => `translateX(${(seconds / intervalS) * APART_PERCENT}%)`;
    const isCalm = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    // the browser rolls them by itself: placed anew in every frame by this page they took a third of a phone’s processor
    const rolling = isCalm
      ? null
      : track.current?.animate([{ transform: at(leftS()) }, { transform: at(0) }], { duration: leftS() * 1000, fill: 'forwards' });
    // another release, or none: nothing waits for the end of this one
    rolling?.finished.catch(() => {});
    const tick = (): void => {
      const seconds = leftS();
      setInS(Math.ceil(seconds * 10) / 10);
      const last = awaited.current.before;
      setIsGone(last !== null && performance.now() < last + GONE_MS);
      if (isCalm && track.current) track.current.style.transform = at(Math.ceil(seconds));
      if (!isSameRelease(given.current.dueAt, dueAt)) given.current = { dueAt, many: 0 };
      const signal = due.current[given.current.many];
      if (signal && seconds <= signal.beforeS) {
        given.current.many += 1;
        signal.act(dueAt);
      }
    };
    tick();
    const timer = setInterval(tick, TICK_MS);
    return () => {
      clearInterval(timer);
      rolling?.cancel();
    };
  }, [dueAt, intervalS]);

  const mark = markAt(signals, isGone ? 0 : inS);
  const shown = Math.max(0, Math.min(SHOWN, last - next + 1));
  return (
    <div>
      <div className="relative h-14 overflow-hidden border-b-2 border-base-content md:h-28 land:h-14!" aria-hidden="true">
        <div className="absolute top-0 bottom-0 left-[7%] w-1 bg-ball" />
        <div ref={track} className="absolute inset-0" style={{ transform: `translateX(${APART_PERCENT}%)` }}>
          {Array.from({ length: shown }, (_, i) => (
            <div
              // biome-ignore lint/suspicious/noArrayIndexKey: places on the lane, not balls
              key={i}
              className={`absolute bottom-0.5 flex h-12 w-12 items-center justify-center rounded-full text-lg font-bold ${i === 0 ? 'bg-ball text-accent-content' : 'bg-neutral text-neutral-content'}`}
              style={{ left: `${7 + i * APART_PERCENT}%`, opacity: 1 - i * 0.13 }}
            >
              {next + i}
            </div>
          ))}
        </div>
      </div>
      <div className="flex flex-wrap items-baseline gap-x-2 pt-1 md:gap-x-4">
        <p
          className="dial min-w-[4.5ch] shrink-0 text-3xl tracking-tighter whitespace-nowrap md:text-6xl land:text-3xl!"
          role="timer"
          aria-live="off"
        >
          {mark ? (
            <span className="bg-ball px-2 text-accent-content" data-testid="mark">
              {mark}
            </span>
          ) : inS === null ? (
            '–'
          ) : (
            printTime(inS, 1)
          )}
        </p>
        <div className="flex items-center gap-x-1.5 self-center text-base">
          <span className="hidden md:inline land:hidden!">to the next ball, </span>
          {every}
        </div>
        {cue && (
          <p
            className={`${loud ? 'bg-ball px-2 font-title text-xl font-bold text-accent-content' : 'font-medium text-secondary'} md:order-none md:ml-auto md:block md:w-auto md:text-right ${cueNeeded ? 'order-last w-full text-lg' : 'hidden'}`}
            data-testid="cue"
          >
            {ritualBeforeS !== null && inS !== null && (
              <b className="mr-2">{inS > ritualBeforeS ? `ritual in ${Math.ceil(inS - ritualBeforeS)} s` : 'ritual now'}</b>
            )}
            {cue}
          </p>
        )}
        <div className="ml-auto md:hidden land:block!">{aside}</div>
      </div>
    </div>
  );
}
