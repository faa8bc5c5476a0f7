// A day of somebody's own while the server is away: what they may run now, how they are, what they said.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, localDay, secondsOf } from "./clock.js";
import { known } from "./known.js";
import { openSet, running } from "./open_set.js";
import { put } from "./outbox.js";
import { ownLog } from "./own_log.js";
import { theirs } from "./person.js";
import { readable, store } from "./store.js";
import { uuid } from "./uuid.js";
import { hasWeek } from "./week.js";

/** What is unwell, too. */
const CHEST = "chest";
const AGAIN_MS = 20_000;
const DAY_MS = 86_400_000;

/** @returns `Set 2 of 3` */
const about = (set) => {
  if (set.running) return "It was begun, and goes on.";
  return set.sets > 1 && set.done < set.sets ? `Set ${set.done + 1} of ${set.sets}` : "";
};
/** What runs comes first. */
const runningFirst = (one, other) => Number(other.running ?? false) - Number(one.running ?? false);

export function myDay() {
  return {
    own: false,
    name: "",
    sets: [],
    stopped: false,
    told: "",
    asked: false,
    athlete: null,

    async init() {
      this.$root.addEventListener("kept", (event) => this.kept(event.detail));
      await this.show();
      setInterval(() => this.show(), AGAIN_MS);
    },

    async show() {
      const mine = ((await readable(store.along())) ?? []).filter((row) => row.laid && theirs(row));
      this.own = mine.length > 0 || hasWeek();
      if (mine.length === 0) return;
      this.name = mine[0].name;
      this.athlete = mine[0].athlete;
      this.stopped = Boolean(await readable(store.stop(this.athlete)));
      const now = known();
      const today = mine.filter((row) => row.day === now.day || running(row, now));
      this.asked = now.said !== undefined || today.some(({ asked }) => asked);
      this.sets = this.stopped
        ? []
        : today
            .map((row) => openSet(row, now))
            .sort(runningFirst)
            .map((set) => ({ ...set, about: about(set), press: this.press(set) }));
    },

    press(set) {
      if (set.running) return "Go on";
      return this.asked ? "Start" : "All well: start";
    },
    get openToday() {
      return !this.stopped;
    },
    get scorable() {
      return !this.stopped;
    },

    /** All well, unless something was said. */
    start() {
      if (!this.asked) ownLog.say(localDay(), []);
    },

    async tell() {
      const answers = [...this.$root.querySelectorAll("[data-answer]:checked")].map(({ value }) => value);
      if (answers.length === 0) return;
      const chest = answers.includes(CHEST);
      const said = answers.filter((one) => one !== CHEST);
      ownLog.say(localDay(), chest ? [...said, "unwell"] : said);
      await put(uuid(), "/mine/pieces/day", { answers: said, chest });
      this.told = "That is kept, and goes to whoever coaches you as soon as there is a network.";
      await this.show();
    },

    async kept({ path, body, stops }) {
      this.told = "That is kept, and goes to whoever coaches you as soon as there is a network.";
      if (path.endsWith("/morning") && body.on_waking === "true")
        ownLog.score(localDay(clock.wall() - body.days_ago * DAY_MS), secondsOf(body.seconds));
      this.stopped ||= stops;
      if (stops) await readable(store.putStop({ athlete: this.athlete, session: "" }));
      await this.show();
    },
  };
}

Alpine.data("myDay", myDay);
