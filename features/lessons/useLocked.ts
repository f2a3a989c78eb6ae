import { useEffect, useRef } from 'react';

/** A second of silence, as small as a sound file can be: 8 000 samples a second, 8 bits, one channel. */
function silence(): string {
  const [rate, head] = [8000, 44];
  const bytes = new Uint8Array(head + rate).fill(128, head);
  const view = new DataView(bytes.buffer);
  const letters = (at: number, words: string) =>
    [...words].forEach((one, i) => view.setUint8(at + i, one.charCodeAt(0)));
  letters(0, 'RIFF');
  view.setUint32(4, 36 + rate, true);
  letters(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate, true);
  view.setUint16(32, 1, true);
  view.setUint16(34, 8, true);
  letters(36, 'data');
  view.setUint32(40, rate, true);
  return URL.createObjectURL(new Blob([bytes], { type: 'audio/wav' }));
}

/** What a locked phone shows of a lesson, and what its keys do. */
export interface Locked {
  readonly title: string;
  readonly under: string;
  readonly runs: boolean;
  readonly play: () => void;
  readonly pause: () => void;
  readonly next: () => void;
  readonly again: () => void;
}

/**
 * A lesson on a locked phone, as far as its browser lets it: a silent sound keeps the page awake, and the lock screen
 * shows what goes on, with its keys. Where a browser has no such thing, nothing happens.
 */
export function useLocked(locked: Locked): void {
  const now = useRef(locked);
  useEffect(() => {
    now.current = locked;
  });
  const { runs, title, under } = locked;
  useEffect(() => {
    if (!('mediaSession' in navigator) || typeof Audio === 'undefined') return;
    const from = silence();
    const sound = new Audio(from);
    sound.loop = true;
    // Where no tap has begun it, it stays silent: the lesson is led all the same.
    void sound.play()?.catch(() => undefined);
    const does = {
      play: () => now.current.play(),
      pause: () => now.current.pause(),
      nexttrack: () => now.current.next(),
      previoustrack: () => now.current.again(),
    };
    const actions = Object.entries(does) as [MediaSessionAction, () => void][];
    for (const [action, act] of actions) navigator.mediaSession.setActionHandler(action, act);
    return () => {
      sound.pause();
      URL.revokeObjectURL(from);
      for (const [action] of actions) navigator.mediaSession.setActionHandler(action, null);
      navigator.mediaSession.metadata = null;
    };
  }, []);
  useEffect(() => {
    if (!('mediaSession' in navigator) || typeof MediaMetadata === 'undefined') return;
    navigator.mediaSession.metadata = new MediaMetadata({ title, artist: under, album: 'Ojas' });
    navigator.mediaSession.playbackState = runs ? 'playing' : 'paused';
  }, [title, under, runs]);
}
