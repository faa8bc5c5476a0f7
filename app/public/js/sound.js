// Short tones that say what comes next, scheduled on the audio clock so that they do not drift with the screen.
const TONES = {
  inhale: [[440, 0], [660, 0.09]],
  exhale: [[660, 0], [440, 0.09]],
  hold: [[330, 0]],
  breathe: [[523, 0], [523, 0.16]],
  tick: [[880, 0]],
  beat: [[988, 0]],
  end: [[523, 0], [659, 0.16], [784, 0.32]],
};
const LENGTH_S = { hold: 0.35, tick: 0.04, beat: 0.025 };

export class Sound {
  constructor() {
    this.volume = 0.6;
    this.muted = false;
    this.scheduled = [];
  }

  /** Browsers let sound begin only with a key or a touch. */
  wake() {
    this.context ??= new AudioContext();
    if (this.context.state === "suspended") this.context.resume();
    if (this.gain) return;
    this.gain = this.context.createGain();
    this.gain.connect(this.context.destination);
    this.loud();
  }

  loud() {
    if (this.gain) this.gain.gain.value = this.muted ? 0 : this.volume * 0.5;
  }

  /** @param cues [{kind, inMs}] from now; what is over already is passed over */
  schedule(cues) {
    if (!this.context) return;
    for (const cue of cues.filter(({ inMs }) => inMs >= 0)) {
      for (const [pitch, after] of TONES[cue.kind]) {
        this.tone(pitch, this.context.currentTime + cue.inMs / 1000 + after, LENGTH_S[cue.kind] ?? 0.12);
      }
    }
  }

  /** Drops all that was scheduled. */
  silence() {
    for (const oscillator of this.scheduled) oscillator.stop();
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
