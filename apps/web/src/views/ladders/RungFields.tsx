import { away, ballById, HIT_WITH, linesHalfDeg, type RungDocument, SPORT_RECORDS, upToHalfS } from '@good-arc/core';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';

const whole = (value: number): number => Math.max(1, Math.round(value));

/** Two lines for two players are as far apart as they need; else as it was. */
function halfDegFor({ feeds, player, sweep, hitters }: RungDocument, kind: 'two-line' | 'wide'): number {
  const before = sweep?.halfDeg ?? 6;
  const { launch, meet = player.start } = feeds[0]!;
  return kind === 'two-line' && hitters !== undefined ? Math.max(before, Math.ceil(2 * linesHalfDeg(away(launch, meet))) / 2) : before;
}

/** Nobody is fed quicker than this by who only hits in turn, s. */
const LEAST_IN_TURN_S = 2;

/** So many players with a ball each in turn: each has as long between their own balls as before. */
function inTurn(document: RungDocument, count: number): Partial<RungDocument> {
  const hitters = count > 1 ? count : undefined;
  const { sweep, intervalS: before } = document;
  const each = (before * (document.hitters ?? 1)) / count;
  const intervalS = Math.min(120, Math.max(Math.min(before, LEAST_IN_TURN_S), upToHalfS(each)));
  return { hitters, intervalS, ...(sweep && { sweep: { ...sweep, halfDeg: halfDegFor({ ...document, hitters }, sweep.kind) } }) };
}

/** Name, numbers and gate of a rung. */
export function RungFields({
  document,
  onChange,
}: {
  document: RungDocument;
  onChange: (part: Partial<RungDocument>, key?: string) => void;
}) {
  const { gate, ballsPerRound, hitWith } = document;
  return (
    <div className="grid grid-cols-2 gap-3 md:grid-cols-4 lg:grid-cols-8">
      <Named
        label="Name"
        className="col-span-2"
        max={120}
        value={document.name}
        onChange={(name) => name.trim() && onChange({ name }, 'name')}
      />
      <Named
        label="Focal point"
        className="col-span-2"
        max={200}
        value={document.focalPoint}
        onChange={(focalPoint) => onChange({ focalPoint }, 'focal')}
      />
      <QuantityField
        label="Every"
        dimension="time"
        min={0.5}
        max={120}
        step={0.5}
        value={document.intervalS}
        onChange={(intervalS) => onChange({ intervalS }, 'interval')}
      />
      <QuantityField
        label="Balls a round"
        dimension="count"
        min={1}
        max={200}
        step={1}
        value={ballsPerRound}
        onChange={(balls) => onChange({ ballsPerRound: whole(balls) }, 'balls')}
      />
      <QuantityField
        label="Rounds"
        dimension="count"
        min={1}
        max={50}
        step={1}
        value={document.rounds}
        onChange={(rounds) => onChange({ rounds: whole(rounds) }, 'rounds')}
      />
      <Select
        className="col-span-2 md:col-span-1"
        label="Gate"
        value={'streak' in gate ? 'streak' : 'count'}
        onChange={(kind) =>
          onChange({ gate: kind === 'streak' ? { streak: 5 } : { hits: Math.ceil(ballsPerRound * 0.7), of: ballsPerRound } })
        }
        options={[
          ['count', 'so many of'],
          ['streak', 'in a row'],
        ]}
      />
      {'streak' in gate ? (
        <QuantityField
          label="In a row"
          dimension="count"
          min={1}
          max={50}
          step={1}
          value={gate.streak}
          onChange={(streak) => onChange({ gate: { streak: whole(streak) } }, 'gate')}
        />
      ) : (
        <>
          <QuantityField
            label="Hits"
            dimension="count"
            min={1}
            max={gate.of}
            step={1}
            value={gate.hits}
            onChange={(hits) => onChange({ gate: { ...gate, hits: whole(hits) } }, 'gate')}
          />
          <QuantityField
            label="of balls"
            dimension="count"
            min={gate.hits}
            max={200}
            step={1}
            value={gate.of}
            onChange={(of) => onChange({ gate: { ...gate, of: whole(of) } }, 'gate of')}
          />
        </>
      )}
      <Select
        label="Match points"
        value={String(document.matchPoints ?? 0)}
        onChange={(count) => onChange({ matchPoints: Number(count) || undefined })}
        options={[['0', 'none'], ['1', 'the last ball'], ...[2, 3, 4, 5].map((n) => [String(n), `${n}, unannounced before`] as const)]}
      />
      {(document.hitters ?? 1) === 1 && (
        <Select
          label="Goal grows"
          value={String(document.goalRun ?? 0)}
          onChange={(run) => onChange({ goalRun: Number(run) || undefined })}
          options={[
            ['0', 'no: the target'],
            ...[2, 3, 4, 5].map((n) => [String(n), `in, side, target${hitWith ? ', spin' : ''}: ${n} in a row each`] as const),
          ]}
        />
      )}
      {SPORT_RECORDS[ballById(document.ballId).sport].play.kind === 'net' && (
        <Select
          label="Hit with"
          value={hitWith ?? ''}
          onChange={(spin) => onChange({ hitWith: spin || undefined })}
          options={[['', 'any spin'] as const, ...HIT_WITH.map((spin) => [spin, `${spin}, by eye`] as const)]}
        />
      )}
      <Select
        label="Shadow swings"
        value={String(document.shadowSwings) as '0' | '1' | '2'}
        onChange={(count) => onChange({ shadowSwings: Number(count) as 0 | 1 | 2 })}
        options={[
          ['0', 'none'],
          ['1', 'one between'],
          ['2', 'two between'],
        ]}
      />
      <Select
        label="Hit in turn"
        value={String(document.hitters ?? 1) as '1' | '2' | '3' | '4'}
        onChange={(count) => onChange(inTurn(document, Number(count)))}
        options={[
          ['1', 'one player'],
          ['2', 'two'],
          ['3', 'three'],
          ['4', 'four'],
        ]}
      />
      <Select
        label="The machine turns"
        value={document.sweep?.kind ?? 'no'}
        onChange={(kind) => onChange({ sweep: kind === 'no' ? undefined : { kind, halfDeg: halfDegFor(document, kind) } })}
        options={[
          ['no', 'not at all'],
          ['two-line', 'to two lines'],
          ['wide', 'at random'],
        ]}
      />
      {document.sweep && (
        <QuantityField
          label="To each side"
          dimension="angle"
          min={0.5}
          max={45}
          step={0.5}
          value={document.sweep.halfDeg}
          onChange={(halfDeg) => document.sweep && onChange({ sweep: { ...document.sweep, halfDeg } }, 'sweep')}
        />
      )}
    </div>
  );
}

/** A line of text that is changed as it is typed; an empty name is not taken. */
function Named({
  label,
  value,
  max,
  className,
  onChange,
}: {
  label: string;
  value: string;
  max: number;
  className: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className={`min-w-0 ${className}`}>
      <span className="mb-0.5 block text-sm font-medium text-quiet">{label}</span>
      <input
        className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
        maxLength={max}
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
    </label>
  );
}
