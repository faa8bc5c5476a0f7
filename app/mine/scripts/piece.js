// A form that is kept on this phone where there is no network, and sent as one piece once there is one. Its day is told
// as so many days ago: the clock of the phone may be wrong.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, localDay, secondsOf } from "./clock.js";
import { put, sendPieces } from "./outbox.js";
import { uuid } from "./uuid.js";

const DAY_MS = 86_400_000;

/** @returns days from one to another, both as they stand in a plan */
const daysBetween = (day, later) => Math.round((Date.parse(later) - Date.parse(day)) / DAY_MS);

export function piece() {
  return {
    missing: "",

    /** This page may have lain here for days: its days are today's. */
    init() {
      const fields = this.$root.querySelectorAll(`[name=${this.$root.dataset.day}]`);
      fields.forEach((field, ago) => {
        field.value = localDay(clock.wall() - ago * DAY_MS);
      });
    },

    /** @returns what is not said yet, in words */
    lacking(body) {
      const needs = Object.entries(JSON.parse(this.$root.dataset.needs));
      const lacking = needs.filter(([name]) => !body[name]).map(([, words]) => words);
      return lacking.length ? `Say ${lacking.join(", ")}.` : "";
    },

    /** Nobody reads here in days what the server would refuse then. */
    outside(body) {
      const wrong = Object.entries(JSON.parse(this.$root.dataset.within ?? "{}")).find(
        ([name, [least, most]]) => !(secondsOf(body[name]) >= least && secondsOf(body[name]) <= most),
      );
      return wrong ? `${body[wrong[0]]} is not allowed; allowed: ${wrong[1].join(" to ")} seconds.` : "";
    },

    async keep(event) {
      event.preventDefault();
      const form = event.target;
      const body = Object.fromEntries(new FormData(form));
      this.missing = this.lacking(body) || this.outside(body);
      if (this.missing) return;
      const { [this.$root.dataset.day]: day, authenticity_token: _token, ...said } = body;
      const path = this.$root.dataset.path;
      said.uuid = uuid();
      said.days_ago = Math.max(0, daysBetween(day, localDay()));
      await put(said.uuid, path, said);
      const stops = Boolean(form.querySelector(".stop input:checked"));
      this.$root.dispatchEvent(new CustomEvent("kept", { bubbles: true, detail: { path, body: said, stops } }));
      this.$root.open = false;
      form.reset();
      this.init();
      sendPieces();
    },
  };
}

Alpine.data("piece", piece);
