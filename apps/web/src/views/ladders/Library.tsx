import { LEVELS, LIBRARY, PURPOSES, SPORTS } from '@good-arc/core';
import { Star } from 'lucide-react';
import { useState } from 'react';
import type { Kit, LadderRow, Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { levelChoices, sayLevel } from '../../words/level.ts';
import { DrillPage, sayPlayers } from './DrillPage.tsx';
import { drillMinutes, type LibraryQuery, NOTHING, searchLibrary } from './search.ts';
import { useFavourites } from './useFavourites.ts';

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
          options={[['', 'any level'] as const, ...(query.sport ? levelChoices(query.sport) : LEVELS.map((each) => [each, each] as const))]}
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
          <Button
            className="mt-3"
            onClick={() => {
              setQuery(NOTHING);
              setMachineId('');
              setOnlyFavourites(false);
            }}
          >
            Show all of them
          </Button>
        </div>
      )}
      <ul aria-label="Drills" className="grid gap-x-8 lg:grid-cols-2">
        {found.map((drill) => (
          <li key={drill.id} className="when-seen flex items-start gap-2 border-b border-base-300 py-3">
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
                {drill.sport} · {sayLevel(drill.sport, drill.level)} · {drill.purpose} · {drill.rungs.length} rungs · {drillMinutes(drill)}{' '}
                min · {sayPlayers(drill.players)}
              </p>
              <p>{drill.why}</p>
            </div>
            <Button
              look="ghost"
              square
              aria-pressed={favourites.has(drill.id)}
              aria-label={`Favourite: ${drill.name}`}
              onClick={() => favourites.toggle(drill.id)}
            >
              <Star size={20} aria-hidden fill={favourites.has(drill.id) ? 'currentColor' : 'none'} />
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
