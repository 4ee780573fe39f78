import {
  type ArmSlot,
  diamondOf,
  firstGameBall,
  type GameBall,
  type Hand,
  inSlot,
  type PitchGameBall,
  type Setup,
  standsInSlot,
} from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';

const HANDS: readonly Hand[] = ['right', 'left'];

/** Places the machine where a pitcher's arm lets go, in one tap. @param game ball in hand; without a pitch the level's own stands in */
export function ArmSlots({ setup, game, onChange }: { setup: Setup; game: GameBall | null; onChange: (part: Partial<Setup>) => void }) {
  const play = diamondOf(setup.sport);
  const pitch = game?.kind === 'pitch' ? game : firstGameBall(setup.sport, setup.level, 'gameBall');
  if (!play || pitch.kind !== 'pitch') return null;
  return (
    <fieldset className="min-w-0 sm:col-span-2 xl:col-span-3">
      <legend className="font-semibold">In the arm’s slot</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        {HANDS.map((hand) => (
          <div key={hand} className="flex flex-wrap items-center gap-2">
            <span className="text-sm text-quiet">{hand === 'right' ? 'Right-hander' : 'Left-hander'}</span>
            {play.slots.map((slot) => (
              <Slot key={slot.id} {...{ setup, pitch, hand, slot, onChange }} />
            ))}
          </div>
        ))}
      </div>
      <p className="mt-1 text-sm text-quiet">
        Beside the rubber and as high as the pitcher of “{pitch.name}, {pitch.band}” lets go; from nearer by, on the line from there to the
        plate. For the other arm a ball that bends is mirrored.
      </p>
    </fieldset>
  );
}

interface SlotProps {
  setup: Setup;
  pitch: PitchGameBall;
  hand: Hand;
  slot: ArmSlot;
  onChange: (part: Partial<Setup>) => void;
}

const Slot = ({ setup, pitch, hand, slot, onChange }: SlotProps) => {
  const isIn = standsInSlot(setup, pitch, hand, slot);
  return (
    <Button
      look={isIn ? 'primary' : 'outline'}
      aria-pressed={isIn}
      aria-label={`${hand === 'right' ? 'Right-hander' : 'Left-hander'}, ${slot.name.toLowerCase()}`}
      onClick={() => onChange(inSlot(setup, pitch, hand, slot))}
    >
      {slot.name}
    </Button>
  );
};
