import { PitchDetector } from 'pitchy';

const A4_MIDI = 69;
const A4_HERTZ = 440;
const LEAST_WINDOW = 2048;
const PERIODS = 2.5;
const LEAST_CLEAR = 0.8;
const LEAST_LOUD = 0.01;
const TONE_LOWER = 2;

/** The pitch of the last moments of a sound that comes in pieces (McLeod's pitch method, by pitchy). */
export class Pitches {
  private readonly window: Float32Array;
  private readonly detector: PitchDetector<Float32Array>;

  /** rate: Hz. lowest: MIDI number of the lowest note that is asked. */
  constructor(
    private readonly rate: number,
    lowest: number,
  ) {
    const hertz = A4_HERTZ * 2 ** ((lowest - TONE_LOWER - A4_MIDI) / 12);
    let size = LEAST_WINDOW;
    while ((size / rate) * hertz < PERIODS) size *= 2;
    this.window = new Float32Array(size);
    this.detector = PitchDetector.forFloat32Array(size);
  }

  /** The MIDI number with its fraction after one more piece; null for silence, noise, or no clear pitch. */
  hear(piece: Float32Array): number | null {
    const { window } = this;
    const kept = piece.subarray(Math.max(0, piece.length - window.length));
    window.copyWithin(0, kept.length);
    window.set(kept, window.length - kept.length);
    if (kept.every((value) => Math.abs(value) < LEAST_LOUD)) return null;
    const [hertz, clear] = this.detector.findPitch(window, this.rate);
    return clear < LEAST_CLEAR || hertz <= 0 ? null : A4_MIDI + 12 * Math.log2(hertz / A4_HERTZ);
  }
}
