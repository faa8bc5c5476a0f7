// What each key of a deck does, alone or for several; and which presses are none of the deck's.
import { heard } from "./letters.js";

const KEYS = {
  Space: "main",
  KeyU: "urge",
  KeyC: "contraction",
  Digit1: "smooth",
  Digit2: "deeper",
  Digit3: "gasp",
  Numpad1: "smooth",
  Numpad2: "deeper",
  Numpad3: "gasp",
  Digit4: "restSmooth",
  Numpad4: "restSmooth",
  KeyN: "skip",
  KeyH: "hold",
  KeyP: "pause",
  KeyQ: "quiet",
  KeyS: "ease",
  "-": "shorten",
  "+": "restore",
  KeyB: "beat",
  KeyT: "taps",
  KeyO: "sensors",
  KeyV: "voice",
  KeyM: "mute",
  KeyE: "emergency",
  Escape: "stop",
};

/** By deed, what a deck is asked for: it answers to these names. */
export const DEEDS = {
  main: (to, event) => to.main(event),
  urge: (to, event) => to.mark("first_urge", event),
  contraction: (to, event) => to.mark("contraction", event),
  smooth: (to, event) => to.breath("smooth", event),
  deeper: (to, event) => to.breath("deeper", event),
  gasp: (to, event) => to.breath("gasp", event),
  restSmooth: (to) => to.restSmooth(),
  skip: (to, event) => to.skip(event),
  hold: (to, event) => to.holdNow(event),
  pause: (to, event) => to.pause(event),
  quiet: (to, event) => to.quiet(event),
  ease: (to) => to.toggleEase(),
  shorten: (to, event) => to.shorten(event),
  restore: (to, event) => to.oneMore(event),
  beat: (to, event) => to.beat(event),
  taps: (to) => to.taps(),
  sensors: (to) => to.openSensors(),
  voice: (to) => to.nextVoice(),
  surface: (to, event) => to.toSurface(event),
  mute: (to) => to.mute(),
  stop: (to, event) => to.stop(event),
};

export const BREATHS = ["smooth", "deeper", "gasp"];

/**
 * @returns what a key does; undefined where nothing, where letters are switched off, or where the press is meant for
 * something else
 */
export function deedOf(event) {
  if (elsewhere(event) || !heard(event.code)) return undefined;
  const what = KEYS[event.code] ?? KEYS[event.key];
  // Space on a button that has the focus is that button's; on the main one it counts from the key itself.
  const ofButton =
    event.code === "Space" && event.target.closest("button, a, input") && !event.target.closest("[data-main]");
  return ofButton ? undefined : what;
}

/** A dialog is open, or the browser's own key is meant. */
export const elsewhere = (event) =>
  event.ctrlKey || event.metaKey || event.altKey || document.querySelector("dialog[open]") !== null;
