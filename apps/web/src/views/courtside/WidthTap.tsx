import { type NextStep, type RungDocument, resizeTarget, type Sport, SURE_WIDTH, targetsOf, widthAdvice } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { useUnits } from '../../ui/Units.tsx';

/** After rounds that were too easy or too hard: the target that one in two would hit, set on the rung with one press. Nothing while the balls do not tell it. */
export function WidthTap({
  step: { code, figures },
  document,
  sport,
  onSet,
}: {
  step: NextStep;
  document: RungDocument;
  sport: Sport;
  onSet: (document: RungDocument) => void;
}) {
  const units = useUnits();
  if ((code !== 'too-easy' && code !== 'too-hard') || figures.balls === 0 || targetsOf(document).length === 0) return null;
  const { widthM, depthM } = document.targetSize;
  const advised = widthAdvice(widthM, figures.hits, figures.balls);
  if (advised.sure < SURE_WIDTH) return null;
  const resized = resizeTarget(sport, document, { widthM: advised.widthM, depthM: (depthM * advised.widthM) / widthM });
  return (
    <Button size="l" className="mt-1" onClick={() => onSet({ ...document, ...resized })}>
      Target {units.length(resized.targetSize.widthM)} wide from here on: one in two would be in
    </Button>
  );
}
