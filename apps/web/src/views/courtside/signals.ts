import { useEffect, useState } from 'react';
import { z } from 'zod';
import { keptAs } from '../../device/kept.ts';
import { device } from '../../device/store.ts';

const signalsSchema = z.object({
  /** One tone a second before the release; or three marks: drop, roll, go. */
  tone: z.enum(['off', 'one', 'three']),
  /** The next ball and whose it is, said aloud. */
  voice: z.boolean(),
  buzz: z.boolean(),
});
/** How a release is told to who does not look. */
export type Signals = z.infer<typeof signalsSchema>;

const SILENT: Signals = { tone: 'off', voice: false, buzz: false };
const KEY = 'signals';

/** Before the release, s, and how high, Hz. */
const TONES: Record<Signals['tone'], readonly (readonly [beforeS: number, hz: number])[]> = {
  off: [],
  one: [[1, 1320]],
  three: [
    [1, 660],
    [0.5, 880],
    [0, 1320],
  ],
};
/** Said so long before, that a name and a word are over when it leaves; a phone in a pocket buzzes with the tone. */
const SAID_BEFORE_S = 2.2;
const BUZZ_BEFORE_S = 1;

/** What is due before a release, in its order. @param cue empty when there is nothing to say */
export function signalsFor({ tone, voice, buzz }: Signals, cue: string): { beforeS: number; act: () => void }[] {
  return [
    ...(voice && cue !== '' ? [{ beforeS: SAID_BEFORE_S, act: () => say(cue) }] : []),
    ...(buzz ? [{ beforeS: BUZZ_BEFORE_S, act: () => navigator.vibrate?.(120) }] : []),
    ...TONES[tone].map(([beforeS, hz]) => ({ beforeS, act: () => beep(hz) })),
  ].sort((a, b) => b.beforeS - a.beforeS);
}

/** As this device was set last: it belongs to the phone on the fence, not to a person. */
export function useSignals(): [Signals, (part: Partial<Signals>) => void] {
  const [signals, setSignals] = useState<Signals>(SILENT);
  useEffect(() => {
    void device().ready.then(() => {
      const kept = keptAs(signalsSchema, KEY);
      if (kept) setSignals(kept);
    });
  }, []);
  return [
    signals,
    (part) => {
      const next = { ...signals, ...part };
      device().setItem(KEY, JSON.stringify(next));
      setSignals(next);
    },
  ];
}

/** In the device’s own voice; what was not finished is left. */
export function say(text: string): void {
  if (!('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}

let audio: AudioContext | null = null;

/** A short high tone: it carries over the hum of a machine. */
export function beep(hz: number): void {
  audio ??= new AudioContext();
  const tone = audio.createOscillator();
  const volume = audio.createGain();
  tone.frequency.value = hz;
  volume.gain.setValueAtTime(0.5, audio.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.18);
  tone.connect(volume).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.2);
}
