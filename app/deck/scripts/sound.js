import { speak, Voice } from "./voice.js";

// Short tones that say what comes next, scheduled on the audio clock so that they do not drift with the screen.
const TONES = {
  in: [
    [440, 0],
    [660, 0.09],
  ],
  out: [
    [660, 0],
    [440, 0.09],
  ],
  hold_full: [[330, 0]],
  hold_empty: [[262, 0]],
  sound: [
    [587, 0],
    [587, 0.09],
  ],
  breathe: [
    [523, 0],
    [523, 0.16],
  ],
  tick: [[880, 0]],
  accent: [[988, 0]],
  end: [
    [523, 0],
    [659, 0.16],
    [784, 0.32],
  ],
  call: [
    [784, 0],
    [988, 0.14],
  ],
  note: [[null, 0]],
};
const LENGTH_S = { hold_full: 0.35, hold_empty: 0.35, tick: 0.04, accent: 0.04 };
// Words alone: nothing sounds but them.
const SPOKEN = ["say", "count", "call", "own"];
const BEATS = ["tick", "accent"];
const FALL_S = 0.04;
// The audio clock may slip against the page's while nothing sounds: further than this, what is laid out is wrong.
const SLIP_S = 0.006;
// How far it really ran ahead is only known once it moves.
const RUNNING = "running";
// So many stamps of the device's clock make a median.
const MAPPINGS = 15;
// A device that stumbled is noticed by fewer of them.
const NEWEST = 5;
const median = (numbers) => [...numbers].sort((one, other) => one - other)[numbers.length >> 1];
const pause = () => new Promise((done) => setTimeout(done, 20));
// What should have begun so little ago begins at once.
const LATE_MS = 60;

// At full volume one tone has so much of what the device can do: several lanes may sound at once.
const LOUDEST = 0.5;

/** The audio device of a page. What sounds is laid out on channels: one a session. */
export class Sound {
  constructor() {
    this.volume = 0.6;
    this.muted = false;
    this.voice = new Voice();
    this.channels = [];
  }

  /**
   * @param pitch factor of every tone
   * @param pan place in stereo, -1 to 1
   */
  channel({ pitch = 1, pan = 0 } = {}) {
    const channel = new Channel(this, pitch, pan);
    this.channels.push(channel);
    return channel;
  }

  /** Whether a key or a touch is still needed before anything can sound. */
  get asleep() {
    return this.context?.state !== RUNNING;
  }

  /**
   * Browsers let sound begin only with a real gesture: a key or the end of a touch. Answers once the audio clock moves,
   * so that what is laid out then falls where it should.
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
    for (let tries = 0; tries < 50 && this.context.currentTime === from; tries += 1) await pause();
    this.mappings = [];
    for (let tries = 0; tries < MAPPINGS; tries += 1) {
      this.mapping();
      await pause();
    }
    this.offset = this.mapping();
  }

  /** Seconds of the audio clock less those of the page: a median, for each stamp is off by a few milliseconds. */
  mapping() {
    this.mappings = [...(this.mappings ?? []), this.stamp()].slice(-MAPPINGS);
    return median(this.mappings);
  }

  stamp() {
    const stamp = this.context.getOutputTimestamp?.();
    if (stamp?.performanceTime) return stamp.contextTime - stamp.performanceTime / 1000;
    return this.context.currentTime - performance.now() / 1000;
  }

  /**
   * A moment on the audio clock: what leaves the device now. What is reckoned now leaves it a little later, so the
   * audio clock's own time is ahead of it.
   * @param pageMs on the page's clock
   */
  at(pageMs) {
    this.offset = this.mapping();
    return pageMs / 1000 + this.offset;
  }

  /** @returns milliseconds by which what was laid out lies where it should no longer; 0 where it lies right */
  get slippedMs() {
    if (this.asleep || this.offset === undefined || !this.channels.some((channel) => channel.scheduled.length))
      return 0;
    this.mapping();
    const slip = Math.abs(median(this.mappings.slice(-NEWEST)) - this.offset);
    if (slip <= SLIP_S) return 0;
    this.mappings = this.mappings.slice(-NEWEST);
    return slip * 1000;
  }

