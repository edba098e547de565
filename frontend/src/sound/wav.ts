const HEADER = 44;
const FULL = 0x7fff;
const BYTES = 2;

/** Sound of one channel, full scale at 1. */
export interface Sound {
  samples: Float32Array;
  /** Hz. */
  rate: number;
}

/** As a WAV file of 16 bits. */
export function wavOf({ samples, rate }: Sound): Blob {
  const view = new DataView(new ArrayBuffer(HEADER + BYTES * samples.length));
  const word = (at: number, text: string) => {
    for (let n = 0; n < text.length; n++) view.setUint8(at + n, text.charCodeAt(n));
  };
  word(0, 'RIFF');
  view.setUint32(4, HEADER - 8 + BYTES * samples.length, true);
  word(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * BYTES, true);
  view.setUint16(32, BYTES, true);
  view.setUint16(34, 8 * BYTES, true);
  word(36, 'data');
  view.setUint32(40, BYTES * samples.length, true);
  samples.forEach((value, n) => {
    const held = Math.max(-1, Math.min(1, value));
    view.setInt16(HEADER + BYTES * n, Math.round(held * FULL), true);
  });
  return new Blob([view.buffer], { type: 'audio/wav' });
}

/** Pieces as they came, one after another. */
export function joined(pieces: Float32Array[]): Float32Array {
  const whole = new Float32Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
