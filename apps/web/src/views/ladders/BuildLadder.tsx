import { APPROACHES, gameBallLabel, netPlayOf } from '@good-arc/core';
import type { Kit, Viewer } from '../../api/rows.ts';
import { ApproachTable } from '../../ui/ApproachTable.tsx';
import { ArcsOverlay } from '../../ui/ArcsOverlay.tsx';
import { Button } from '../../ui/Button.tsx';
import { ForCoaches } from '../../ui/ForCoaches.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { attempt } from '../../ui/undo.ts';
import { sayHelp, sayMissing } from '../../words/building.ts';
import { FOCAL_POINTS } from '../../words/focal-points.ts';
import { saySizedBy } from '../../words/logbook.ts';
import { APPROACH_NAMES, APPROACH_WORDS } from '../../words/progress.ts';
import { InADay } from './InADay.tsx';
import { keepLadder } from './keep.ts';
import { Preview } from './Preview.tsx';
import { useBuildQuestion } from './useBuildQuestion.ts';
import { WhereFields } from './WhereFields.tsx';

interface Props {
  viewer: Viewer;
  kit: Kit;
  /** Query of the address: what is named there is chosen. */
  search: string;
}

const MOST_MINUTES = 180;

export default function BuildLadder(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <BuildView {...props} />
    </Units>
  );
}

function BuildView({ viewer, kit, search }: Props) {
  const {
    state,
    where,
    ownBalls,
    venue,
    player,
    sport,
    ofSport,
    setChosenBall,
    wing,
    setWing,
    focal,
    setFocal,
    minutes,
    setMinutes,
    setHopper,
    approach,
    setApproach,
    wanted,
    setWanted,
    name,
    setName,
    saving,
    setSaving,
    level,
    gameBall,
    hopperBalls,
    question,
    asked,
    built,
  } = useBuildQuestion(kit, viewer, search);
  if (!where || !venue || !question)
    return (
      <div className="px-4 py-6 md:px-6">
        <h1 className="text-3xl">Build a ladder</h1>
        <p className="mt-2 max-w-xl text-lg">
          A ladder is thrown by a machine on a court. Add both in Kit, for the same sport, and come back.
        </p>
        <Button look="primary" size="l" className="mt-4" href="/kit?at=courts">
          Open Kit
        </Button>
      </div>
    );

  const suggested = `${player ? `${player.name.split(' ')[0]}: ` : ''}${gameBall.name.toLowerCase()}${netPlayOf(sport) ? `, ${wing}` : ''}`;
  const title = name.trim() || `${suggested[0]!.toUpperCase()}${suggested.slice(1)}`;

  async function keep(): Promise<void> {
    if (!built || built.rungs.length === 0) return;
    setSaving(true);
    const ladder = { name: title.slice(0, 120), sport, level, approach };
    if (!(await attempt(() => keepLadder(ladder, built.rungs)))) setSaving(false);
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <a href="/ladders" className="text-sm font-medium text-quiet hover:underline">
        All ladders
      </a>
      <div className="flex flex-wrap items-end gap-x-4">
        <h1 className="text-3xl">Build a ladder</h1>
        <p className="pb-1 text-quiet">from a kind ball to a game ball, every rung aimed on this machine</p>
      </div>
      <div className="mt-3 grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <div className="flex flex-col gap-3">
          <WhereFields state={state} kit={kit} />
          <Select
            label="To this game ball"
            value={gameBall.id}
            onChange={setChosenBall}
            options={[
              ...ofSport.filter((ball) => ball.level === level).map((ball) => [ball.id, gameBallLabel(ball)] as const),
              ...kit.gameBalls.filter(({ document }) => document.sport === sport).map((row) => [row.id, `${row.name} (own)`] as const),
              ...ofSport.filter((ball) => ball.level !== level).map((ball) => [ball.id, gameBallLabel(ball)] as const),
            ]}
          />
          {netPlayOf(sport) && (
            <Select
              label="Wing"
              value={wing}
              onChange={setWing}
              options={[
                ['forehand', 'forehand'],
                ['backhand', 'backhand'],
              ]}
            />
          )}
          <label>
            <span className="mb-0.5 block text-sm font-medium text-quiet">One focal point</span>
            <input
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              list="focal-points"
              maxLength={200}
              placeholder={FOCAL_POINTS[sport][0]}
              value={focal}
              onChange={({ target }) => setFocal(target.value)}
            />
            <datalist id="focal-points">
              {FOCAL_POINTS[sport].map((each) => (
                <option key={each} value={each} />
              ))}
            </datalist>
          </label>
          <div className="grid grid-cols-2 gap-3">
            <QuantityField label="Minutes" dimension="count" min={5} max={MOST_MINUTES} step={5} value={minutes} onChange={setMinutes} />
            <QuantityField
              label="Balls at hand"
              dimension="count"
              min={1}
              max={5000}
              step={10}
              value={hopperBalls}
              onChange={(balls) => setHopper(Math.round(balls))}
            />
          </div>
          <Select
            label="Approach"
            value={approach}
            onChange={setApproach}
            options={APPROACHES.map((each) => [each, APPROACH_NAMES[each]] as const)}
          />
          <p className="-mt-1 text-sm text-quiet">{APPROACH_WORDS[approach]}</p>
          <ApproachTable approach={approach} />
          <Select
            label="No rung is worse than"
            value={wanted}
            onChange={setWanted}
            options={[
              ['calm', 'calm'],
              ['working', 'working'],
              ['rushed', 'rushed'],
            ]}
          />
        </div>
        <div className="min-w-0" aria-busy={asked !== question}>
          <div className="flex flex-wrap items-end gap-3">
            <label className="min-w-0 grow basis-64">
              <span className="mb-0.5 block text-sm font-medium text-quiet">Name of the ladder</span>
              <input
                className="input h-12 w-full border-base-content/60 bg-base-100 font-title text-xl font-bold"
                maxLength={120}
                placeholder={title}
                value={name}
                onChange={({ target }) => setName(target.value)}
              />
            </label>
            <ForCoaches may={viewer.canPlan}>
              <Button look="primary" size="l" className="px-6" disabled={saving || !built || built.rungs.length === 0} onClick={keep}>
                {saving ? 'Keeping …' : 'Keep this ladder'}
              </Button>
            </ForCoaches>
          </div>
          {built && built.missing.length > 0 && (
            <Notice tone="warning" className="mt-3" role="status">
              <b>{built.rungs.length === 0 ? 'No rung can be thrown like this.' : 'It stops short of the game ball.'}</b>
              <ul>
                {[...built.missing.map(sayMissing), ...built.help.map(sayHelp)].map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            </Notice>
          )}
          {built && <InADay rungs={built.rungs} {...{ player, level, sport, minutes }} onMinutes={setMinutes} />}
          {ownBalls > 0 && player && <p className="mt-2">{saySizedBy(player.name, ownBalls)}</p>}
          {/* of what was asked: a moment after another court is chosen that is the one before */}
          {asked && built && built.rungs.length > 0 && (
            <div className="mt-3">
              <ArcsOverlay rungs={built.rungs} sport={asked.sport} />
              <h2 className="sr-only">Its rungs, the hardest first</h2>
              <Preview rungs={built.rungs} sport={asked.sport} kit={kit} playerId={where.playerId} />
            </div>
          )}
          {built?.reached && (
            <p className="mt-2 text-sm text-quiet">
              The top of it is the game ball, as near as makes no difference. Change any rung once it is kept.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}
