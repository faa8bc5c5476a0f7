// The days to come lie on the phone by themselves: whoever opens their page takes them along.
import { installWorker, take } from "./along.js";
import { readable, store } from "./store.js";

const WEEK = "/mine/week.json";

/** @returns who has this page */
const person = () => document.querySelector("meta[name=person]")?.content;

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
      const { decks, generation } = await (await fetch(WEEK)).json();
      const mine = ((await readable(store.along())) ?? []).filter((one) => one.person === person());
      await leave(mine, decks);
      const cache = await caches.open(generation);
      for (const deck of decks) {
        if (!(await cache.match(deck.path))) await take(cache, deck);
        await store.putAlong({ ...deck, person: person() });
      }
      const days = new Set(decks.map(({ day }) => day)).size;
      const kept = (await navigator.storage?.persist?.()) ?? false;
      if (days === 0) return;
      const lie = days === 1 ? "day lies" : "days lie";
      this.words = `${days} ${lie} on this phone and open without a network.`;
      if (!kept) this.words += " This browser may clear them away when its room grows short.";
    },
  };
}
