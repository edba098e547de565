// Hands the sound of the microphone on as it comes, untouched.
class Tap extends AudioWorkletProcessor {
  process(inputs) {
    const channel = inputs[0]?.[0];
    if (channel) this.port.postMessage(channel.slice());
    return true;
  }
}

registerProcessor('tap', Tap);
