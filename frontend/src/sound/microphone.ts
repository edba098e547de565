import { joined, type Sound } from './wav';
import * as say from '../messages/compiled/sound';

const NO_MICROPHONE = say.noMicrophoneCanBeUsed();
const REFUSED = say.theBrowserWasToldNot();
// What makes speech better makes a measurement worse.
const UNTOUCHED = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
  channelCount: 1,
};
/** What hears the microphone, outside the page's own thread. */
export const TAP = '/static/tap.js';

export interface Microphone {
  /** All that was heard since it was opened. */
  stop: () => Sound;
}

/** Opens the microphone and keeps what it hears. Throws an Error whose words a teacher can use.
 *  onHeard: gets each moment of some 20 ms as it comes, and its rate in Hz. */
export async function openMicrophone(
  onHeard: (piece: Float32Array, rate: number) => void,
): Promise<Microphone> {
  // Missing where the address is not secure, whatever the types say.
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (!devices) throw new Error(NO_MICROPHONE);
  const stream = await devices.getUserMedia({ audio: UNTOUCHED }).catch((error: unknown) => {
    const name = error instanceof DOMException ? error.name : '';
    throw new Error(name === 'NotAllowedError' ? REFUSED : NO_MICROPHONE);
  });
  const context = new AudioContext();
  const close = () => {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
  await context.audioWorklet.addModule(TAP).catch((error: unknown) => {
    close();
    throw error;
  });
  const tap = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
  const pieces: Float32Array[] = [];
  tap.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
    pieces.push(data);
    onHeard(data, context.sampleRate);
  };
  context.createMediaStreamSource(stream).connect(tap);
  return {
    stop: () => {
      tap.port.onmessage = null;
      const rate = context.sampleRate;
      close();
      return { samples: joined(pieces), rate };
    },
  };
}
