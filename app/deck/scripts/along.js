// What is taken along on this device, for a day without a network. Its decks lie in the service worker's cache, with
// all parts of the application; what is marked in them lies beside, until the server has it.
import { localDay } from "./clock.js";
import { Journal } from "./journal.js";
import { pathsOf } from "./open_set.js";
import { sendPieces } from "./outbox.js";
import { ownLog } from "./own_log.js";
import { forgetPerson, person, rememberPerson, theirs } from "./person.js";
import { readable, store } from "./store.js";
import { addressOf, speech } from "./voice.js";

const WORKER = "/sw.js";
const AGAIN_MS = 20_000;
const HERE = "on this device for today";

/**
 * The application answers by itself from now on, where the browser lets it: only on this machine, or over an encrypted
 * way.
 */
export async function installWorker() {
  if (!("serviceWorker" in navigator)) return null;
  try {
    return await navigator.serviceWorker.register(WORKER);
  } catch {
    return null;
  }
}

/** Waits until it answers. Fails where it could not be put away: there was no room, or the network went. */
export const answering = ({ active, installing, waiting }) =>
  active ??
  new Promise((done, failed) => {
    const worker = installing ?? waiting;
    const look = () => {
      if (worker.state === "activated") done(worker);
      else if (worker.state === "redundant") failed(new Error("the parts of the application could not be put away"));
    };
    worker.addEventListener("statechange", look);
    look();
  });

/** Puts a deck away, with its words. Fails where there is no network, or no room. */
export async function take(cache, { path }) {
  const answer = await fetch(path);
  if (!answer.ok || answer.redirected) throw new Error(`not taken along: ${answer.status}`);
  await takeWords(cache, await answer.clone().text());
  await cache.put(path, answer);
}

/** The words of a deck as this device likes them: those that do not lie with the parts of the application. */
async function takeWords(cache, page) {
  const { words } = JSON.parse(
    new DOMParser().parseFromString(page, "text/html").getElementById("plan").textContent,
  );
  for (const word of words) {
    const address = addressOf(word, speech().voice);
    if (!(await caches.match(address, { ignoreVary: true }))) await cache.add(address).catch(() => {});
  }
}

/** Days before today are over: what was taken along for them is left behind. */
async function leaveBehind(today) {
  for (const row of await store.along()) {
    if (row.day >= today) continue;
    await store.dropAlong(row.path);
    for (const name of await caches.keys())
      for (const path of pathsOf(row)) await (await caches.open(name)).delete(path);
  }
}

/** Whoever signs out leaves nothing on the device that names anybody; marks that the server has not yet stay. */
export function forgetAtSignOut() {
  document.addEventListener("submit", async (event) => {
    const form = event.target.closest("form[action='/sign-out'], form[action='/mine/devices/end']");
    if (!form || !("caches" in window)) return;
    event.preventDefault();
    await leaveBehind("9999-12-31").catch(() => {});
    for (const name of await caches.keys()) await (await caches.open(name)).delete("/water/clock");
    ownLog.clear();
    forgetPerson();
    form.submit();
  });
}

/** The page that takes along: fetches each deck once, and says how far it is. */
export function takeAlong() {
  return {
    words: "Taking along …",
    done: false,

    async init() {
      const { decks, today, generation } = JSON.parse(document.getElementById("decks").textContent);
      const worker = await installWorker();
      if (!worker)
        return this.say(
          "This browser keeps nothing for a time without a network here. " +
            "Open Windlass on the machine that it runs on, or over https.",
        );
      try {
        await answering(worker);
      } catch {
        return this.say("Not taken along: this browser gives no room for it.");
      }
      await leaveBehind(today);
      const cache = await caches.open(generation);
      let taken = 0;
      for (const deck of decks) {
        this.say(`${taken} of ${decks.length} taken along …`);
        const there = await this.take(cache, deck, today);
        this.sayOf(deck, there);
        if (there === HERE) taken += 1;
      }
      this.done = true;
      const told = taken ? " They open, run and are rated without a network." : "";
      this.say(`${taken} of ${decks.length} are on this device.${told}`);
    },

    /** Only what was put away says that it is here; where there is no room, how much is needed. */
    async take(cache, deck, today) {
      let bytes = 0;
      try {
        const answer = await fetch(deck.path);
        if (!answer.ok || answer.redirected) return "not taken along: it can not be run today any more";
        bytes = (await answer.clone().blob()).size;
        await takeWords(cache, await answer.clone().text());
        await cache.put(deck.path, answer);
        await store.putAlong({ ...deck, day: today, person: person() });
        return HERE;
      } catch (error) {
        await cache.delete(deck.path);
        if (error.name === "TypeError") return "not taken along: the server does not answer";
        const needed = `${Math.max(1, Math.ceil(bytes / 1000))} kB are needed`;
        return `not taken along: this browser gives no room for it, and ${needed}`;
      }
    },

    sayOf({ path }, words) {
      for (const row of document.querySelectorAll("[data-along]"))
        if (row.dataset.along === path) row.textContent = words;
    },

    say(words) {
      this.words = words;
    },
  };
}

/** The page that stands for all others while the server is away. */
export function along() {
  return {
    decks: [],
    nothing: false,

    async init() {
      const all = ((await readable(store.along())) ?? []).filter(theirs);
      // What lies here for a day of one's own stands below.
      this.decks = all
        .filter(({ laid }) => !laid)
        .sort((one, other) => one.name.localeCompare(other.name));
      this.nothing = this.decks.length === 0 && !all.some(({ laid, day }) => laid && day === localDay());
    },
  };
}

/** On every page: what waits here is sent, and it is said how much waits. */
export function tellWaiting() {
  rememberPerson();
  const line = document.querySelector("[data-waiting]");
  const waiting = async () => (await readable(store.waiting())) ?? [];
  const tell = async () => {
    const count = (await waiting()).length;
    if (line) {
      line.hidden = count === 0;
      line.textContent = `${count} ${count === 1 ? "session waits" : "sessions wait"} on this device for the server.`;
    }
    return count;
  };
  const send = async () => {
    sendPieces();
    if ((await tell()) === 0 || document.getElementById("plan")) return;
    for (const session of await waiting()) await (await Journal.open(session, tell)).send();
    tell();
  };
  send();
  window.addEventListener("online", send);
  setInterval(send, AGAIN_MS);
}
