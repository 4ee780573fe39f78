import { useEffect, useState } from 'react';
import { type Kept, kept } from '../../device/kept.ts';
import { device } from '../../device/store.ts';

/** How a release is told to who does not look. */
export type Signals = Kept<'signals'>;

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
/** The mark of three that was sounded last: a ball drops into the feeder, rolls, and goes. Empty without them. @param inS to the release */
export function markAt({ tone }: Signals, inS: number | null): string {
  if (tone !== 'three' || inS === null) return '';
  const sounded = TONES.three.filter(([beforeS]) => inS <= beforeS).length;
  return ['', 'drop', 'roll', 'go'][sounded]!;
}

/** Said so long before, that a name and a word are over when it leaves; a phone in a pocket buzzes with the tone. */
const SAID_BEFORE_S = 2.2;
const BUZZ_BEFORE_S = 1;

/** Tones are handed to the audio clock so long before they sound, s: its time does not wait for a busy page. */
const AHEAD_S = 0.3;

/** What is due before a release, in its order, given when that is by `performance.now()`. @param cue empty when there is nothing to say */
export function signalsFor({ tone, voice, buzz }: Signals, cue: string): { beforeS: number; act: (dueAt: number) => void }[] {
  return [
    ...(voice && cue !== '' ? [{ beforeS: SAID_BEFORE_S, act: () => say(cue) }] : []),
    ...(buzz ? [{ beforeS: BUZZ_BEFORE_S, act: () => navigator.vibrate?.(120) }] : []),
    ...TONES[tone].map(([beforeS, hz]) => ({ beforeS: beforeS + AHEAD_S, act: (dueAt: number) => beep(hz, dueAt - 1000 * beforeS) })),
  ].sort((a, b) => b.beforeS - a.beforeS);
}

/** As this device was set last: it belongs to the phone on the fence, not to a person. */
export function useSignals(): [Signals, (part: Partial<Signals>) => void] {
  const [signals, setSignals] = useState<Signals>(SILENT);
  useEffect(() => {
    void kept('signals', KEY).then((as) => as && setSignals(as));
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
/** Tones that are to come, and when, s of the audio clock. */
let coming: { tone: OscillatorNode; at: number }[] = [];

/** When a moment of `performance.now()` comes out of the speaker, s of the audio clock: what it plays now it was given a little before. */
export function audioTimeOf(context: Pick<AudioContext, 'currentTime' | 'getOutputTimestamp'>, atMs: number): number {
  const { contextTime = 0, performanceTime = 0 } = context.getOutputTimestamp();
  const at = performanceTime > 0 ? contextTime + (atMs - performanceTime) / 1000 : context.currentTime + (atMs - performance.now()) / 1000;
  return Math.max(context.currentTime, at);
}

/** A short high tone: it carries over the hum of a machine. @param atMs when, by `performance.now()`; without, at once */
export function beep(hz: number, atMs?: number): void {
  audio ??= new AudioContext();
  const at = atMs === undefined ? audio.currentTime : audioTimeOf(audio, atMs);
  const tone = audio.createOscillator();
  const volume = audio.createGain();
  tone.frequency.value = hz;
  volume.gain.setValueAtTime(0.5, at);
  volume.gain.exponentialRampToValueAtTime(0.001, at + 0.18);
  tone.connect(volume).connect(audio.destination);
  tone.start(at);
  tone.stop(at + 0.2);
  coming = [...coming.filter((each) => each.at > audio!.currentTime), { tone, at }];
}

/** No ball is due any more: what was to sound for it does not. */
export function hush(): void {
  for (const { tone, at } of coming) if (audio && at > audio.currentTime) tone.stop();
  coming = [];
}
