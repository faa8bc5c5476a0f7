// What somebody likes on this device: chosen once and remembered.
const NAMES = {
  counts: "windlass.counts",
  voice: "windlass.voice",
  figures: "windlass.figures",
  buzz: "windlass.buzz",
  speaker: "windlass.speaker",
  pace: "windlass.pace",
  pitch: "windlass.pitch",
};

export const chosen = (what) => localStorage.getItem(NAMES[what]);
export const choose = (what, value) => localStorage.setItem(NAMES[what], value);
