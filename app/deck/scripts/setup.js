// What is set up on a device: which way figures run, whether cues are felt, what a pedal does.
import { choose, chosen } from "./choices.js";
import { chooseNext, PACES, PITCHES, speech, VOICES } from "./voice.js";

const FIGURES = ["usual", "up", "down"];
const FIGURES_WORDS = { usual: "Figures as usual", up: "Figures up", down: "Figures down" };

/**
 * What the deck gets for it.
 * @param pedal answers the pedal
 * @param apply called after a change
 * @param sound answers the sound
 */
export function setup(pedal, apply, sound) {
  return {
    figures: chosen("figures") ?? "usual",
    buzzing: chosen("buzz") === "on",
    buzzable: "vibrate" in navigator,
    teaching: "",
    taughtTimes: 0,

    speech: speech(),

    openSetup() {
      document.getElementById("setup").showModal();
    },

    nextFigures() {
      this.figures = FIGURES[(FIGURES.indexOf(this.figures) + 1) % FIGURES.length];
      choose("figures", this.figures);
      apply();
    },
    figuresWord() {
      return FIGURES_WORDS[this.figures];
    },

    nextSpeaker() {
      this.speakAs("speaker", VOICES);
    },
    nextPace() {
      this.speakAs("pace", PACES);
    },
    nextPitch() {
      this.speakAs("pitch", PITCHES);
    },
    async speakAs(what, all) {
      chooseNext(what, all);
      this.speech = speech();
      await sound().speakAnew();
      apply();
    },
    speakerWord() {
      return VOICES[this.speech.voice];
    },
    paceWord() {
      return PACES[this.speech.pace][0];
    },
    pitchWord() {
      return PITCHES[this.speech.pitch][0];
    },

    toggleBuzz() {
      this.buzzing = !this.buzzing;
      choose("buzz", this.buzzing ? "on" : "off");
      apply();
    },

    teach(event) {
      this.teaching = event.currentTarget.dataset.teach;
    },
    isTaught(what) {
      return this.teaching === what;
    },
    keyOf(what) {
      return this.taughtTimes >= 0 ? (pedal()?.keyOf(what) ?? "") : "";
    },
    teachWords() {
      return this.teaching
        ? "Now press the key that is to do it. Esc leaves it as it was."
        : "Press a line, then the key that is to do it. One button: a press, a long press, two presses.";
    },

    /** @returns whether the key was one to be learned */
    learn(event) {
      if (!this.teaching) return false;
      event.preventDefault();
      if (event.code !== "Escape") pedal().teach(event, this.teaching);
      this.teaching = "";
      this.taughtTimes += 1;
      return true;
    },
    forgetKeys() {
      pedal().forget();
      this.taughtTimes += 1;
    },
  };
}
