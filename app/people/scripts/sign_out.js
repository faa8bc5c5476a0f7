// Whoever signs out leaves nothing on the device that names anybody; marks that the server has not yet stay.
import { ownLog } from "./own_log.js";
import { forgetPerson } from "./person.js";

const FORMS = "form[action='/sign-out'], form[action='/mine/devices/end']";
const AFTER_ALL_DAYS = "9999-12-31";

/** Only here are the parts wanted that know what lies on the device. */
async function leaveTaken() {
  const { leaveBehind } = await import("./taken.js");
  await leaveBehind(AFTER_ALL_DAYS);
}

export function forgetAtSignOut() {
  document.addEventListener("submit", async (event) => {
    const form = event.target.closest(FORMS);
    if (!form || !("caches" in window)) return;
    event.preventDefault();
    await leaveTaken().catch(() => {});
    for (const name of await caches.keys()) await (await caches.open(name)).delete("/water/clock");
    ownLog.clear();
    forgetPerson();
    form.submit();
  });
}
