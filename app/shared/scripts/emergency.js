// The emergency card of the deck: everything stops, it fills the screen, a clock runs from the press on, and moments
// are noted by one tap each.
import { clock, clockWords, everyFrame } from "./clock.js";

// So long a finger presses, that no wet sleeve opens it.
const LONG_PRESS_MS = 600;

/**
 * What the deck gets for it.
 * @param run answers the run; undefined where another tab has it: then the card shows, and notes nothing down
 * @param sound answers the sound
 */
export function card(run, sound) {
  let pressed, opened;

  return {
    cardClock: "0:00",
    carding: false,
    noted: {},

    emergency(event) {
      run()?.emergency(event);
      sound()?.silence();
      this.showCard(run()?.state.emergency ?? { wall: clock.at(event), noted: {} });
    },

    showCard({ wall, noted }) {
      opened = wall;
      this.noted = { ...noted };
      this.carding = true;
      document.getElementById("emergency").showModal();
      everyFrame(() => {
        const words = clockWords(Math.floor((clock.wall() - opened) / 1000) * 1000);
        if (words !== this.cardClock) this.cardClock = words;
        return this.carding;
      });
    },

    /** It stands there after a reload too, until it is closed. */
    cardAgain() {
      const { emergency } = run().state;
      if (emergency?.open) this.showCard(emergency);
    },

    closeCard() {
      this.carding = false;
      run()?.closeEmergency();
      document.getElementById("emergency").close();
    },

    /** A finger presses long; a mouse, a pen or a key on the button is meant at once. */
    pressLong(event) {
      this.letGo();
      if (event.pointerType === "touch") pressed = setTimeout(() => this.emergency(event), LONG_PRESS_MS);
    },
    letGo() {
      clearTimeout(pressed);
    },
    emergencyClick(event) {
      if (event.pointerType !== "touch" && !this.carding) this.emergency(event);
    },

    /** The first tap counts. */
    noteMoment(event) {
      const what = event.currentTarget.dataset.note;
      if (this.noted[what] !== undefined) return;
      const afterMs = clock.at(event) - opened;
      this.noted = { ...this.noted, [what]: afterMs };
      run()?.noteEmergency(what, afterMs);
    },
    isNoted(what) {
      return this.noted[what] !== undefined;
    },
    notedAt(what) {
      return this.isNoted(what) ? clockWords(Math.floor(this.noted[what] / 1000) * 1000) : "";
    },
  };
}
