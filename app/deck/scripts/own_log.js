// What somebody said and did on this phone, each day by itself: while there is no network the phone goes by it. What
// the server has, and has laid out new days by, is forgotten here.
import { clock } from "./clock.js";
import { whose } from "./person.js";

const WHAT = ["said", "mornings", "runs"];
const DAYS = 14;
const DAY_MS = 86_400_000;
/** Where the storage takes nothing it is known as long as the page is open. */
const here = new Map();

function read(what) {
  const name = `${what} of ${whose()}`;
  try {
    return JSON.parse(localStorage.getItem(name) ?? "null") ?? here.get(name) ?? [];
  } catch {
    return here.get(name) ?? [];
  }
}

function write(what, all) {
  const name = `${what} of ${whose()}`;
  const kept = all.filter(({ wall }) => clock.wall() - wall < DAYS * DAY_MS);
  try {
    localStorage.setItem(name, JSON.stringify(kept));
    here.delete(name);
  } catch {
    here.set(name, kept);
  }
}

const add = (what, one) => write(what, [...read(what), { wall: clock.wall(), ...one }]);

export const ownLog = {
  /** @param answers of today's questions; none where all is well */
  say: (day, answers) => add("said", { day, answers }),

  /** @returns what was said of that day; undefined where nothing was */
  said(day) {
    const all = read("said").filter((one) => one.day === day);
    return all.length ? [...new Set(all.flatMap(({ answers }) => answers))] : undefined;
  },

  /** @returns days before this one on which they were unwell */
  illBefore: (day) => read("said").filter((one) => one.day < day && one.answers.includes("unwell")),

  /** @returns the newest score of the morning of a day or of the one before, in seconds */
  morning: (day, before) => read("mornings").findLast((one) => one.day === day || one.day === before)?.seconds,
  score: (day, seconds) => add("mornings", { day, seconds }),

  /** @returns what was run: of which training, on which day, when it ended, whether it counts, whether it was rough */
  runs: () => read("runs"),

  /** How a run stands now: the newest is what counts. */
  ran(run) {
    write("runs", [...read("runs").filter(({ uuid }) => uuid !== run.uuid), { wall: clock.wall(), ...run }]);
  },

  /** Whoever signs out leaves nothing here that was said. */
  clear() {
    for (const what of WHAT) {
      here.delete(`${what} of ${whose()}`);
      try {
        localStorage.removeItem(`${what} of ${whose()}`);
      } catch {
        // Without a storage there is nothing to clear.
      }
    }
  },

  /** The server has all of it, and what it laid out since goes by it. */
  forget() {
    write("said", []);
    write("mornings", []);
    write(
      "runs",
      read("runs").filter(({ over }) => !over),
    );
  },
};
