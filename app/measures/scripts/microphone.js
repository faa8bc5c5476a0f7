// A microphone that times a hiss, if the person allows it. It hears levels in the band where a hiss lives, and nothing
// else; the core decides from them.
const STEP_S = 0.05;
const BAND_HZ = [2000, 8000];
// So much before what is timed belongs to it: the noise of the room.
const BEFORE_S = 1.5;
// An end is one once it was quiet for so long.
const TAIL_MS = 400;
// A quarter of an hour.
const MOST = 18_000;
const RAW = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };

class Microphone {
  /** @param onLevel called with each level, in dB */
  constructor(onLevel = () => {}) {
    this.onLevel = onLevel;
    this.levels = [];
    this.gone = 0;
  }

  /** @returns whether the person allowed it */
  async open() {
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({ audio: RAW });
    } catch {
      return false;
    }
    this.context = new AudioContext();
    await this.context.audioWorklet.addModule(new URL("./level_worklet.js", import.meta.url));
    const level = new AudioWorkletNode(this.context, "level", { numberOfOutputs: 0 });
    level.port.onmessage = ({ data }) => this.hear(data);
    const [from, to] = BAND_HZ;
    this.context
      .createMediaStreamSource(this.stream)
      .connect(new BiquadFilterNode(this.context, { type: "highpass", frequency: from }))
      .connect(new BiquadFilterNode(this.context, { type: "lowpass", frequency: to }))
      .connect(level);
    await this.context.resume();
    return true;
  }

  get on() {
    return this.stream !== undefined;
  }

  close() {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.context?.close();
    this.stream = undefined;
  }

  hear(level) {
    this.levels.push(Math.round(level * 10) / 10);
    if (this.levels.length > MOST) this.gone += this.levels.splice(0, this.levels.length - MOST).length;
    this.onLevel(level);
  }

  /** What is timed begins: the room before it belongs to it. */
  begin() {
    this.from = this.gone + this.levels.length - Math.round(BEFORE_S / STEP_S);
  }

  /** @returns what the core found: {seconds, beats, words, …}; undefined where the server is away */
  async end(tempo) {
    await new Promise((done) => setTimeout(done, TAIL_MS));
    const levels = this.levels.slice(Math.max(0, this.from - this.gone));
    const token = document.querySelector("meta[name=csrf-token]").content;
    try {
      const answer = await fetch("/hiss", {
        method: "POST",
        headers: { "Content-Type": "application/json", "X-CSRF-Token": token },
        body: JSON.stringify({ tempo, step_s: STEP_S, levels_db: levels }),
      });
      return answer.ok ? await answer.json() : undefined;
    } catch {
      return undefined;
    }
  }
}

/**
 * What a page gets to switch it on and off, with the level as a strip.
 * @param on called with the microphone that was opened
 */
export function microphoneSwitch(on) {
  let microphone, strip;

  return {
    hearing: false,
    heardWords: "",

    async toggleMicrophone() {
      if (this.hearing) {
        microphone.close();
        this.hearing = false;
        return;
      }
      strip ??= new LevelStrip(document.getElementById("level"));
      microphone = new Microphone((level) => strip.add(level));
      this.hearing = await microphone.open();
      if (this.hearing) on(microphone);
      this.heardWords = this.hearing
        ? "Levels only: no sound is kept or sent."
        : "The browser was not allowed to hear.";
    },
  };
}

/** The level as a strip that runs from right to left: the last half minute. */
class LevelStrip {
  constructor(line) {
    this.line = line;
    const { width, height } = line.ownerSVGElement.viewBox.baseVal;
    Object.assign(this, { width, height, shown: [] });
  }

  add(level) {
    this.shown = [...this.shown, level].slice(-SHOWN);
    const y = (db) => this.height - Math.min(1, Math.max(0, (db - QUIETEST_DB) / -QUIETEST_DB)) * this.height;
    this.line.setAttribute(
      "points",
      this.shown
        .map((db, at) => `${(this.width * (at + SHOWN - this.shown.length)) / SHOWN},${y(db).toFixed(1)}`)
        .join(" "),
    );
  }
}
const SHOWN = 600;
const QUIETEST_DB = -80;
