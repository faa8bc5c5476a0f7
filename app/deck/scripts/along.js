// The page that stands for all others while the server is away.
import Alpine from "../vendor/alpine-csp.esm.js";
import { localDay } from "./clock.js";
import { theirs } from "./person.js";
import { readable, store } from "./store.js";

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

Alpine.data("along", along);
