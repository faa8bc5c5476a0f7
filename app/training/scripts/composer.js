// The composer's fields: arrow keys step a number, and what was typed can be undone. The drawing comes from the server.
import Alpine from "../vendor/alpine-csp.esm.js";

const CLOCK = /^(\d+):([0-5]\d)$/;

/** Seconds of `1:30`, `90` or `4,5`; NaN for anything else. */
export function numberOf(text) {
  const clock = CLOCK.exec(text.trim());
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  return text.trim() === "" ? NaN : Number(text.trim().replace(",", "."));
}

/** `1:30` from a minute on where it is seconds. */
export function wordsOf(number, unit) {
  const rounded = Math.round(number * 1000) / 1000;
  if (unit !== "s" || rounded < 60 || !Number.isInteger(rounded)) return String(rounded);
  return `${Math.floor(rounded / 60)}:${String(rounded % 60).padStart(2, "0")}`;
}

export function composer() {
  let past = [];
  let dragged = null;

  return {
    undoable: false,

    init() {
      past = [this.typed()];
      // An address with a place in it keeps the browser from doing so, and takes the focus away once it has gone there.
      window.addEventListener("load", () => setTimeout(() => this.$root.querySelector("[autofocus]")?.focus(), 0));
    },

    fields() {
      return [...this.$root.querySelectorAll("input.form-control, select")];
    },
    typed() {
      return JSON.stringify(this.fields().map((field) => field.value));
    },

    /** Keeps what the fields say now, if it is new. */
    remember() {
      const now = this.typed();
      if (now !== past[past.length - 1]) past.push(now);
      this.undoable = past.length > 1;
    },

    undo() {
      this.remember();
      if (past.length < 2) return;
      past.pop();
      const before = JSON.parse(past[past.length - 1]);
      this.fields().forEach((field, index) => {
        field.value = before[index] ?? "";
      });
      this.undoable = past.length > 1;
      this.redraw();
    },

    /** A block is dragged to another place: the form is sent in the order in which its fields stand. */
    drag(event) {
      dragged = event.target.closest("[data-block]");
    },
    dragOver(event) {
      const over = event.target.closest("[data-block]");
      if (!dragged || !over || over === dragged) return;
      event.preventDefault();
      const below = event.clientY > over.getBoundingClientRect().top + over.offsetHeight / 2;
      over[below ? "after" : "before"](dragged);
    },
    drop(event) {
      if (!dragged) return;
      event.preventDefault();
      const { id } = dragged;
      dragged = null;
      const show = this.$root.querySelector("button");
      show.formAction = `${this.$root.action}#${id}`;
      this.$root.requestSubmit(show);
    },

    redraw() {
      this.$root.dispatchEvent(new Event("redraw"));
    },

    key(event) {
      if (event.key.toLowerCase() === "z" && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        this.undo();
      } else if (event.key === "ArrowUp" || event.key === "ArrowDown") this.step(event);
    },

    step(event) {
      const { step, min, max, unit, list } = event.target.dataset;
      const number = numberOf(event.target.value);
      if (!step || list === "true" || Number.isNaN(number)) return;
      event.preventDefault();
      const next = number + (event.key === "ArrowUp" ? 1 : -1) * Number(step);
      event.target.value = wordsOf(Math.min(Number(max), Math.max(Number(min), next)), unit);
      this.remember();
      this.redraw();
    },
  };
}

Alpine.data("composer", composer);
