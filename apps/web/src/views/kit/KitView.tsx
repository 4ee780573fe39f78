import { BALLS, mphToMps, SPORT_RECORDS, type Sport, SURFACES } from '@good-arc/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BallRow, ClubFacts, CourtRow, GameBallRow, Kit, MachineRow, PlayerRow, SquadRow, Viewer } from '../../api/rows.ts';
import type { KitKind } from '../../api/schemas.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { later } from '../../ui/later.tsx';
import { putRow } from '../../ui/putRow.ts';
import { rulerScale } from '../../ui/scale.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { whenMeant } from '../../ui/whenMeant.ts';
import { sayLevel } from '../../words/level.ts';
import type { KitRow } from './forms.tsx';
import { TheClub } from './TheClub.tsx';
import { ThisDevice } from './ThisDevice.tsx';
import { useSignInLink } from './useSignInLink.tsx';

const loadDialog = async () => (await import('./KitDialog.tsx')).default;
const KitDialog = later(loadDialog);

const NAMES: Record<KitKind, { many: string; one: string; empty: string }> = {
  players: { many: 'Players', one: 'player', empty: 'Nobody yet. Add a player: every round belongs to somebody.' },
  squads: { many: 'Squads', one: 'squad', empty: 'No squad yet. Put together who comes together: a plan takes them all at once.' },
  courts: { many: 'Courts', one: 'court', empty: 'No court yet. Add the one you stand on; its lines are known already.' },
  balls: { many: 'Balls', one: 'basket of balls', empty: 'No balls yet. Age and kind change the flight: note what is in each basket.' },
  machines: { many: 'Machines', one: 'machine', empty: 'No machine yet. Start from its kind, then put in what differs.' },
  gameBalls: {
    many: 'Game balls',
    one: 'game ball',
    empty: 'None of your own yet; the book’s are on the bench. Add what your players really face, or save a feed as a game ball there.',
  },
};

const KIT_KINDS = Object.keys(NAMES) as KitKind[];

interface Props {
  viewer: Viewer;
  kit: Kit;
  club: ClubFacts;
  at: KitKind;
}

export default function KitView(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <KitPage {...props} />
    </Units>
  );
}

