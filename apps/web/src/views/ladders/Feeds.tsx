import {
  type Feed,
  filesOf,
  freeFeedId,
  intoThirds,
  isIn,
  netPlayOf,
  printAngle,
  printSpin,
  type RungDocument,
  type RungId,
  readFile,
  type Sport,
  writeBallList,
} from '@good-arc/core';
import { useRef, useState } from 'react';
import type { Kit } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { download, fileName } from '../../ui/download.ts';
import { FeedShape } from '../../ui/FeedShape.tsx';
import { venueOf } from '../../ui/judge.ts';
import { Notice } from '../../ui/Notice.tsx';
import { toast } from '../../ui/toast.ts';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  rungId: RungId;
  document: RungDocument;
  sport: Sport;
  kit: Kit;
  change: (part: Partial<RungDocument>, key?: string) => void;
  readOnly: boolean;
}

/** The balls of a rung: which are in, what each is called, who takes it; as thirds, and as a list in a file. */
export function Feeds({ rungId, document, sport, kit, change, readOnly }: Props) {
  const { feeds, absent = [] } = document;
  const units = useUnits();
  const file = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const put = (index: number, part: Partial<Feed>, key = ''): void =>
    change({ feeds: feeds.map((feed, i) => (i === index ? { ...feed, ...part } : feed)) }, key && `${key} ${index}`);
  const positions = [...new Set(feeds.flatMap((feed) => feed.positions ?? []))].sort();
  const weights = document.order.kind === 'weighted' ? document.order : null;

  function thirds(): void {
    const venue = venueOf(kit, sport, document);
    const made = venue && intoThirds(document, venue);
    if (made) change(made);
    else toast.error('This machine cannot reach all three thirds from there.');
  }

  async function read(chosen: File): Promise<void> {
    const list = readFile('balls', await chosen.text());
    const problems = list.ok ? unknownMachines(list.value, kit) : list.problems.map(({ detail }) => detail);
    setProblems(problems);
    if (list.ok && problems.length === 0) change({ feeds: [...list.value], ...(weights && { order: { kind: 'bag' as const } }) });
  }

  return (
    <div>
      <ul aria-label="Balls of this rung" className="border-t border-base-300">
        {feeds.map((feed, i) => (
          <li
            key={feed.id}
            className={`flex flex-wrap items-center gap-x-3 border-b border-base-300 py-1 ${isIn(feed, absent) ? '' : 'text-quiet'}`}
          >
            <label className="flex min-h-11 min-w-0 grow basis-56 items-center gap-2.5">
              <input
                type="checkbox"
                className="checkbox"
                aria-label={`${feed.name} is in`}
                checked={feed.on}
                disabled={readOnly}
                onChange={({ target }) => put(i, { on: target.checked })}
              />
              <FeedShape index={i} />
              <span className="min-w-0 break-words">
                {i + 1} · <b>{feed.name}</b>
                {feed.counts === false && ' (spare)'}
                {feed.positions?.length ? ` · ${feed.positions.join(', ')}` : ''}
                {feed.machineId && ` · ${kit.machines.find(({ id }) => id === feed.machineId)?.name ?? 'another machine'}`}
              </span>
            </label>
            <span className="dial text-sm">
              {units.speed(feed.launch.speedMps)} {printAngle(feed.launch.elevationDeg)} {printSpin(feed.launch.topspinRpm)}
              {feed.thenS !== undefined && ` then ${feed.thenS.toFixed(1)} s`}
            </span>
            {!readOnly && (
              <>
                <input
                  className="input h-11 min-w-0 grow basis-40 border-base-content/60 bg-base-100"
                  aria-label={`Cue of ball ${i + 1}`}
                  placeholder="Cue"
                  maxLength={160}
                  value={feed.cue}
                  onChange={({ target }) => put(i, { cue: target.value }, 'cue')}
                />
                {weights && (
                  <input
                    className="input dial h-11 w-16 border-base-content/60 bg-base-100"
                    aria-label={`Weight of ball ${i + 1}`}
                    inputMode="numeric"
                    value={weights.weights[i] ?? 1}
                    onChange={({ target }) => {
                      const weight = Number(target.value);
                      if (!Number.isFinite(weight) || weight < 0 || weight > 100) return;
                      const next = feeds.map((_, at) => (at === i ? weight : (weights.weights[at] ?? 1)));
                      change({ order: { ...weights, weights: next } }, `weight ${i}`);
                    }}
                  />
                )}
                <Button look="ghost" className="px-2" href={`/bench?rung=${rungId}&feed=${i + 1}`}>
                  Bench<span className="sr-only">: ball {i + 1}</span>
                </Button>
                <Button
                  look="ghost"
                  className="px-2"
                  aria-label={`Copy ball ${i + 1}`}
                  disabled={feeds.length >= 24}
                  onClick={() =>
                    change({
                      feeds: feeds.toSpliced(i + 1, 0, { ...feed, id: freeFeedId(feeds), name: `${feed.name} (copy)`.slice(0, 120) }),
                    })
                  }
                >
                  Copy
                </Button>
                <Button
                  look="ghost"
                  className="px-2"
                  aria-label={`Remove ball ${i + 1}`}
                  disabled={feeds.length === 1}
                  onClick={() => change({ feeds: feeds.toSpliced(i, 1) })}
                >
                  Remove
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      {positions.length > 0 && (
        <fieldset className="mt-2 flex flex-wrap items-center gap-x-4">
          <legend className="text-sm font-medium text-quiet">Absent today: their balls are left out</legend>
          {positions.map((position) => (
            <label key={position} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                disabled={readOnly}
                checked={absent.includes(position)}
                onChange={({ target }) =>
                  change({ absent: target.checked ? [...absent, position] : absent.filter((each) => each !== position) })
                }
              />
              {position}
            </label>
          ))}
        </fieldset>
      )}
      {!readOnly && (
        <div className="mt-2 flex flex-wrap gap-2">
          {netPlayOf(sport) && <Button onClick={thirds}>Left, middle, right</Button>}
          <Button
            look="ghost"
            onClick={() => download(`${fileName(document.name)}.balls.csv`, new Blob([writeBallList(feeds)], { type: 'text/csv' }))}
          >
            Balls as CSV
          </Button>
          <Button look="ghost" onClick={() => file.current?.click()}>
            Read balls from CSV
          </Button>
          <input
            ref={file}
            type="file"
            accept={filesOf('balls')}
            className="hidden"
            aria-label="Ball list file"
            onChange={async ({ target }) => {
              const [chosen] = target.files ?? [];
              if (chosen) await read(chosen);
              target.value = '';
            }}
          />
        </div>
      )}
      {problems.length > 0 && (
        <Notice role="alert" tone="error" className="mt-2">
          <b>Nothing was taken from this list.</b>
          <ul>
            {problems.slice(0, 12).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {problems.length > 12 && <li>and {problems.length - 12} more.</li>}
          </ul>
        </Notice>
      )}
    </div>
  );
}

/** A list from elsewhere may name a second machine that this club does not have. The first ball stands in line 2. */
const unknownMachines = (feeds: readonly Feed[], { machines }: Kit): string[] =>
  feeds.flatMap(({ machineId }, i) =>
    machineId === undefined || machines.some(({ id }) => id === machineId)
      ? []
      : [`Line ${i + 2}, machine_id: no machine of this club. Leave it empty for the rung’s own machine.`],
  );
