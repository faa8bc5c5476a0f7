// The days to come lie on the phone by themselves: whoever opens their page takes them along.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock } from "./clock.js";
import { known } from "./known.js";
import { pieces, sendPieces } from "./outbox.js";
import { pathsOf, running } from "./open_set.js";
import { ownLog } from "./own_log.js";
import { person, whose } from "./person.js";
import { readable, store } from "./store.js";
import { take } from "./taken.js";
import { answering, installWorker } from "./worker.js";

const WEEK = "/mine/week.json";

/** The version of what lies here. */
const VERSION = "week";
const TRIES = 20;
const PAUSE_MS = 500;
const SPREAD_MS = 600_000;

/** @returns whether whoever was here last has a page of their own on this phone */
export function hasWeek() {
  try {
    return localStorage.getItem(`${VERSION} ${whose()}`) !== null;
  } catch {
    return false;
  }
}

/** @returns what was laid out here for whoever has this page; what a coach took along is no part of it */
const own = async () =>
  ((await readable(store.along())) ?? []).filter((one) => one.laid && one.person === person());

/** Nothing is sent anew where all of it lies here as it is. */
function ask(mine) {
  const version = mine.length ? localStorage.getItem(`${VERSION} ${person()}`) : null;
  return fetch(WEEK, version ? { headers: { "If-None-Match": version } } : {});
}

/** Takes along what is new, and then remembers what lies here. */
async function bring(answer) {
  const { decks, generation, athlete } = await answer.json();
  await leave(await own(), decks);
  const cache = await caches.open(generation);
  for (const deck of decks) {
    for (const path of pathsOf(deck)) if (!(await cache.match(path))) await take(cache, { path });
    await store.putAlong({ ...deck, laid: true, person: person() });
  }
  localStorage.setItem(`${VERSION} ${person()}`, answer.headers.get("ETag"));
  // What was said and done here is with the server, and these sets go by it; so does that no stop holds any more.
  ownLog.forget();
  if (decks.length) await readable(store.dropStop(athlete));
}

/** What is not planned any more, or was of a day that is over, is left behind. */
async function leave(mine, decks) {
  const there = new Set(decks.flatMap(pathsOf));
  for (const row of mine) {
    if (running(row, known())) continue;
    const gone = pathsOf(row).filter((path) => !there.has(path));
    for (const name of await caches.keys()) for (const path of gone) await (await caches.open(name)).delete(path);
    if (gone.includes(row.path)) await store.dropAlong(row.path);
  }
}

/** @returns whether all that was said and done here is with the server: only then it knows what to lay out */
async function home() {
  sendPieces();
  for (let tries = 0; tries < TRIES; tries += 1) {
    const waiting = (await readable(store.waiting())) ?? [];
    const said = (await pieces()).filter(({ refused }) => !refused);
    if (said.length === 0 && !ownLog.runs().some(({ uuid }) => waiting.includes(uuid))) return true;
    await after(PAUSE_MS);
  }
  return false;
}

/**
 * Many phones are opened at the same hour: what lies here already is asked for anew within ten minutes, or the next
 * time that the page is opened. @returns milliseconds until then
 */
function due() {
  const name = `${VERSION} due ${person()}`;
  const now = clock.wall();
  const at = Number(localStorage.getItem(name)) || now + Math.random() * SPREAD_MS;
  localStorage.setItem(name, at > now ? String(at) : "");
  return Math.max(0, at - now);
}

const after = (ms) =>
  new Promise((done) => {
    setTimeout(done, ms);
  });

/** The page of somebody's own: says how far it is, where there is something to say. */
export function week() {
  return {
    words: "",

    async init() {
      try {
        await this.keep();
      } catch {
        this.words = "The days to come could not be put on this phone: no network, or no room.";
      }
    },

    async keep() {
      const worker = await installWorker();
      if (!worker) return;
      await answering(worker);
      const mine = await own();
      await this.say(mine);
      if (mine.length && !("atOnce" in this.$root.dataset)) await after(due());
      const answer = (await home()) ? await ask(mine) : null;
      if (answer && answer.status !== 304) await bring(answer);
      await this.say(await own());
    },

    async say(decks) {
      const days = new Set(decks.map(({ day }) => day)).size;
      if (days === 0) return;
      const lie = days === 1 ? "day lies" : "days lie";
      this.words = `${days} ${lie} on this phone and open without a network.`;
      if (!((await navigator.storage?.persist?.()) ?? false))
        this.words += " This browser may clear them away when its room grows short.";
    },
  };
}

Alpine.data("week", week);
