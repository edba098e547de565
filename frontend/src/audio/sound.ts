// Sounds made in the browser: no recordings, nothing to load.

const A4_MIDI = 69;
const A4_HERTZ = 440;

let shared: AudioContext | null = null;

/** The one audio context of the page. Call it from a touch or key: browsers want that. */
export function audioContext(): AudioContext {
  shared ??= new AudioContext();
  if (shared.state === 'suspended') void shared.resume();
  return shared;
}

/** Frequency in Hz, equal temperament, A4 = 440 Hz (ISO 16:1975). */
export function hertz(midi: number): number {
  return A4_HERTZ * 2 ** ((midi - A4_MIDI) / 12);
}

/** A short click at `time` s of the context; the first beat of a bar is higher. */
export function click(context: AudioContext, time: number, first: boolean): void {
  const gain = context.createGain();
  gain.gain.setValueAtTime(0.5, time);
  gain.gain.exponentialRampToValueAtTime(0.001, time + 0.06);
  const tone = context.createOscillator();
  tone.frequency.value = first ? 1600 : 1000;
  tone.connect(gain).connect(context.destination);
  tone.start(time);
  tone.stop(time + 0.07);
}

/** One soft string-like note from `time` for `seconds`. Returns what stops it early. */
export function note(
  context: AudioContext,
  midi: number,
  time: number,
  seconds: number,
): OscillatorNode {
  const end = time + Math.max(0.12, seconds * 0.95);
  const gain = context.createGain();
  gain.gain.setValueAtTime(0, time);
  gain.gain.linearRampToValueAtTime(0.22, time + 0.03);
  gain.gain.setValueAtTime(0.22, Math.max(time + 0.03, end - 0.06));
  gain.gain.linearRampToValueAtTime(0, end);
  const tone = context.createOscillator();
  tone.type = 'triangle';
  tone.frequency.value = hertz(midi);
  tone.connect(gain).connect(context.destination);
  tone.start(time);
  tone.stop(end + 0.02);
  return tone;
}

/** A held tone with its octave, until the returned function is called. */
export function drone(context: AudioContext, midi: number): () => void {
  const gain = context.createGain();
  gain.gain.setValueAtTime(0, context.currentTime);
  gain.gain.linearRampToValueAtTime(0.14, context.currentTime + 0.2);
  const filter = context.createBiquadFilter();
  filter.type = 'lowpass';
  filter.frequency.value = 4 * hertz(midi);
  const tones = [midi, midi + 12].map((pitch) => {
    const tone = context.createOscillator();
    tone.type = 'sawtooth';
    tone.frequency.value = hertz(pitch);
    tone.connect(filter);
    tone.start();
    return tone;
  });
  filter.connect(gain).connect(context.destination);
  return () => {
    const end = context.currentTime + 0.15;
    gain.gain.cancelScheduledValues(context.currentTime);
    gain.gain.linearRampToValueAtTime(0, end);
    for (const tone of tones) tone.stop(end + 0.02);
  };
}
