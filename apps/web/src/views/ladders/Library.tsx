import { APPROACHES, type Approach, type Drill, fitDrill, LEVELS, LIBRARY, PURPOSES, SPORTS, USUAL_HEIGHT_M } from '@good-arc/core';
import { Star } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Kit, LadderRow, Viewer } from '../../api/rows.ts';
import { ArcsOverlay } from '../../ui/ArcsOverlay.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { attempt } from '../../ui/undo.ts';
import { sayUnfit } from '../../words/building.ts';
import { MANUAL_FIRST } from '../../words/hazards.ts';
import { APPROACH_NAMES } from '../../words/progress.ts';
import { keepLadder } from './keep.ts';
import { Preview } from './Preview.tsx';
import { drillMinutes, type LibraryQuery, NOTHING, searchLibrary } from './search.ts';
import { useFavourites } from './useFavourites.ts';
import { useWhere } from './useWhere.ts';
import { WhereFields } from './WhereFields.tsx';

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladders: Pick<LadderRow, 'id' | 'name' | 'origin'>[];
  search: string;
}

const MINUTES = [15, 30, 45, 60] as const;
const PLAYERS = [1, 2, 3, 4, 6, 9] as const;

export default function Library(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <LibraryView {...props} />
    </Units>
  );
}

const sayPlayers = ([least, most]: Drill['players']): string => (least === most ? `${least} players` : `${least} to ${most} players`);