function KitPage({ viewer, kit: initial, club, at }: Props) {
  const links = useSignInLink(club.me);
  const [kit, setKit] = useState(initial);
  const [kind, setKind] = useState(at);
  const [editing, setEditing] = useState<KitRow | 'new' | null>(null);
  const units = useUnits();

  const rows: KitRow[] = kit[kind];
  const putRows = (of: KitKind, next: (rows: KitRow[]) => KitRow[]): void => setKit((now) => ({ ...now, [of]: next(now[of]) }));

  function open(next: KitKind): void {
    setKind(next);
    window.history.replaceState(null, '', `/kit?at=${next}`);
  }

  async function save(values: Record<string, unknown>, version: number | undefined): Promise<void> {
    const id = editing && editing !== 'new' ? editing.id : uuidv7();
    const row = (await putRow(`kit/${kind}`, { ...values, id, ...(version !== undefined && { version }) })) as unknown as KitRow;
    putRows(kind, (now) => (now.some((each) => each.id === id) ? now.map((each) => (each.id === id ? row : each)) : [...now, row]));
    setEditing(null);
  }

  async function archive(row: KitRow): Promise<void> {
    const of = kind;
    if (!(await attempt(() => api('DELETE', `kit/${of}/${row.id}`)))) return;
    putRows(of, (now) => now.filter(({ id }) => id !== row.id));
    saidWithUndo(`“${row.name}” was archived; its rounds stay in the logbook.`, async () => {
      await api('POST', `kit/${of}/${row.id}/restore`, {});
      putRows(of, (now) => [...now, row]);
    });
  }

  const describe = (row: KitRow): string => {
    if ('document' in row) return gameBallLine(row, units.length, units.speed);
    if ('level' in row) return playerLine(row, units.length);
    if ('playerIds' in row) return squadLine(row, kit.players);
    if ('surfaceId' in row) return courtLine(row);
    if ('ballId' in row) return ballLine(row);
    return machineLine(row, units.speed);
  };
  const { many, one, empty } = NAMES[kind];

  return (
    <div className="px-4 pt-5 pb-12 md:px-6">
      <div className="flex flex-wrap items-end gap-4">
        <h1 className="text-3xl">Kit</h1>
        <p className="pb-1 text-quiet">enter once</p>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-2 border-b border-base-content pb-3">
        {KIT_KINDS.map((each) => (
          <Button key={each} look={each === kind ? 'primary' : 'ghost'} size="l" aria-pressed={each === kind} onClick={() => open(each)}>
            {NAMES[each].many} <span className="font-normal">{kit[each].length}</span>
          </Button>
        ))}
        {viewer.canPlan && (
          <Button size="l" className="ml-auto" {...whenMeant(loadDialog)} onClick={() => setEditing('new')}>
            Add a {one}
          </Button>
        )}
      </div>
      {rows.length === 0 && <p className="mt-8 max-w-xl text-lg">{empty}</p>}
      <ul aria-label={many}>
        {rows.map((row) => (
          <li key={row.id} className="when-seen flex flex-wrap items-center gap-x-4 border-b border-base-300 py-2.5">
            {'surfaceId' in row && <CourtThumb sport={row.sport} />}
            <div className="min-w-0 grow basis-64">
              <h2 className="text-lg break-words">{row.name}</h2>
              <p className="text-quiet">
                {describe(row)}
                {row.notes && ` · ${row.notes}`}
              </p>
            </div>
            {'profile' in row && (
              <Button href={`/machines/${row.id}`}>
                Dials<span className="sr-only"> of {row.name}</span>
              </Button>
            )}
            {viewer.canPlan && (
              <div className="flex">
                <Button look="ghost" aria-label={`Change ${row.name}`} {...whenMeant(loadDialog)} onClick={() => setEditing(row)}>
                  Change
                </Button>
                <Button look="ghost" aria-label={`Archive ${row.name}`} onClick={() => archive(row)}>
                  Archive
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      <TheClub club={club} links={links} />
      <ThisDevice hasSession={viewer.hasSession} onLink={() => links.show({ id: club.me, name: viewer.personName })} />
      {links.dialog}
      {editing && (
        <KitDialog
          title={editing === 'new' ? `Add a ${one}` : `Change ${editing.name}`}
          onClose={() => setEditing(null)}
          {...{ kind, save }}
          row={editing === 'new' ? null : editing}
          players={kit.players}
        />
      )}
    </div>
  );
}

const THUMB_PX = 120;

/** The court's lines, small. */
function CourtThumb({ sport }: { sport: Sport }) {
  const plan = SPORT_RECORDS[sport].court;
  const scale = rulerScale(plan, THUMB_PX, 62);
  return (
    <svg width={THUMB_PX} height={scale.planHeight} viewBox={`0 0 ${THUMB_PX} ${scale.planHeight}`} aria-hidden="true" className="shrink-0">
      <CourtDrawing plan={plan} scale={scale} />
    </svg>
  );
}

const playerLine = ({ level, hand, bats, heightM, goals, avoid }: PlayerRow, length: (m: number) => string): string =>
  [
    `${level} · ${hand}-handed · ${length(heightM)}`,
    bats && (bats === 'both' ? 'bats from both sides' : `bats ${bats}`),
    goals && `goal: ${goals}`,
    avoid && `avoid: ${avoid}`,
  ]
    .filter(Boolean)
    .join(' · ');
const squadLine = ({ playerIds }: SquadRow, players: readonly PlayerRow[]): string =>
  playerIds.flatMap((id) => players.find((player) => player.id === id)?.name ?? []).join(', ') || 'nobody who is still here';
const courtLine = ({ sport, surfaceId, indoor }: CourtRow): string =>
  `${sport} · ${SURFACES.find(({ id }) => id === surfaceId)?.name ?? surfaceId}${indoor ? ' · indoors' : ''}`;
const ballLine = ({ ballId, count, condition }: BallRow): string =>
  `${BALLS.find(({ id }) => id === ballId)?.name ?? ballId} · ${count} · ${condition}`;

function gameBallLine({ document }: GameBallRow, length: (m: number) => string, speed: (mps: number) => string): string {
  const { sport, level } = document;
  if (document.kind === 'pitch')
    return `${sport} · ${sayLevel(sport, level)} · ${speed(mphToMps(document.speedMph))} from ${document.releaseFt} ft`;
  return `${sport} · ${level} · lands ${length(document.landsPastM)} past the net, clears it by ${length(document.clearsByM)}`;
}

function machineLine({ profile, linkAddress }: MachineRow, speed: (mps: number) => string): string {
  const { kind, speedMps, elevationDeg, hopper, speedSteps } = profile;
  const range = (text: (of: number) => string, [least, most]: readonly [number, number]): string =>
    least === most ? text(least) : `${text(least)} to ${text(most)}`;
  const speeds = speedSteps?.length ? speedSteps.map((each) => speed(each)).join(', ') : range(speed, speedMps);
  return `${kind} · ${speeds} · ${range((deg) => `${deg}°`, elevationDeg)} · holds ${hopper} · ${linkAddress ? 'on a line' : 'worked by hand'}`;
}
