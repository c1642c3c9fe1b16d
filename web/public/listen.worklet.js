/* Runs on the audio thread, as it is: passes what the microphone hears on to the page in pieces, and keeps nothing. */
const pieceLength = 2048;

class Tap extends AudioWorkletProcessor {
  piece = new Float32Array(pieceLength);
  filled = 0;

  process([[channel] = []]) {
    if (!channel) return true;
    for (let at = 0; at < channel.length;) {
      const room = Math.min(pieceLength - this.filled, channel.length - at);
      this.piece.set(channel.subarray(at, at + room), this.filled);
      this.filled += room;
      at += room;
      if (this.filled < pieceLength) break;
      this.port.postMessage(this.piece.slice());
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('tap', Tap);