function LibraryView({ viewer, kit, ladders, search }: Props) {
  const [params] = useState(() => new URLSearchParams(search));
  const [query, setQuery] = useState<LibraryQuery>({
    ...NOTHING,
    text: params.get('q') ?? '',
    sport: SPORTS.find((each) => each === params.get('sport')) ?? '',
  });
  const [machineId, setMachineId] = useState('');
  const [onlyFavourites, setOnlyFavourites] = useState(false);
  const [openId, setOpenId] = useState(params.get('drill') ?? '');
  const favourites = useFavourites(viewer);
  const machine = kit.machines.find(({ id }) => id === machineId);
  const found = searchLibrary(query).filter(
    ({ id, sport }) => (!onlyFavourites || favourites.has(id)) && (!machine || machine.profile.sports.includes(sport)),
  );
  const open = LIBRARY.find(({ id }) => id === openId);
  const ask = (part: Partial<LibraryQuery>): void => setQuery({ ...query, ...part });

  function show(id: string): void {
    setOpenId(id);
    window.history.replaceState(null, '', id ? `/ladders/library?drill=${id}` : '/ladders/library');
    window.scrollTo({ top: 0 });
  }

  if (open)
    return <DrillPage key={open.id} drill={open} viewer={viewer} kit={kit} ladders={ladders} params={params} onBack={() => show('')} />;
  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <a href="/ladders" className="text-sm font-medium text-quiet hover:underline">
        All ladders
      </a>
      <div className="flex flex-wrap items-end gap-x-4">
        <h1 className="text-3xl">Library</h1>
        <p className="pb-1 text-quiet">drills that fit themselves to your court, machine, player and balls</p>
      </div>
      <search className="mt-3 grid grid-cols-2 items-end gap-3 border-b border-base-content pb-4 md:grid-cols-4 lg:grid-cols-[1.6fr_repeat(6,1fr)_auto]">
        <label className="col-span-2 min-w-0 lg:col-span-1">
          <span className="mb-0.5 block text-sm font-medium text-quiet">Find</span>
          <input
            type="search"
            className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
            placeholder="volley, markers, two machines …"
            value={query.text}
            onChange={({ target }) => ask({ text: target.value })}
          />
        </label>
        <Select
          label="Sport"
          value={query.sport}
          onChange={(sport) => ask({ sport })}
          options={[['', 'any'] as const, ...SPORTS.map((each) => [each, each] as const)]}
        />
        <Select
          label="Written for"
          value={query.level}
          onChange={(level) => ask({ level })}
          options={[['', 'any level'] as const, ...LEVELS.map((each) => [each, each] as const)]}
        />
        <Select
          label="Purpose"
          value={query.purpose}
          onChange={(purpose) => ask({ purpose })}
          options={[['', 'any'] as const, ...PURPOSES.map((each) => [each, each] as const)]}
        />
        <Select
          label="Machine"
          value={machineId}
          onChange={setMachineId}
          options={[['', 'any'] as const, ...kit.machines.map(({ id, name }) => [id, name] as const)]}
        />
        <Select
          label="Minutes"
          value={String(query.minutes ?? '')}
          onChange={(text) => ask({ minutes: text === '' ? null : Number(text) })}
          options={[['', 'any'] as const, ...MINUTES.map((each) => [String(each), `up to ${each}`] as const)]}
        />
        <Select
          label="Players"
          value={String(query.players ?? '')}
          onChange={(text) => ask({ players: text === '' ? null : Number(text) })}
          options={[['', 'any'] as const, ...PLAYERS.map((each) => [String(each), String(each)] as const)]}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={onlyFavourites}
            onChange={({ target }) => setOnlyFavourites(target.checked)}
          />
          Favourites
        </label>
      </search>
      <p className="mt-2 text-quiet" role="status">
        {found.length === 1 ? 'One drill' : `${found.length} drills`}
      </p>
      {found.length === 0 && (
        <div className="mt-4 max-w-xl text-lg">
          <p>{onlyFavourites ? 'No favourite fits. Press the star of a drill to keep it at hand.' : 'No drill fits all of that.'}</p>
          <button
            type="button"
            className="btn btn-outline mt-3 min-h-11"
            onClick={() => {
              setQuery(NOTHING);
              setMachineId('');
              setOnlyFavourites(false);
            }}
          >
            Show all of them
          </button>
        </div>
      )}
      <ul aria-label="Drills" className="grid gap-x-8 lg:grid-cols-2">
        {found.map((drill) => (
          <li key={drill.id} className="flex items-start gap-2 border-b border-base-300 py-3">
            <div className="min-w-0 grow">
              <h2 className="text-xl">
                <a
                  className="hover:underline"
                  href={`/ladders/library?drill=${drill.id}`}
                  onClick={(event) => {
                    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
                    event.preventDefault();
                    show(drill.id);
                  }}
                >
                  {drill.name}
                </a>
              </h2>
              <p className="text-sm text-quiet">
                {drill.sport} · {drill.level} · {drill.purpose} · {drill.rungs.length} rungs · {drillMinutes(drill)} min ·{' '}
                {sayPlayers(drill.players)}
              </p>
              <p>{drill.why}</p>
            </div>
            <button
              type="button"
              className="btn btn-ghost btn-square min-h-11"
              aria-pressed={favourites.has(drill.id)}
              aria-label={`Favourite: ${drill.name}`}
              onClick={() => favourites.toggle(drill.id)}
            >
              <Star size={20} aria-hidden fill={favourites.has(drill.id) ? 'currentColor' : 'none'} />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** One drill: what a coach says of it, and its rungs as they would be here. */
function DrillPage({
  drill,
  viewer,
  kit,
  ladders,
  params,
  onBack,
}: {
  drill: Drill;
  viewer: Viewer;
  kit: Kit;
  ladders: Props['ladders'];
  params: URLSearchParams;
  onBack: () => void;
}) {
  const state = useWhere(kit, viewer, params, drill.sport, drill.level);
  const { venue, where, player, court } = state;
  const [approach, setApproach] = useState<Approach>(drill.rungs.some(({ gate }) => gate && 'streak' in gate) ? 'in-a-row' : 'sweet-spot');
  const [secondId, setSecondId] = useState('');
  const [saving, setSaving] = useState(false);
  const needsTwo = drill.rungs.some(({ balls }) => balls.some(({ second }) => second));
  const others = kit.machines.filter(({ id, profile }) => id !== where?.machineId && profile.sports.includes(drill.sport));
  const second = needsTwo ? (others.find(({ id }) => id === secondId) ?? others[0]) : undefined;
  const fits = court?.sport === drill.sport;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the venue is made anew of these
  const fitted = useMemo(
    () =>
      venue && fits
        ? fitDrill(drill, {
            ...venue,
            hand: where?.hand ?? 'right',
            heightM: player?.heightM ?? USUAL_HEIGHT_M,
            approach,
            ...(second && { second: { id: second.id, profile: second.profile } }),
          })
        : null,
    [drill, where, player, approach, second, fits],
  );
  const copies = ladders.filter(({ origin }) => origin?.drillId === drill.id);

  async function keep(): Promise<void> {
    if (!fitted || !where) return;
    setSaving(true);
    const ladder = { name: drill.name, sport: drill.sport, level: where.level, approach };
    if (!(await attempt(() => keepLadder(ladder, fitted.rungs, drill.id)))) setSaving(false);
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <button type="button" className="text-sm font-medium text-quiet hover:underline" onClick={onBack}>
        Library
      </button>
      <h1 className="text-3xl">{drill.name}</h1>
      <p className="max-w-3xl text-lg">{drill.why}</p>
      <p className="text-quiet">
        {drill.sport} · written for {drill.level} · {drill.purpose} · {drillMinutes(drill)} min · {sayPlayers(drill.players)}
      </p>
      {copies.length > 0 && (
        <p className="mt-1 text-sm">
          Your own copies:{' '}
          {copies.map(({ id, name }, i) => (
            <span key={id}>
              {i > 0 && ', '}
              <a className="font-semibold underline" href={`/ladders/${id}`}>
                {name}
              </a>
            </span>
          ))}
        </p>
      )}
      <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <div className="flex flex-col gap-4">
          <WhereFields state={state} kit={kit} />
          {needsTwo && others.length > 0 && (
            <Select
              label="Second machine"
              value={second?.id ?? ''}
              onChange={setSecondId}
              options={others.map(({ id, name }) => [id, name] as const)}
            />
          )}
          {needsTwo && others.length === 0 && (
            <p className="border-l-4 border-warning bg-base-200 p-2.5">
              This drill is for two machines; the club has one of the sport. One machine throws all of it.
            </p>
          )}
          <Select
            label="Approach"
            value={approach}
            onChange={setApproach}
            options={APPROACHES.map((each) => [each, APPROACH_NAMES[each]] as const)}
          />
          <Words title="Set-up" lines={[drill.setUp]} />
          <Words title="Cues" lines={drill.cues} />
          <Words title="Common faults" lines={drill.faults} />
          <Words title="Take care" lines={[...drill.cautions, MANUAL_FIRST]} />
          <Words title="Easier" lines={[drill.easier]} />
          <Words title="Harder" lines={[drill.harder]} />
        </div>
        <div className="min-w-0">
          {!fits && (
            <p className="text-lg">Choose a {drill.sport} court to see its rungs there; the club needs one, and a machine for it.</p>
          )}
          {fitted && (
            <>
              <div className="flex flex-wrap items-center gap-3 pb-3">
                <h2 className="text-xl">Here, on {state.machine?.name}</h2>
                <button
                  type="button"
                  className="btn btn-primary ml-auto min-h-12 px-6 text-base"
                  disabled={!viewer.canPlan || saving || fitted.rungs.length === 0}
                  onClick={keep}
                >
                  {saving ? 'Adding …' : 'Add to our ladders'}
                </button>
              </div>
              {fitted.problems.length > 0 && (
                <div className="mb-3 border-l-4 border-warning bg-base-200 p-3" role="status">
                  <b>{fitted.rungs.length === 0 ? 'This machine cannot do it.' : 'Some of it is left out here.'}</b>
                  <ul>
                    {fitted.problems.map((problem) => (
                      <li key={problem.rung}>
                        {problem.rung}: {sayUnfit(problem)}
                      </li>
                    ))}
                  </ul>
                </div>
              )}
              {fitted.rungs.length > 0 && <ArcsOverlay rungs={fitted.rungs} sport={drill.sport} />}
              {fitted.rungs.length > 0 && <Preview rungs={fitted.rungs} sport={drill.sport} kit={kit} />}
            </>
          )}
        </div>
      </div>
    </div>
  );
}

const Words = ({ title, lines }: { title: string; lines: readonly string[] }) => (
  <section>
    <h2 className="text-lg">{title}</h2>
    <ul>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  </section>
);
