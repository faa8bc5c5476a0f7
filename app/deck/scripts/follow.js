// A second screen: shows what a deck elsewhere runs. It asks every second where that stands, and goes on by the clock
// in between; a network that was lost is caught up with by itself.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, everyFrame } from "./clock.js";
import { shown } from "./deck_words.js";
import { Hand } from "./hand.js";
import { LaneRow } from "./lane_row.js";
import { Run } from "./run.js";
import { WakeLock } from "./wake_lock.js";

const ASK_MS = 1000;
// A deck that runs says so more often than this.
const SILENT_MS = 30_000;
// Keeps nothing: what is marked is marked on the deck.
const NOTHING_KEPT = { run: null, add() {}, put() {} };

class Followed {
  constructor(plan) {
    this.plan = { ...plan, begun: false };
    this.run = new Run(this.plan, { ...NOTHING_KEPT }, clock);
  }

  /**
   * @param state of the run, as its deck said it
   * @param ageMs how long ago that was
   */
  hear(state, ageMs) {
    this.ageMs = ageMs;
    if (!state || JSON.stringify(state) === this.heard) return;
    this.heard = JSON.stringify(state);
    const now = clock.wall();
    const run = { ...state, seen: now, anchor: now - state.at - (state.pausedAt === null ? ageMs : 0) };
    this.run = new Run({ ...this.plan, hands_free: state.hands_free }, { ...NOTHING_KEPT, run }, clock);
  }

  get silent() {
    return this.run.live && !this.run.paused && this.ageMs > SILENT_MS;
  }
}

export function follow() {
  let plan, lanes, rows, hand, wakeLock;

  return {
    cue: "Not begun",
    own: "",
    figure: "",
    next: "",
    place: "",
    heard: "",
    holding: "",

    init() {
      plan = JSON.parse(document.getElementById("plan").textContent);
      lanes = plan.lanes.map((one) => new Followed(one));
      rows = [...this.$root.querySelectorAll(".lane")].map((element, at) => new LaneRow(element, lanes[at]));
      if (rows.length === 0)
        hand = new Hand(document.getElementById("hand"), plan.lanes[0].line, plan.lanes[0].total_ms);
      wakeLock = new WakeLock();
      this.ask();
      everyFrame(() => this.show());
    },

    async ask() {
      const sent = performance.now();
      try {
        const answer = await fetch(plan.path);
        if (!answer.ok) throw new Error(String(answer.status));
        const told = (await answer.json()).lanes;
        const way = (performance.now() - sent) / 2;
        told.forEach(({ state, age_ms: age }, at) => lanes[at].hear(state, (age ?? 0) + way));
        this.heard = lanes.some((lane) => lane.silent)
          ? "No word from the deck: this goes on by the clock"
          : "Follows the deck";
      } catch {
        this.heard = "No network: this goes on by the clock";
      }
      setTimeout(() => this.ask(), ASK_MS);
    },

    show() {
      for (const { run } of lanes) run.tick();
      wakeLock.keep(lanes.some(({ run }) => run.live));
      for (const row of rows)
        row.paint({ called: row.lane.run.asking !== null && !row.lane.run.over, rated: false, focus: false });
      if (hand) this.showOne(lanes[0].run);
    },

    showOne(run) {
      const now = shown(run, plan.lanes[0]);
      Object.assign(this, {
        cue: run.started ? now.cue : "Not begun",
        own: now.own,
        figure: now.figure,
        place: now.place,
        next: run.over ? "" : now.next,
        holding: run.holding ? "holding" : "",
      });
      hand.move(run.planned);
    },
  };
}

Alpine.data("follow", follow);
