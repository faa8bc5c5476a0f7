// The guided control pause: one step at a time, and a stopwatch that counts from the key's own time stamp.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, clockWords, everyFrame, Presses, typedSeconds } from "./clock.js";
import { whenReleased } from "./released.js";

const STEPS = { settle: 1, pause: 2, last: 5 };

export function controlPause() {
  const presses = new Presses();

  return {
    step: STEPS.settle,
    guided: true,
    figure: "0.0",
    settled: "0:00",
    word: "Start",
    startedAt: null,
    openedAt: 0,
    picked: 0,

    init() {
      this.guided = this.$el.dataset.step !== "0";
      this.openedAt = clock.wall();
      this.$el.addEventListener("click", (event) => this.chosen(event));
      this.$el.addEventListener("change", () => {
        this.picked += 1;
      });
      this.$el.addEventListener("reset", () => {
        this.step = STEPS.settle;
        this.reset();
      });
      everyFrame(() => this.show());
    },

    at(step) {
      return this.step === step ? "step" : false;
    },
    showing(step) {
      return this.guided ? this.step === step : step > STEPS.pause;
    },
    get typing() {
      return !this.guided;
    },
    get movable() {
      return this.step > 1;
    },
    get answering() {
      return this.step > STEPS.pause && this.step < STEPS.last;
    },
    /** The step on the screen has its answer, by the keyboard or from before: one may go on. */
    get answered() {
      return this.picked >= 0 && this.answering && this.hasAnswer();
    },
    get inSeconds() {
      return !this.figure.includes(":");
    },
    get timing() {
      return this.startedAt !== null;
    },

    next() {
      this.go(Math.min(this.step + 1, STEPS.last));
    },
    back() {
      this.startedAt = null;
      this.go(Math.max(this.step - 1, 1));
      if (this.step === STEPS.pause) this.reset();
    },
    type() {
      this.guided = false;
      this.startedAt = null;
      this.lead();
    },

    go(step) {
      this.step = step;
      this.lead();
    },

    /** What had the focus is hidden now: it goes to the first thing that can be done or answered. */
    lead() {
      this.$nextTick(() =>
        whenReleased(() =>
          [...this.$root.querySelectorAll("section :is(input, button)")].find((one) => one.checkVisibility())?.focus(),
        ),
      );
    },

    reset() {
      this.figure = "0.0";
      this.word = "Start";
    },

    hasAnswer() {
      return this.$root.querySelector(`section[data-at="${this.step}"] input[type=radio]:checked`) !== null;
    },

    /** Enter on an answer goes on, and sends nothing that is not finished. */
    enter(event) {
      if (!this.guided || event.target.type !== "radio" || this.step === STEPS.last) return;
      event.preventDefault();
      if (this.answered) this.next();
    },

    key(event) {
      if (event.code === "Enter") return this.enter(event);
      if (event.code !== "Space" || !this.guided || this.step !== STEPS.pause) return;
      event.preventDefault();
      if (!event.repeat) this.toggle(event);
    },

    press(event) {
      this.toggle(event);
    },
    /** Touch and mouse were heard on the way down; this is for other ways to push a button. */
    pressed(event) {
      if (event.detail === 0) this.toggle(event);
    },

    toggle(event) {
      const at = clock.at(event);
      if (!presses.counts("clock", at)) return;
      if (this.timing) this.finish(at);
      else this.begin(at);
    },

    begin(at) {
      this.startedAt = at;
      this.word = "Stop";
    },

    finish(at) {
      this.figure = typedSeconds(at - this.startedAt);
      this.startedAt = null;
      this.word = "Start";
      this.$refs.seconds.value = this.figure;
      this.go(STEPS.pause + 1);
    },

    /** A touched answer leads on by itself; with the keyboard one goes on by the button. */
    chosen(event) {
      const answered = event.target.type === "radio" && event.detail > 0;
      if (this.guided && answered && this.step < STEPS.last) this.next();
    },

    show() {
      if (this.step === STEPS.settle) this.settled = clockWords(clock.wall() - this.openedAt);
      if (this.timing) this.figure = typedSeconds(clock.wall() - this.startedAt);
    },
  };
}

Alpine.data("controlPause", controlPause);
