// A guided measure: a stopwatch with marks, a metronome that counts beats, or a minute in which breaths are counted.
// It only fills the form; what it fills can be typed as well.
import { clock, clockWords, everyFrame } from "./clock.js";
import { Sound } from "./sound.js";

const MINUTE_MS = 60_000;
// A breath in on the beat, before what is counted begins.
const LEAD_BEATS = 4;
const MOST_BEATS = 120;

export function measure() {
  let startedAt = null;
  let sound;
  let byPointer = false;

  return {
    ready: false, running: false, figure: "0:00", word: "Start", words: "", counted: 0,

    init() {
      this.kind = this.$root.dataset.clock;
      this.ready = this.kind !== "none";
      sound = new Sound();
    },

    field(name) { return this.$root.querySelector(`[name="${name}"]`); },
    beatMs() { return 60_000 / (Number(this.field("tempo").value.replace(",", ".")) || 66); },

    key(event) {
      if (!this.ready || event.repeat || event.ctrlKey || event.target.matches("input, select, textarea, button, a")) return;
      if (event.code === "Space") { event.preventDefault(); this.act(event); }
      else this.markBy(event.key.toUpperCase(), event);
    },

    // The touch itself starts the clock; the click that follows it does nothing, a click from the keyboard does.
    press(event) { byPointer = true; this.act(event); },
    pressed(event) { if (!byPointer || event.detail === 0) this.act(event); byPointer = false; },

    act(event) {
      if (!this.running) this.start(event);
      else if (this.kind === "minute") this.count();
      else this.stop(event);
    },

    start(event) {
      sound.wake();
      startedAt = clock.at(event) + (this.kind === "beats" ? LEAD_BEATS * this.beatMs() : 0);
      this.running = true;
      this.counted = 0;
      this.$root.querySelectorAll("[data-mark]").forEach((button) => { this.field(button.dataset.mark).value = ""; });
      this.word = this.kind === "minute" ? "A breath" : "Stop";
      if (this.kind === "beats") this.tickAhead();
      everyFrame(() => this.show());
    },

    tickAhead() {
      const beats = Array.from({ length: LEAD_BEATS + MOST_BEATS }, (_, beat) => ({ kind: "tick", inMs: beat * this.beatMs() }));
      sound.schedule(beats);
    },

    show() {
      if (!this.running) return false;
      const passed = clock.wall() - startedAt;
      if (this.kind === "beats") {
        this.figure = String(passed < 0 ? Math.ceil(-passed / this.beatMs()) : Math.floor(passed / this.beatMs()));
        this.words = passed < 0 ? "Breathe in" : "Hiss";
      } else if (this.kind === "minute") {
        this.figure = clockWords(MINUTE_MS - passed);
        this.words = `${this.counted} counted`;
        if (passed >= MINUTE_MS) this.finish("breaths", this.counted);
      } else this.figure = clockWords(passed);
      return this.running;
    },

    count() { this.counted += 1; },

    stop(event) {
      const passed = clock.at(event) - startedAt;
      if (passed < 0) return this.cancel();
      if (this.kind === "beats") this.finish("beats", Math.floor(passed / this.beatMs()));
      else this.finish("seconds", (passed / 1000).toFixed(1));
    },

    cancel() {
      sound.silence();
      this.running = false;
      this.word = "Start again";
      this.words = "";
    },

    finish(name, value) {
      this.cancel();
      this.field(name).value = value;
      this.figure = this.kind === "stopwatch" ? clockWords(value * 1000) : String(value);
      this.words = "Written below.";
    },

    mark(event) { this.set(event.currentTarget.dataset.mark, event); },
    markBy(letter, event) {
      const button = this.$root.querySelector(`[data-key="${letter}"]`);
      if (button) this.set(button.dataset.mark, event);
    },
    set(name, event) {
      if (this.running) this.field(name).value = ((clock.at(event) - startedAt) / 1000).toFixed(1);
    },
  };
}
