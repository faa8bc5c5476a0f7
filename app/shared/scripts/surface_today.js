// Which surface clock this device kept last, so that a breathe-up can lead into it without a menu.
import { clock } from "./clock.js";

const KEY = "windlass.surface";
// A morning at the water is over by then.
const FORGOTTEN_MS = 12 * 3_600_000;

/** @param athletes their numbers */
export function rememberSurface(athletes) {
  const here = { path: `${location.pathname}${location.search}`, athletes, at: clock.wall() };
  try {
    localStorage.setItem(KEY, JSON.stringify(here));
  } catch {
    // A browser without room forgets it: the menu leads there, too.
  }
}

/** @returns its address, where that athlete dives at it; null where none is known */
export function surfaceOf(athlete) {
  try {
    const { path, athletes, at } = JSON.parse(localStorage.getItem(KEY)) ?? {};
    return athletes?.includes(athlete) && clock.wall() - at < FORGOTTEN_MS ? path : null;
  } catch {
    return null;
  }
}
