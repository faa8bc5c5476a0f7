// A guided measure: a stopwatch with marks, a metronome that counts beats, or a minute in which breaths are counted.
// It only fills the form; what it fills can be typed as well.
import Alpine from "../vendor/alpine-csp.esm.js";
import { heard } from "./letters.js";
import { clock, clockWords, everyFrame, Presses, typedSeconds } from "./clock.js";
import { whenReleased } from "./released.js";
import { microphoneSwitch } from "./microphone.js";
import { Sound } from "./sound.js";

const MINUTE_MS = 60_000;
// A breath in on the beat, before what is counted begins.
const LEAD_BEATS = 4;
const MOST_BEATS = 120;

export function measure() {
  let startedAt = null;
  let sound, channel, microphone;
  let byPointer = false;
  const presses = new Presses();

  return {
    ...microphoneSwitch((opened) => {
      microphone = opened;
    }),
    ready: false,
    running: false,
    figure: "0:00",
    word: "Start",
    words: "",
    counted: 0,

    init() {
      this.kind = this.$root.dataset.clock;
      this.ready = this.kind !== "none";
      sound = new Sound();
      channel = sound.channel();
    },

    field(name) {
      return this.$root.querySelector(`[name="${name}"]`);
    },
    beatMs() {
      return 60_000 / (Number(this.field("tempo").value.replace(",", ".")) || 66);
    },

    key(event) {
      if (
        !this.ready ||
        event.repeat ||
        event.ctrlKey ||
        event.target.matches("input:not([type=radio], [type=checkbox]), select, textarea")
      )
        return;
      if (event.code !== "Space") {
        if (heard(event.code)) this.markBy(event.key.toUpperCase(), event);
      } else if (!event.target.matches("input, button, a")) {
        event.preventDefault();
        this.act(event);
      }
    },

    // The touch itself starts the clock; the click that follows it only wakes the sound, for which browsers want the
    // whole gesture. A click from the keyboard does both.
    press(event) {
      byPointer = true;
      this.act(event);
    },
    pressed(event) {
      if (!byPointer || event.detail === 0) this.act(event);
      byPointer = false;
      if (this.running && this.kind === "beats" && sound.asleep) this.tickAhead();
    },

    act(event) {
      if (this.kind !== "minute" && !presses.counts("clock", clock.at(event))) return;
      if (!this.running) this.start(event);
      else if (this.kind === "minute") this.count();
      else this.stop(event);
    },

    /** What the microphone found fills the fields; it can be corrected before it is kept. */
    async heard() {
      const found = await microphone.end(60_000 / this.beatMs());
      if (!found) return;
      this.heardWords = found.seconds
        ? `Heard: ${found.beats.toFixed(1)} beats, ${found.words}. Correct it where it is wrong.`
        : "No hiss was heard.";
      if (!found.seconds) return;
      this.field("beats").value = String(Math.floor(found.beats));
      const steady = this.$root.querySelector(
        `[name="steady"][value="${found.words === "flickering" ? "flickering" : "even"}"]`,
      );
      if (steady) steady.checked = true;
    },

    start(event) {
      if (this.hearing) microphone.begin();
      startedAt = clock.at(event) + (this.kind === "beats" ? LEAD_BEATS * this.beatMs() : 0);
      this.running = true;
      this.counted = 0;
      this.$root.querySelectorAll("[data-mark]").forEach((button) => {
        this.field(button.dataset.mark).value = "";
      });
      this.word = this.kind === "minute" ? "A breath" : "Stop";
      if (this.kind === "beats") this.tickAhead();
      everyFrame(() => this.show());
    },

    async tickAhead() {
      await sound.wake();
      if (!this.running) return;
      const [sinceMs, since] = [performance.now(), clock.wall() - startedAt];
      const beats = Array.from({ length: LEAD_BEATS + MOST_BEATS }, (_, beat) => ({
        kind: "tick",
        inMs: (beat - LEAD_BEATS) * this.beatMs() - since,
      }));
      channel.silence();
      channel.schedule(beats, sinceMs);
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

    count() {
      this.counted += 1;
    },

    stop(event) {
      const passed = clock.at(event) - startedAt;
      if (passed < 0) return this.cancel();
      if (this.kind === "beats") this.finish("beats", Math.floor(passed / this.beatMs()));
      else {
        this.finish("seconds", typedSeconds(passed));
        this.figure = clockWords(passed);
      }
      if (this.hearing) this.heard();
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
      if (this.kind !== "stopwatch") this.figure = String(value);
      this.words = "Written below.";
      whenReleased(() => this.field(name).focus({ preventScroll: true }));
    },

    mark(event) {
      this.set(event.currentTarget.dataset.mark, event);
    },
    markBy(letter, event) {
      const button = this.$root.querySelector(`[data-key="${letter}"]`);
      if (button) this.set(button.dataset.mark, event);
    },
    set(name, event) {
      if (this.running) this.field(name).value = typedSeconds(clock.at(event) - startedAt);
    },
  };
}

Alpine.data("measure", measure);
