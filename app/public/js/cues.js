// Which tones a timeline asks for: one at the end of every segment that says what comes next, three ticks before the end of
// whatever is long enough to wait for, and a tick on every beat where beats are counted. A part that ends by hand or with a
// count has no end that could be laid out, unless it has a latest one: nothing after it is.
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
    const { ms, beats, ends, at_most_ms: atMost } = segments[at];
    if (beats) cues.push(...Array.from({ length: Math.ceil(beats) }, (_, beat) => ({ kind: "beat", atMs: end + (beat * ms) / beats })));
    const open = ends === "hand" || ends === "count";
    if (open && !atMost) break;
    end += open ? atMost : ms;
    if ((open ? atMost : ms) >= COUNT_FROM_MS && !beats) cues.push(...COUNT_MS.map((before) => ({ kind: "tick", atMs: end - before })));
    cues.push({ kind: segments[at + 1]?.kind ?? "end", atMs: end });
    if (open) break;
  }
  return cues.filter((cue) => cue.atMs > fromMs && cue.atMs <= toMs);
}
