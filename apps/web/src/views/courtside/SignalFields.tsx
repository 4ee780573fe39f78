import { Volume2, VolumeX } from 'lucide-react';
import { Select } from '../../ui/Select.tsx';
import { beep, type Signals, say } from './signals.ts';

/** How the next release is told: tones, the device’s voice, a buzz. Each is tried as it is chosen, which also wakes the loudspeaker. */
export function SignalFields({ signals, onChange }: { signals: Signals; onChange: (part: Partial<Signals>) => void }) {
  const isSilent = signals.tone === 'off' && !signals.voice && !signals.buzz;
  const toggle = (key: 'voice' | 'buzz', name: string, tryIt: () => void) => (
    <label className="flex min-h-11 items-center gap-2.5">
      <input
        type="checkbox"
        className="checkbox"
        checked={signals[key]}
        onChange={({ target }) => {
          onChange({ [key]: target.checked });
          if (target.checked) tryIt();
        }}
      />
      {name}
    </label>
  );
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-semibold">
        {isSilent ? <VolumeX size={18} aria-hidden /> : <Volume2 size={18} aria-hidden />} Sound, voice, buzz
      </summary>
      <Select
        label="Tones"
        value={signals.tone}
        onChange={(tone) => {
          onChange({ tone });
          if (tone !== 'off') beep(1320);
        }}
        options={[
          ['off', 'none'],
          ['one', 'one, a second before'],
          ['three', 'three: drop, roll, go'],
        ]}
      />
      {toggle('voice', 'Say the next ball', () => say('Next ball'))}
      {toggle('buzz', 'Buzz a second before', () => navigator.vibrate?.(120))}
    </details>
  );
}
