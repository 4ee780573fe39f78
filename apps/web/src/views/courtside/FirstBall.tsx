import { type NextTrim, printReading, SPORT_RECORDS, strikeZoneOf } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Select } from '../../ui/Select.tsx';
import { ThrowButton } from '../../ui/ThrowButton.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayTrim } from '../../words/trims.ts';
import { type FirstBallProps, useFirstBall } from './useFirstBall.ts';
import { WindowPlan } from './WindowPlan.tsx';

interface Props extends FirstBallProps {
  /** What begins the round from here. */
  into: string;
  onInto: () => void;
  onClose: () => void;
}

/** Balls by themselves, before the round and none of it: throw, mark, turn one thing, until two or three in a row are in the zone. */
export function FirstBall(props: Props) {
  const { document, sport, machine, into, onInto, onClose } = props;
  const first = useFirstBall(props);
  const { need, said, line, isWindow, target, zone, setting } = first;
  const [isWhole, setIsWhole] = useState(false);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const isRight = said.kind === 'right';
  const planMarks = first.marks.map(({ id, x, y, setting: at }, i) => ({ id, x, y, label: String(i + 1), leftOut: at !== setting }));
  return (
    <section aria-label="First ball by itself" className="mb-2 border-y-2 border-base-content py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 ref={heading} tabIndex={-1} className="text-xl">
          First ball by itself
        </h2>
        <p className={`text-lg font-bold ${isRight ? 'text-secondary' : ''}`} role="status" data-testid="in-a-row">
          {isRight ? `${first.inARow} in a row: it is right` : `${first.inARow} in a row of ${need}`}
        </p>
      </div>
      <p className="text-quiet">
        {isWindow ? 'Tap where each ball passed the plate' : 'Tap where each ball first touched'}. None of them counts for the round.
      </p>
      {first.ours.length > 1 && (
        <Select
          label="Which ball"
          value={String(first.index)}
          onChange={(next) => first.choose(Number(next))}
          options={first.ours.map((i) => [String(i), document.feeds[i]!.name] as const)}
        />
      )}
      <div className="mt-2">
        {target.kind === 'plane' ? (
          <WindowPlan
            zone={{ x: target.x, z: target.z, widthM: zone.widthM, depthM: zone.depthM }}
            strike={strikeZoneOf(sport, { ...document, gameBallId: document.feeds[first.index]!.gameBallId })}
            marks={planMarks}
            landed={line.landed}
            onMark={first.mark}
          />
        ) : (
          <LandingPlan
            plan={SPORT_RECORDS[sport].court}
            machine={first.launch}
            marks={planMarks}
            landed={line.landed}
            zones={[zone]}
            closeTo={isWhole ? null : zone}
            onMark={first.mark}
          />
        )}
      </div>
      {!isWindow && (
        <Button look="ghost" className="px-2 text-base md:hidden" onClick={() => setIsWhole(!isWhole)}>
          {isWhole ? 'Closer' : 'It went farther off: the whole court'}
        </Button>
      )}
      {line.landed && (
        <p className="mt-1 text-quiet" role="status">
          The simulated ball {isWindow ? 'passed' : 'touched'} inside the dotted ring: tap there.
        </p>
      )}
      <div className="mt-2 grid grid-cols-2 gap-2.5">
        <ThrowButton line={line} count={1} name="Throw one" />
        <Button size="l" disabled={!first.canUndo} onClick={first.undo}>
          Undo the last tap
        </Button>
        <Button size="l" onClick={() => first.setNeed(need === 2 ? 3 : 2)}>
          {need === 2 ? 'Ask for three' : 'Two are enough'}
        </Button>
      </div>
      <Next first={first} />
      <Dials first={first} />
      {first.shift && (
        <Notice aria-label="Today" tone="warning" className="mt-2">
          <p>Everything seems {percentOff(first.shift.share)} today (battery, balls, cold?).</p>
          <Button size="l" className="mt-2" onClick={() => first.takeShift(first.shift!.share)}>
            {props.hasLine
              ? `Throw all ${percentOff(1 / first.shift.share)} today`
              : `Count it as ${percentOff(first.shift.share)} for today`}
          </Button>
        </Notice>
      )}
      {first.share !== 1 && (
        <p className="mt-2">
          {machine.name} counts as {percentOff(first.share)} than its curves today.{' '}
          <Button look="ghost" className="text-base" onClick={first.takeShiftBack}>
            Take the shift back
          </Button>
        </p>
      )}
      <div className="mt-3 grid grid-cols-2 gap-2.5">
        <Button look={isRight ? 'primary' : 'outline'} size="xl" onClick={onInto}>
          {into}
        </Button>
        <Button size="xl" onClick={onClose}>
          Back to the set-up
        </Button>
      </div>
    </section>
  );
}

