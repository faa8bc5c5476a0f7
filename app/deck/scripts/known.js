// What a phone knows of today, for the sets that lie on it.
import { clock, localDay } from "./clock.js";
import { ownLog } from "./own_log.js";

const DAY_MS = 86_400_000;

/** @returns what {@link openSet} goes by */
export function known() {
  const now = clock.wall();
  const day = localDay();
  return {
    now,
    day,
    said: ownLog.said(day),
    ill: ownLog.illBefore(day),
    runs: ownLog.runs(),
    morning: ownLog.morning(day, localDay(now - DAY_MS)),
  };
}
