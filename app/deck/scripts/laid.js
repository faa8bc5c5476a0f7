// A set that lies on a phone is run under a number of its own each time. What was begun goes on after a reload.
import { clock } from "./clock.js";
import { readable, store } from "./store.js";
import { uuid } from "./uuid.js";

const name = (laid) => `set of ${laid}`;

/** @returns the number of its last run, as far as this browser remembers */
function remembered(laid) {
  try {
    return localStorage.getItem(name(laid));
  } catch {
    return null;
  }
}

/** @returns the number under which it was begun and is not over, if any */
async function begun(laid) {
  const known = remembered(laid);
  const kept = known && (await readable(store.run(known)));
  return kept?.run && (!kept.run.over || kept.run.emergency?.open) ? known : null;
}

/** Two digits. */
const two = (number) => String(number).padStart(2, "0");

/** @returns the day of this device, as it stands in a plan */
export function localDay() {
  const now = new Date(clock.wall());
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/**
 * Gives the plan the number of its run.
 * @returns why it can not be run, if so
 */
export async function asRun(plan) {
  if (!plan.laid) return undefined;
  plan.laid_set = plan.uuid;
  const goes = await begun(plan.uuid);
  if (!goes && plan.laid !== localDay()) return "It is for another day. Open your page for what is on today.";
  plan.uuid = goes ?? uuid();
  try {
    localStorage.setItem(name(plan.laid_set), plan.uuid);
  } catch {
    // Without room it is a set of its own after a reload, too.
  }
  return undefined;
}
