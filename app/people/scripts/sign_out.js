// Whoever signs out leaves nothing on the device that names anybody; marks that the server has not yet stay.
import Alpine from "../vendor/alpine-csp.esm.js";
import { ownLog } from "./own_log.js";
import { forgetPerson } from "./person.js";
import { leaveBehind } from "./taken.js";

const AFTER_ALL_DAYS = "9999-12-31";

export function signOut() {
  return {
    async leave(event) {
      if (!("caches" in window)) return;
      event.preventDefault();
      const form = event.target;
      await leaveBehind(AFTER_ALL_DAYS).catch(() => {});
      for (const name of await caches.keys()) await (await caches.open(name)).delete("/water/clock");
      ownLog.clear();
      forgetPerson();
      form.submit();
    },
  };
}

Alpine.data("signOut", signOut);
