// The days to come lie on the phone by themselves: whoever opens their page takes them along.
import { installWorker, take } from "./along.js";
import { person } from "./person.js";
import { readable, store } from "./store.js";

const WEEK = "/mine/week.json";

/** The version of what lies here. */
const VERSION = "week";

/** @returns what lies here of whoever has this page */
const own = async () => ((await readable(store.along())) ?? []).filter((one) => one.person === person());

/** Nothing is sent anew where all of it lies here as it is. */
function ask(mine) {
  const version = mine.length ? localStorage.getItem(`${VERSION} ${person()}`) : null;
  return fetch(WEEK, version ? { headers: { "If-None-Match": version } } : {});
}

/** Takes along what is new, and then remembers what lies here. */
async function bring(answer) {
  const { decks, generation } = await answer.json();
  await leave(await own(), decks);
  const cache = await caches.open(generation);
  for (const deck of decks) {
    if (!(await cache.match(deck.path))) await take(cache, deck);
    await store.putAlong({ ...deck, laid: true, person: person() });
  }
  localStorage.setItem(`${VERSION} ${person()}`, answer.headers.get("ETag"));
}

/** What is not planned any more, or was of a day that is over, is left behind. */
async function leave(mine, decks) {
  const there = new Set(decks.map(({ path }) => path));
  for (const { path } of mine.filter((one) => !there.has(one.path))) {
    await store.dropAlong(path);
    for (const name of await caches.keys()) await (await caches.open(name)).delete(path);
  }
}

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
      if (!(await installWorker())) return;
      await navigator.serviceWorker.ready;
      const answer = await ask(await own());
      if (answer.status !== 304) await bring(answer);
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
