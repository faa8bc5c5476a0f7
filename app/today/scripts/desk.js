// The list of a desk by keyboard: J and K go from row to row, Enter does what the row is there for, A accepts what is
// plain.
import Alpine from "../vendor/alpine-csp.esm.js";
import { heard } from "./letters.js";

const MOVES = { j: 1, k: -1, ArrowDown: 1, ArrowUp: -1 };

export function desk() {
  return {
    rows() {
      return [...this.$root.querySelectorAll("[data-row]")].filter((row) => row.checkVisibility());
    },

    key(event) {
      if (
        event.target.matches("input, select, textarea") ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        document.querySelector("dialog[open]")
      )
        return;
      const row = event.target.closest("[data-row]");
      if (MOVES[event.key] && heard(event.code)) this.move(row, MOVES[event.key], event);
      else if (event.key === "Enter" && event.target === row) this.open(row, event);
      else if (event.key.toLowerCase() === "a" && row && heard(event.code)) row.querySelector("[data-accept]")?.click();
    },

    /** What was accepted in place stays there with its way back, and the next one has the focus. */
    init() {
      this.$root.addEventListener("htmx:load", ({ target }) => {
        if (!target.matches("[data-done]")) return;
        const rows = this.rows();
        (rows.slice(rows.indexOf(target) + 1).find((row) => !("done" in row.dataset)) ?? target).focus();
      });
    },

    move(row, by, event) {
      const rows = this.rows();
      const next = rows[row ? rows.indexOf(row) + by : by > 0 ? 0 : rows.length - 1];
      if (!next) return;
      event.preventDefault();
      next.focus();
      next.scrollIntoView({ block: "nearest" });
    },

    open(row, event) {
      event.preventDefault();
      row.querySelector("[data-open], .act a, a.act, .act button, button.act")?.click();
    },
  };
}

Alpine.data("desk", desk);
