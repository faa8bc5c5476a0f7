// The page that takes along: it fetches each deck once, and says how far it is.
import Alpine from "../vendor/alpine-csp.esm.js";
import { person } from "./person.js";
import { store } from "./store.js";
import { leaveBehind, takeWords } from "./taken.js";
import { answering, installWorker } from "./worker.js";

const HERE = "on this device for today";

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

Alpine.data("takeAlong", takeAlong);
