import { type Arrangement, type Nearest, printAngle, printTime, type ReasonCode, type Setup, type Thrower } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  setup: Setup;
  arrangement: Arrangement;
  machine: { name: string; profile: Thrower };
  onChange: (change: Partial<Setup>) => void;
}

/** Which limit stands in the way, by how much, and the nearest that can be done, one tap away. */
export function Impossible({ setup, arrangement, machine, onChange }: Props) {
  const units = useUnits();
  const { reason, blocked } = arrangement;
  if (!reason) return null;
  const [needs] = blocked;
  const { speedMps, elevationDeg } = machine.profile;
  const { hold } = setup;
  const held =
    'elevationDeg' in hold
      ? `at ${printAngle(hold.elevationDeg)}`
      : 'speedMps' in hold
        ? `at ${units.speed(hold.speedMps)}`
        : 'netClearanceM' in hold
          ? `${units.length(hold.netClearanceM)} over the net`
          : `with ${printTime(hold.flightTimeS)} in the air`;
  const say: Record<typeof reason.code, string> = {
    net: `An arc ${held} hits the net${needs?.netClearanceM != null ? `, ${units.length(-needs.netClearanceM)} under its top` : ''}.`,
    'speed-too-high': needs
      ? `It takes ${units.speed(needs.speedMps)} ${held === `at ${units.speed(needs.speedMps)}` ? '' : held}; ${machine.name} has at most ${units.speed(speedMps[1])}.`
      : `${machine.name} has at most ${units.speed(speedMps[1])}.`,
    'speed-too-low': needs
      ? `It takes ${units.speed(needs.speedMps)} ${held}; ${machine.name} cannot throw slower than ${units.speed(speedMps[0])}.`
      : `${machine.name} cannot throw slower than ${units.speed(speedMps[0])}.`,
    'elevation-too-high': `It takes ${printAngle(needs?.elevationDeg ?? 0)}; ${machine.name} goes up to ${printAngle(elevationDeg[1])}.`,
    'elevation-too-low': `It takes ${printAngle(needs?.elevationDeg ?? 0)}; ${machine.name} goes down to ${printAngle(elevationDeg[0])}.`,
    'out-of-reach': `No arc ${held} reaches this spot.`,
    ceiling: `An arc ${held} touches the ceiling${setup.ceilingM === undefined ? '' : ` at ${units.length(setup.ceilingM)}`}.`,
    'between-steps': `This needs a setting between the steps that ${machine.name} has.`,
    'no-net': 'There is no net between the machine and this spot.',
  };
  return (
    <Notice role="status" tone="error">
      <p className="font-semibold">{say[reason.code].replace(/\s+;/, ';')}</p>
      {reason.nearest ? (
        <Suggestion
          setup={setup}
          nearest={reason.nearest}
          reason={reason.code}
          hasPins={(machine.profile.speedSteps ?? []).length > 0}
          onChange={onChange}
        />
      ) : (
        <p>Nothing this machine can throw from here comes near. Move the machine or the spot.</p>
      )}
    </Notice>
  );
}

/** A little inside the limit, so that rounding does not put it outside again. */
const INSIDE_DEG = 0.02;

function Suggestion({
  setup,
  nearest,
  reason,
  hasPins,
  onChange,
}: {
  setup: Setup;
  nearest: Nearest;
  reason: ReasonCode;
  /** The machine has only certain speeds. */
  hasPins: boolean;
  onChange: Props['onChange'];
}) {
  const units = useUnits();
  const settings = `${printAngle(nearest.elevationDeg, 1)} at ${units.speed(nearest.speedMps)}`;
  const sameSpot = nearest.missM < 0.01;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>
        Nearest possible: <b>{settings}</b>
        {sameSpot ? ', same landing spot' : `, ${units.length(nearest.missM)} from the spot you asked for`}
      </span>
      <Button
        look="primary"
        onClick={() => {
          const { target } = setup;
          const toward = 'elevationDeg' in setup.hold && nearest.elevationDeg < setup.hold.elevationDeg ? -INSIDE_DEG : INSIDE_DEG;
          onChange({
            hold:
              reason === 'between-steps' && hasPins
                ? { speedMps: nearest.speedMps }
                : sameSpot || 'elevationDeg' in setup.hold
                  ? { elevationDeg: nearest.elevationDeg + (sameSpot ? toward : 0) }
                  : { speedMps: nearest.speedMps },
            ...(sameSpot ? {} : { target: target.kind === 'landing' ? { ...target, x: nearest.x, y: nearest.y } : target }),
          });
        }}
      >
        Use it
      </Button>
    </p>
  );
}
