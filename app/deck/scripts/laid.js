// A set that lies on a phone is run under a number of its own each time. What was begun goes on after a reload.
import { localDay } from "./clock.js";
import { known } from "./known.js";
import { openSet, pathsOf } from "./open_set.js";
import { ownLog } from "./own_log.js";
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
  const last = remembered(laid);
  const kept = last && (await readable(store.run(last)));
  return kept?.run && (!kept.run.over || kept.run.emergency?.open) ? last : null;
}

/** @returns why it may not be run now, by what this phone knows of today; undefined where it may */
async function refusal() {
  const row = ((await readable(store.along())) ?? []).find((one) => pathsOf(one).includes(location.pathname));
  const set = row?.laid && openSet(row, known());
  return set && !set.open ? set.words : undefined;
}

// What is shorter and held nothing is no set.
const LEAST_MS = 60_000;

/** How it stands is kept, for what is to wait for it. */
export function keepOwn(plan, run) {
  if (!plan.laid || !run.started) return;
  const { lastHold, breaths, finished, over } = run.state;
  ownLog.ran({
    uuid: plan.uuid,
    prescription: plan.prescription,
    day: plan.laid,
    over: Boolean(over),
    counts: Boolean(finished) || lastHold !== undefined || run.now() > LEAST_MS,
    rough: run.unrated.length > 0 || Object.values(breaths ?? {}).some((value) => value !== "smooth"),
  });
}

/** @returns what was said today, as a deck sends it; undefined where nothing was */
export function saidToday(plan) {
  const said = plan.laid ? ownLog.said(plan.laid) : undefined;
  return said && (said.join(",") || "nothing");
}

/** The other sets of the day need not ask again. */
export function sayAllWell(plan) {
  if (plan.laid) ownLog.say(plan.laid, []);
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
  const why = goes ? undefined : await refusal();
  if (why) return why;
  plan.uuid = goes ?? uuid();
  try {
    localStorage.setItem(name(plan.laid_set), plan.uuid);
  } catch {
    // Without room it is a set of its own after a reload, too.
  }
  return undefined;
}