  loud() {
    if (this.gain) this.gain.gain.value = this.muted ? 0 : this.volume * LOUDEST;
  }

  /** Another way of speaking was chosen on this device. */
  async speakAnew() {
    if (this.context) await this.voice.again(this.context, this.gain);
  }

  /** Drops all that was laid out, of every session. */
  silence() {
    for (const channel of this.channels) channel.silence();
  }
}

/** What sounds of one session: tones of its own pitch from its own place. */
class Channel {
  constructor(sound, pitch, pan) {
    Object.assign(this, { sound, pitch, pan });
    this.scheduled = [];
    this.timers = [];
    this.speaking = false;
    this.toning = true;
  }

  /**
   * @param cues [{kind, inMs, hz, say}]; what is over already is passed over
   * @param sinceMs the moment on the page's clock that they are reckoned from: reckoning takes its time
   */
  schedule(cues, sinceMs = performance.now()) {
    if (this.sound.asleep) return;
    const now = this.sound.at(sinceMs);
    for (const cue of cues.filter(({ inMs }) => inMs >= -LATE_MS)) {
      const at = Math.max(this.sound.context.currentTime, now + cue.inMs / 1000);
      // A call that nobody says sounds.
      for (const [pitch, after] of this.toned(cue) ? TONES[cue.kind] : [])
        this.tone(pitch ? pitch * this.pitch : cue.hz, at + after, this.lengthS(cue));
      if (this.speaking && cue.say) this.words(cue.say, at);
      if (this.speaking && cue.own) this.timers.push(setTimeout(() => speak(cue.own), Math.max(0, cue.inMs)));
    }
  }

  toned({ kind, told }) {
    if (!this.toning && (BEATS.includes(kind) || (told && kind !== "note"))) return false;
    return kind === "call" ? !this.speaking : !SPOKEN.includes(kind);
  }

  /** A note goes on until what is sung begins. */
  lengthS({ kind, lastsMs }) {
    return kind === "note" ? lastsMs / 1000 - FALL_S : (LENGTH_S[kind] ?? 0.12);
  }

  /** Words are drawn back like tones. */
  words(say, at) {
    for (const [source, beginsAt] of this.sound.voice.lay(say, at, this.sound.context, this.out))
      this.keep(source, beginsAt);
  }

  /**
   * Drops what was laid out.
   * @param begunMs what began longer ago goes on to its end: a word that is being said is not cut
   */
  silence(begunMs = Infinity) {
    const since = (this.sound.context?.currentTime ?? 0) - begunMs / 1000;
    for (const source of this.scheduled.filter(({ beginsAt }) => beginsAt > since)) source.stop();
    for (const timer of this.timers) clearTimeout(timer);
    this.scheduled = this.scheduled.filter(({ beginsAt }) => beginsAt <= since);
    this.timers = [];
  }

  tone(frequency, at, length) {
    const oscillator = new OscillatorNode(this.sound.context, { frequency, type: "sine" });
    const envelope = new GainNode(this.sound.context, { gain: 0 });
    envelope.gain.setValueAtTime(0, at);
    envelope.gain.linearRampToValueAtTime(1, at + 0.01);
    envelope.gain.setValueAtTime(1, at + length);
    envelope.gain.linearRampToValueAtTime(0, at + length + FALL_S);
    oscillator.connect(envelope).connect(this.out);
    oscillator.start(at);
    oscillator.stop(at + length + 0.05);
    this.keep(oscillator, at);
  }

  keep(source, beginsAt) {
    const one = { beginsAt, stop: () => source.stop() };
    this.scheduled.push(one);
    source.onended = () => {
      this.scheduled = this.scheduled.filter((other) => other !== one);
    };
  }

  get out() {
    this.panner ??= new StereoPannerNode(this.sound.context, { pan: this.pan });
    if (!this.connected) this.connected = this.panner.connect(this.sound.gain);
    return this.panner;
  }
}
