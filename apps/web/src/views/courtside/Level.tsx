import { printAngle } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button.tsx';

type Asking = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** This near the angle is right, °: a phone tells no less. */
const RIGHT_DEG = 0.5;

/** The elevation of the barrel by the phone’s own level: laid along it, the top toward the muzzle. */
export function Level({ wantedDeg }: { wantedDeg: number }) {
  const [state, setState] = useState<'off' | 'on' | 'none'>('off');
  const [deg, setDeg] = useState<number | null>(null);
  useEffect(() => {
    if (state !== 'on') return;
    const hear = ({ beta }: DeviceOrientationEvent): void => {
      if (beta !== null) setDeg(beta);
    };
    window.addEventListener('deviceorientation', hear);
    // a desk has no such sensor and never says so
    const silent = setTimeout(() => setDeg((now) => (now === null ? Number.NaN : now)), 1500);
    return () => {
      clearTimeout(silent);
      window.removeEventListener('deviceorientation', hear);
    };
  }, [state]);

  async function start(): Promise<void> {
    if (typeof DeviceOrientationEvent === 'undefined') return setState('none');
    const { requestPermission } = DeviceOrientationEvent as Asking;
    const may = requestPermission ? await requestPermission().catch(() => 'denied') : 'granted';
    setState(may === 'granted' ? 'on' : 'none');
  }

  if (state === 'off')
    return (
      <Button className="mt-1 ml-2" onClick={start}>
        Measure it with this phone
      </Button>
    );
  const silent = state === 'none' || Number.isNaN(deg);
  if (silent) return <p className="text-sm">This device has no level: use an angle gauge, or the machine’s own scale.</p>;
  const off = deg === null ? 0 : deg - wantedDeg;
  return (
    <p role="status">
      {deg === null ? (
        'Lay the phone along the barrel, its top toward the muzzle.'
      ) : (
        <b className="dial text-lg">{printAngle(deg, 1)} now</b>
      )}{' '}
      {deg !== null &&
        (Math.abs(off) <= RIGHT_DEG ? 'That is it.' : `${off > 0 ? 'Lower' : 'Raise'} it by ${printAngle(Math.abs(off), 1)}.`)}
    </p>
  );
}
