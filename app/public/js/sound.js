import { Voice } from "./voice.js";

// Short tones that say what comes next, scheduled on the audio clock so that they do not drift with the screen.
const TONES = {
  inhale: [[440, 0], [660, 0.09]],
  exhale: [[660, 0], [440, 0.09]],
  hold: [[330, 0]],
  breathe: [[523, 0], [523, 0.16]],
  tick: [[880, 0]],
  beat: [[988, 0]],
  end: [[523, 0], [659, 0.16], [784, 0.32]],
  call: [[784, 0], [988, 0.14]],
  note: [[null, 0]],
};
const LENGTH_S = { hold: 0.35, tick: 0.04, beat: 0.025, note: 1.2 };
// The audio clock may slip against the page's while nothing sounds: further than this, what is laid out is wrong.
const SLIP_S = 0.01;
// How far it really ran ahead is only known once it moves.
const RUNNING = "running";
// What should have begun so little ago begins at once.
const LATE_MS = 60;

export class Sound {
  constructor() {
    this.volume = 0.6;
    this.muted = false;
    this.scheduled = [];
    this.voice = new Voice();
    this.speaking = false;
  }

  /** Whether a key or a touch is still needed before anything can sound. */
  get asleep() { return this.context?.state !== RUNNING; }

  /**
   * Browsers let sound begin only with a real gesture: a key or the end of a touch. Answers once the audio clock moves, so
   * that what is laid out then falls where it should.
   */
  async wake() {
    this.context ??= new AudioContext();
    if (!this.gain) this.prepare();
    if (this.asleep) await this.context.resume();
    await this.moving();
  }

  prepare() {
    this.gain = this.context.createGain();
    this.gain.connect(this.context.destination);
    this.loud();
    // Something inaudible that never ends keeps the device, and its clock, from falling asleep between two tones.
    const nothing = new ConstantSourceNode(this.context, { offset: 0 });
    nothing.connect(this.context.destination);
    nothing.start();
  }

  async moving() {
    const from = this.context.currentTime;
    for (let tries = 0; tries < 50 && this.context.currentTime === from; tries += 1) {
      await new Promise((done) => setTimeout(done, 20));
    }
    this.offset = this.mapping();
  }

  /** Seconds of the audio clock less those of the page. */
  mapping() {
    const stamp = this.context.getOutputTimestamp?.();
    if (stamp?.performanceTime) return stamp.contextTime - stamp.performanceTime / 1000;
    return this.context.currentTime - performance.now() / 1000;
  }

  /** @returns whether what was laid out lies where it should no longer */
  get slipped() {
    if (this.asleep || this.offset === undefined || !this.scheduled.length) return false;
    return Math.abs(this.mapping() - this.offset) > SLIP_S;
  }

  loud() {
    if (this.gain) this.gain.gain.value = this.muted ? 0 : this.volume * 0.5;
  }

  /** @param cues [{kind, inMs, hz, say}] from now; what is over already is passed over */
  schedule(cues) {
    if (this.asleep) return;
    this.offset = this.mapping();
    for (const cue of cues.filter(({ inMs }) => inMs >= -LATE_MS)) {
      const at = this.context.currentTime + Math.max(0, cue.inMs) / 1000;
      for (const [pitch, after] of TONES[cue.kind]) this.tone(pitch ?? cue.hz, at + after, LENGTH_S[cue.kind] ?? 0.12);
      if (this.speaking && cue.say) this.words(cue.say, at);
    }
  }

  /** Words are drawn back like tones. */
  words(say, at) {
    for (const source of this.voice.lay(say, at, this.context, this.gain)) {
      this.scheduled.push(source);
      source.onended = () => { this.scheduled = this.scheduled.filter((one) => one !== source); };
    }
  }

  /** Drops all that was scheduled. */
  silence() {
    for (const source of this.scheduled) source.stop();
    this.scheduled = [];
  }

  tone(pitch, at, length) {
    const oscillator = new OscillatorNode(this.context, { frequency: pitch, type: "sine" });
    const envelope = new GainNode(this.context, { gain: 0 });
    envelope.gain.setValueAtTime(0, at);
    envelope.gain.linearRampToValueAtTime(1, at + 0.01);
    envelope.gain.setValueAtTime(1, at + length);
    envelope.gain.linearRampToValueAtTime(0, at + length + 0.04);
    oscillator.connect(envelope).connect(this.gain);
    oscillator.start(at);
    oscillator.stop(at + length + 0.05);
    this.scheduled.push(oscillator);
    oscillator.onended = () => { this.scheduled = this.scheduled.filter((one) => one !== oscillator); };
  }
}
