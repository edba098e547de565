import { LOCALE } from '../words/lists';

/** Says it aloud with a voice of this very device; silent where there is none: no other is asked. */
export function speak(words: string): void {
  if (!('speechSynthesis' in window)) return;
  const language = LOCALE.slice(0, 2);
  const voice = speechSynthesis
    .getVoices()
    .find((each) => each.localService && each.lang.startsWith(language));
  if (!voice) return;
  const said = new SpeechSynthesisUtterance(words);
  said.voice = voice;
  speechSynthesis.speak(said);
}

export function hush(): void {
  if ('speechSynthesis' in window) speechSynthesis.cancel();
}
