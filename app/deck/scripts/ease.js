// What eases a session while it runs, and what somebody feels, with its moment and its strength.
import { clockWords } from "./clock.js";

/**
 * What the deck gets for it.
 * @param lane answers the lane that it is for
 */
export function ease(lane) {
  let feltAt;

  return {
    easeWord() {
      return this.over ? "Symptom" : "Ease";
    },
    easing: false,
    felt: "",
    feltWords: "",
    stops: false,

    toggleEase() {
      this.easing = !this.easing;
      this.notFelt();
    },
    notFelt() {
      this.felt = "";
      this.feltWords = "";
    },
    endEasing() {
      this.easing = false;
    },

    shorten(event) {
      lane()?.run.shorten(event);
      this.easing = false;
    },
    oneMore(event) {
      lane()?.run.oneMore(event);
      this.easing = false;
    },

    /** The moment is that of the first tap. */
    feel(event) {
      const { symptom, stops } = event.currentTarget.dataset;
      this.felt = symptom;
      this.stops = stops === "yes";
      feltAt = lane()?.run.started ? lane().run.now(event) : 0;
      const moment = clockWords(Math.max(0, Math.floor(feltAt / 1000) * 1000));
      this.feltWords = `${event.currentTarget.textContent.trim()} at ${moment}: how strong?`;
    },
    isFelt(symptom) {
      return this.felt === symptom;
    },

    feltSo(event) {
      const to = lane();
      if (!to || !this.felt) return;
      to.run.symptom(this.felt, event.currentTarget.dataset.strength, feltAt, this.stops, event);
      this.feltWords = "Noted.";
      this.felt = "";
      if (this.stops) this.easing = false;
    },

    effort(event) {
      lane()?.run.effort(Number(event.currentTarget.dataset.effort));
    },
    effortSaid: null,
    isEffort(value) {
      return this.effortSaid === value;
    },
  };
}