/** `6 % slower`. */
const percentOff = (share: number): string => `${Math.abs(100 * (share - 1)).toFixed(0)} % ${share < 1 ? 'slower' : 'faster'}`;

type First = ReturnType<typeof useFirstBall>;

/** What the balls so far ask for: one thing, or the same again. */
function Next({ first: { said, advice, did, setting, turnsItself } }: { first: First }) {
  const units = useUnits();
  const one = (next: NextTrim, look: 'primary' | 'outline') => (
    <li key={sayTrim(next, units)} className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <b className="text-lg first-letter:uppercase">{sayTrim(next, units)}</b>
      <Button look={look} size="l" onClick={() => did(next)}>
        {turnsItself(next) ? 'Set it so' : 'Done'}
        <span className="sr-only">: {sayTrim(next, units)}</span>
      </Button>
    </li>
  );
  return (
    <div className="mt-3" data-testid="next-trim" role="status">
      {said.kind !== 'turn' && <p className="text-lg">{NEXT[said.kind === 'none' && setting > 0 ? 'turned' : said.kind]}</p>}
      {said.kind === 'turn' && !advice && <p className="text-lg">Off by less than a hand can set. The same again.</p>}
      {said.kind === 'turn' && advice && (
        <>
          <p>
            {said.balls === 1
              ? 'Far off: one thing, then another ball.'
              : `By the middle of ${said.balls} balls: one thing, then another ball.`}
          </p>
          <ul className="mt-1 space-y-2">
            {one(advice.first, 'primary')}
            {advice.or && <li className="text-quiet">or</li>}
            {advice.or && one(advice.or, 'outline')}
          </ul>
        </>
      )}
    </div>
  );
}

const NEXT = {
  none: 'Let one ball go by, then throw one and mark it.',
  turned: 'Throw one with the new setting, and mark it.',
  in: 'In the zone. The same again, touching nothing.',
  right: 'It is right.',
  'one-more': 'One ball tells little. The same again, touching nothing, and mark it.',
  scatter: 'Its middle is where it should be: that is the machine’s own scatter. The same again.',
} as const;

/** Where its tuned dials stand: a hand on one begins the count anew. */
function Dials({ first: { dials, readings, turnDial } }: { first: First }) {
  const shown = dials.filter(({ id }) => readings[id] !== undefined);
  if (shown.length === 0) return null;
  return (
    <ul className="mt-2 border-t border-base-300" aria-label="Dials now">
      {shown.map((dial) => (
        <li key={dial.id} className="flex items-center gap-3 border-b border-base-300 py-1.5">
          <span className="grow text-lg">{dial.name}</span>
          {([-1, 1] as const).map((way) => (
            <Button
              key={way}
              size="l"
              square
              className={`text-2xl ${way === 1 ? 'order-last' : ''}`}
              aria-label={`${dial.name} one click ${way === 1 ? 'higher' : 'lower'}`}
              onClick={() => turnDial(dial, readings[dial.id]! + way * dial.scale.click)}
            >
              {way === 1 ? '+' : '−'}
            </Button>
          ))}
          <output className="dial w-28 text-center text-2xl font-bold">{printReading(dial.scale, readings[dial.id]!)}</output>
        </li>
      ))}
    </ul>
  );
}
