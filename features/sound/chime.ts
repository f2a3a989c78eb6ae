let sound: AudioContext | null = null;

/** Makes sound ready within a tap: some browsers let nothing be heard that no tap began. */
export function unlockSound(): void {
  if (typeof AudioContext === 'undefined') return;
  sound ??= new AudioContext();
  if (sound.state === 'suspended') void sound.resume();
}

/** A soft bell: two partials that fade. Silent where the browser has no sound or does not allow it yet. */
export function chime(seconds = 2): void {
  unlockSound();
  if (!sound) return;
  for (const [hertz, loudness] of [
    [528, 0.2],
    [1056, 0.08],
  ] as const) {
    const tone = sound.createOscillator();
    const fade = sound.createGain();
    tone.frequency.value = hertz;
    fade.gain.setValueAtTime(loudness, sound.currentTime);
    fade.gain.exponentialRampToValueAtTime(0.0001, sound.currentTime + seconds);
    tone.connect(fade).connect(sound.destination);
    tone.start();
    tone.stop(sound.currentTime + seconds);
  }
}
