/** A soft bell: two partials that fade. Silent where the browser has no sound or does not allow it yet. */
export function chime(seconds = 2): void {
  if (typeof AudioContext === 'undefined') return;
  const sound = new AudioContext();
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
  setTimeout(() => void sound.close(), seconds * 1000 + 500);
}
