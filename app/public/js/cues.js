// Which tones a timeline asks for: one at the end of every segment that says what comes next, three ticks before the end of
// whatever is long enough to wait for, and a tick on every beat where beats are counted. A part that ends by hand or with a
// count has no end that could be laid out: nothing after it is.
const COUNT_FROM_MS = 8000;
const COUNT_MS = [3000, 2000, 1000];

/**
 * @param segments [{kind, ms}], with `index` the one that runs since `startMs` of the session's clock
 * @returns [{kind, atMs}] after fromMs, up to toMs
 */
export function cuesBetween(segments, index, startMs, fromMs, toMs) {
  const cues = [];
  let end = startMs;
  for (let at = index; at < segments.length && end <= toMs; at += 1) {
    const { ms, beats, ends } = segments[at];
    if (beats) cues.push(...Array.from({ length: Math.ceil(beats) }, (_, beat) => ({ kind: "beat", atMs: end + (beat * ms) / beats })));
    if (ends === "hand" || ends === "count") break;
    end += ms;
    if (ms >= COUNT_FROM_MS && !beats) cues.push(...COUNT_MS.map((ms) => ({ kind: "tick", atMs: end - ms })));
    cues.push({ kind: segments[at + 1]?.kind ?? "end", atMs: end });
  }
  return cues.filter((cue) => cue.atMs > fromMs && cue.atMs <= toMs);
}
