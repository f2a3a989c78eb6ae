/** Whether this browser has a voice to speak with. */
export const canSpeak = () =>
  typeof speechSynthesis !== 'undefined' && speechSynthesis.getVoices().length > 0;

/** Says something aloud; what was still being said is cut off. Silent where there is no voice. */
export function speak(words: string): void {
  if (typeof speechSynthesis === 'undefined') return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(words);
  said.lang = 'en';
  speechSynthesis.speak(said);
}
