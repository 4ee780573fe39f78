import { ballById, conditionsOf, diamondOf, fly, type Launch, PLATE, printTime, type Setup } from '@good-arc/core';
import Konva from 'konva/lib/Core';
import { Circle } from 'konva/lib/shapes/Circle';
import { Line } from 'konva/lib/shapes/Line';
import { Text } from 'konva/lib/shapes/Text';
import { Pause, Play, SkipBack, StepBack, StepForward } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Dialog } from '../../../ui/Dialog.tsx';
import { type Point, projector } from './projection.ts';

interface Props {
  pitches: { label: string; setup: Setup; launch: Launch }[];
  planeY: number;
  eye: Point;
  zone: { bottomM: number; topM: number };
  /** Start of the swing to contact, s. */
  swingS: number;
  onClose: () => void;
}

const FRAME_S = 1 / 60;
const FOV_DEG = 30;
const HEIGHT_PX = 380;
/** Held still before release and after contact, s. */
const BEFORE_S = 0.6;
const SPEEDS = [1, 0.5, 0.25] as const;

/** One or two pitches in true perspective and real time, from release to contact, with the last moment to decide. */
export default function HitterView({ pitches, planeY, eye, zone, swingS, onClose }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const still = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  const [t, setT] = useState(still ? 0 : -BEFORE_S);
  const [playing, setPlaying] = useState(!still);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>(1);
  const [shown, setShown] = useState('all');
  const flights = useMemo(
    () =>
      pitches.map(({ label, setup, launch }) => {
        const flight = fly(conditionsOf(setup), launch, { planesY: [planeY], maxBounces: 1, sampleS: 0.002 });
        const contactS = flight.crossings[0]?.t ?? flight.path.at(-1)![0];
        return { label, path: flight.path, contactS, radiusM: ballById(setup.ballId).radiusM };
      }),
    [pitches, planeY],
  );
  const decideS = Math.max(0, Math.min(...flights.map(({ contactS }) => contactS)) - swingS);
  const endS = Math.max(...flights.map(({ contactS }) => contactS));

  useEffect(() => {
    if (!playing) return;
    let last = performance.now();
    let frame = requestAnimationFrame(function tick(now) {
      const passed = ((now - last) / 1000) * speed;
      last = now;
      setT((was) => Math.min(endS, was + passed));
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, speed, endS]);
  useEffect(() => {
    if (playing && t >= endS) setPlaying(false);
  }, [playing, t, endS]);

  const stage = useRef<{ draw: (t: number, shown: string) => void } | null>(null);
  useEffect(() => {
    const container = box.current;
    if (!container) return;
    const width = container.clientWidth;
    const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const ink = colour('--color-base-content');
    const colours = [colour('--color-accent'), colour('--color-secondary')];
    const canvas = new Konva.Stage({ container, width, height: HEIGHT_PX });
    const [ground, balls] = [new Konva.Layer({ listening: false }), new Konva.Layer({ listening: false })];
    canvas.add(ground, balls);
    const release = pitches[0]!.launch;
    const see = projector({
      eye,
      lookAt: { x: release.x, y: release.y, z: release.z * 0.7 },
      widthPx: width,
      heightPx: HEIGHT_PX,
      fovDeg: FOV_DEG,
    });
    const polyline = (places: Point[], strokeWidth: number, dash?: number[]): void => {
      const seen = places.map(see).filter((p) => p !== null);
      ground.add(new Line({ points: seen.flatMap(({ x, y }) => [x, y]), stroke: ink, strokeWidth, ...(dash && { dash }) }));
    };
    const flat = (x: number, y: number): Point => ({ x, y, z: 0 });
    // the ground up to the horizon, which is at the height of the eye
    const far = see({ x: release.x, y: 4000, z: 0 });
    const horizon = far ? far.y : 0;
    ground.add(
      new Line({ points: [0, horizon, width, horizon, width, HEIGHT_PX, 0, HEIGHT_PX], closed: true, fill: colour('--color-base-300') }),
    );
    const { rubberY_m } = diamondOf(pitches[0]!.setup.sport)!;
    // the lane to the mound, a line every ten feet, the zone in the air over the plate
    for (const x of [-1.2, 1.2]) polyline([flat(x, 1.5), flat(x, rubberY_m)], 1);
    for (let y = 3.048; y < rubberY_m + 1; y += 3.048) polyline([flat(-1.2, y), flat(1.2, y)], 0.7, [3, 6]);
    polyline([flat(-0.305, rubberY_m), flat(0.305, rubberY_m)], 4);
    const h = PLATE.halfWidthM;
    const corner = (x: number, z: number): Point => ({ x, y: planeY, z });
    polyline(
      [corner(-h, zone.bottomM), corner(h, zone.bottomM), corner(h, zone.topM), corner(-h, zone.topM), corner(-h, zone.bottomM)],
      1.4,
      [6, 5],
    );
    for (const { launch } of pitches) {
      const [foot, muzzle] = [see({ ...launch, z: 0 }), see(launch)];
      if (foot && muzzle)
        ground.add(new Line({ points: [foot.x, foot.y, muzzle.x, muzzle.y], stroke: ink, strokeWidth: Math.max(3, 0.25 * muzzle.perM) }));
    }
    stage.current = {
      draw: (time, which) => {
        balls.destroyChildren();
        const marks: { y: number; x: number; r: number; fill: string; label: string }[] = [];
        flights.forEach(({ label, path, contactS, radiusM }, i) => {
          if (which !== 'all' && which !== label) return;
          const fill = colours[i % 2]!;
          const at = (when: number): Point => {
            const [, x, y, z] = path[Math.min(path.length - 1, Math.max(0, Math.round(Math.min(when, contactS) / 0.002)))]!;
            return { x, y, z };
          };
          const trail = path
            .filter(([when]) => when <= Math.min(time, contactS))
            .map(([, x, y, z]) => see({ x, y, z }))
            .filter((p) => p !== null);
          if (trail.length > 1)
            balls.add(new Line({ points: trail.flatMap(({ x, y }) => [x, y]), stroke: fill, strokeWidth: 1.4, opacity: 0.6 }));
          if (time >= decideS) {
            const there = see(at(decideS));
            if (there)
              balls.add(
                new Circle({
                  x: there.x,
                  y: there.y,
                  radius: Math.max(7, radiusM * there.perM + 5),
                  stroke: fill,
                  strokeWidth: 2,
                  dash: [4, 3],
                }),
              );
          }
          const ball = see(at(Math.max(0, time)));
          if (ball) marks.push({ x: ball.x, y: ball.y, r: Math.max(2.5, radiusM * ball.perM), fill, label });
        });
        for (const { x, y, r, fill, label } of marks) {
          balls.add(new Circle({ x, y, radius: r, fill, stroke: ink, strokeWidth: 0.8 }));
          if (flights.length > 1) balls.add(new Text({ x: x + r + 3, y: y - 7, text: label, fontSize: 15, fontStyle: 'bold', fill: ink }));
        }
        balls.draw();
      },
    };
    ground.draw();
    return () => {
      stage.current = null;
      canvas.destroy();
    };
  }, [pitches, flights, eye, planeY, zone, decideS]);
  useEffect(() => stage.current?.draw(t, shown), [t, shown]);

  function playOrStop(): void {
    if (!playing && t >= endS) setT(-BEFORE_S);
    setPlaying(!playing);
  }
  const goTo = (next: number): void => {
    setPlaying(false);
    setT(Math.min(endS, Math.max(0, next)));
  };
  return (
    <Dialog title="Hitter’s view" wide onClose={onClose}>
      <div
        ref={box}
        role="img"
        aria-label={`${flights.length === 1 ? 'The pitch' : 'Both pitches'} as the hitter sees ${flights.length === 1 ? 'it' : 'them'}`}
        className="w-full overflow-hidden border border-base-content bg-court"
        style={{ height: HEIGHT_PX }}
      />
      <p className="mt-2 text-lg" aria-live={playing ? 'off' : 'polite'}>
        <span className="dial">{Math.max(0, t).toFixed(3)} s</span> after release
        {t >= decideS ? ' · decided' : ''} · last moment to decide {printTime(decideS)} ·{' '}
        {flights.map(({ label, contactS }) => `${flights.length > 1 ? `${label} ` : ''}contact ${printTime(contactS)}`).join(', ')}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button data-first look="primary" size="l" onClick={playOrStop}>
          {playing ? <Pause aria-hidden size={20} /> : <Play aria-hidden size={20} />} {playing ? 'Stop' : 'Throw'}
        </Button>
        <Button size="l" aria-label="Back to release" onClick={() => goTo(0)}>
          <SkipBack aria-hidden size={20} />
        </Button>
        <Button size="l" aria-label="One frame back" onClick={() => goTo(t - FRAME_S)}>
          <StepBack aria-hidden size={20} />
        </Button>
        <Button size="l" aria-label="One frame on" onClick={() => goTo(Math.max(0, t) + FRAME_S)}>
          <StepForward aria-hidden size={20} />
        </Button>
        <Button size="l" onClick={() => goTo(decideS)}>
          Decide
        </Button>
        <div className="join" role="group" aria-label="Speed">
          {SPEEDS.map((each) => (
            <Button
              key={each}
              aria-pressed={speed === each}
              look={speed === each ? 'primary' : 'outline'}
              size="l"
              className="join-item"
              onClick={() => setSpeed(each)}
            >
              {each === 1 ? 'real time' : `× ${each}`}
            </Button>
          ))}
        </div>
        {flights.length > 1 && (
          <div className="join" role="group" aria-label="Which pitch">
            {['all', ...flights.map(({ label }) => label)].map((each) => (
              <Button
                key={each}
                aria-pressed={shown === each}
                look={shown === each ? 'primary' : 'outline'}
                size="l"
                className="join-item"
                onClick={() => setShown(each)}
              >
                {each === 'all' ? 'both' : each}
              </Button>
            ))}
          </div>
        )}
      </div>
      {still && (
        <p className="mt-2 text-sm text-quiet">Your system asks for less motion: step frame by frame, or throw when you want to.</p>
      )}
    </Dialog>
  );
}
