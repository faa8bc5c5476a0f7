// Measures how loud it is, twenty times a second, beside the page. Only levels leave it: no sound is kept or sent.
const STEP_S = 0.05;
// Of silence, so that its level is a number.
const SILENCE = 1e-12;

class Level extends AudioWorkletProcessor {
  constructor() {
    super();
    this.sum = 0;
    this.count = 0;
  }

  process([[samples]]) {
    for (const sample of samples ?? []) {
      this.sum += sample * sample;
      this.count += 1;
      if (this.count >= STEP_S * sampleRate) this.tell();
    }
    return true;
  }

  tell() {
    this.port.postMessage(10 * Math.log10(this.sum / this.count + SILENCE));
    this.sum = 0;
    this.count = 0;
  }
}

registerProcessor("level", Level);
