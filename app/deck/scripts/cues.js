// Lays on the clock what is heard of a session: the server reckoned it, part by part. A part that ends by hand or with
// a count has no end that could be laid out, unless it has a latest one: nothing after it is.

// Between the tone that opens a part and its first word, where a hand began it.
const AFTER_TONE_MS = 140;

/**
 * @param run what runs: its segments, what its part is and since when, and when each part ends by itself
 * @returns [{kind, atMs, hz, say, own, told}] after fromMs, up to toMs; told: words say it, too
 */
export function cuesBetween(run, fromMs, toMs) {
  const { segments, state } = run;
  if (run.quiet) return [];
  // Calls of the session come at their moment, whatever its parts do.
  const cues = run.calls.map(([atMs, , say, saidAtMs]) => ({ kind: "call", atMs: saidAtMs ?? atMs, say }));
  let start = state.segmentStart;
  let open = false;
  for (let at = state.index; at < segments.length && start <= toMs; at += 1) {
    // After a part that a hand may end before its latest end only the beginning of the next could be laid out.
    const ms = open ? null : run.endMs(at);
    cues.push(...heard(run, at, start, ms));
    if (ms === null) break;
    start += ms;
    open =
      segments[at].at_most_ms !== undefined &&
      (segments[at].ends === "hand" || (segments[at].ends === "comfort" && run.state.marking));
    if (at === segments.length - 1) cues.push({ kind: "end", atMs: start });
  }
  return cues.filter((cue) => cue.atMs > fromMs && cue.atMs <= toMs);
}

/** What is heard of one part that begins then, and ends so many milliseconds later: null where nobody knows when. */
function heard(run, at, start, ms) {
  const { heard: sounds = [], ahead, ms: planned } = run.segments[at];
  // What words say needs no tone, for who likes words alone; what leads into the next part is of that one.
  const told = Boolean(ahead) || sounds.some(([kind, anchor]) => kind === "say" && anchor !== "e");
  const laid = sounds
    .map((sound) => cueOf(sound, start, ms, run.plannedMs(at), planned))
    .filter(Boolean)
    .filter((cue) => counted(run, at, cue))
    .map((cue) => ({ ...cue, told }));
  // Its words were to be said before it: a hand was quicker.
  if (ahead && at === run.state.index && run.state.byHand)
    laid.push({ kind: "say", atMs: start + AFTER_TONE_MS, say: ahead });
  return laid;
}

/** Counted breaths and repetitions are ticked by the clock, or tapped by hand: then nobody counts for them. */
const counted = (run, at, { kind }) => run.handsFree || !run.counts(at) || !["tick", "count"].includes(kind);

function cueOf([kind, anchor, amount, clips, more], start, ms, lasts, planned) {
  const atMs =
    anchor === "b"
      ? start + amount * lasts
      : anchor === "e"
        ? ms === null
          ? null
          : start + ms - amount
        : start + amount;
  // What was laid within a part that is shorter now is not heard.
  if (
    atMs === null ||
    (anchor === "s" && ms !== null && ms < planned && amount > ms) ||
    (anchor === "e" && atMs < start)
  )
    return null;
  return {
    kind,
    atMs,
    ...(clips ? { say: clips } : {}),
    ...(typeof more === "number" ? { hz: more, lastsMs: Math.abs(amount) } : {}),
    ...(typeof more === "string" ? { own: more } : {}),
  };
}
