import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react';
import { OncePerFrame } from './oncePerFrame.ts';

interface Props {
  /** Centre in the picture, px. */
  px: number;
  py: number;
  name: string;
  /** Where it is, in words, for a screen reader. */
  says: string;
  onDrag: (px: number, py: number) => void;
  /** Arrow keys: steps along the picture, in metres. */
  onNudge: (rightM: number, downM: number) => void;
  onDone: () => void;
  children: ReactNode;
}

const STEP_M = 0.1;
const COARSE_M = 0.5;
const FINE_M = 0.02;
const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** A thing on the ruler that can be dragged, or moved with the arrow keys (Shift coarse, Alt fine). */
export function Handle({ px, py, name, says, onDrag, onNudge, onDone, children }: Props) {
  const grip = useRef<{ dx: number; dy: number } | null>(null);
  const [frame] = useState(() => new OncePerFrame());
  const latest = useRef(onDrag);
  latest.current = onDrag;

  /** The last place counts, though its frame has not come. */
  function letGo(): void {
    grip.current = null;
    frame.flush();
    onDone();
  }

  const inPicture = (event: PointerEvent<SVGGElement>): { x: number; y: number } => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  function onKeyDown(event: KeyboardEvent): void {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    const step = event.shiftKey ? COARSE_M : event.altKey ? FINE_M : STEP_M;
    onNudge(arrow[0] * step, arrow[1] * step);
  }

  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={Math.round(px)}
      aria-valuetext={says}
      className="cursor-grab touch-none outline-none active:cursor-grabbing [&:focus-visible>.ring]:opacity-100"
      onPointerDown={(event) => {
        const at = inPicture(event);
        grip.current = { dx: px - at.x, dy: py - at.y };
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus({ preventScroll: true });
      }}
      onPointerMove={(event) => {
        if (!grip.current) return;
        const at = inPicture(event);
        const [x, y] = [at.x + grip.current.dx, at.y + grip.current.dy];
        frame.put(() => latest.current(x, y));
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onKeyDown={onKeyDown}
      onBlur={onDone}
    >
      <circle cx={px} cy={py} r={24} fill="transparent" />
      <circle className="ring opacity-0" cx={px} cy={py} r={20} fill="none" stroke="var(--color-info)" strokeWidth={3} />
      {children}
    </g>
  );
}
