// Which tones a timeline asks for: one at the end of every segment that says what comes next, three ticks before the end of
// whatever is long enough to wait for and into a hold, a tick a second in a short hold, and a tick on every beat where beats are counted. A part that ends by hand or with a
// count has no end that could be laid out, unless it has a latest one: nothing after it is.
const COUNT_FROM_MS = 8000;
const COUNT_MS = [3000, 2000, 1000];
// A hold as long as this is counted into from a part as long as this.
const HOLD_FROM_MS = 4000;
// Closer together than this no numbers are said.
const NUMBERS_FROM_MS = 750;
const MOST_NUMBER = 40;

/**
 * @param run what runs: its segments, what its part is and since when, and when each part ends by itself
 * @returns [{kind, atMs, hz, say}] after fromMs, up to toMs
 */
export function cuesBetween(run, fromMs, toMs) {
  const { segments, state } = run;
  if (run.quiet) return [];
  const cues = run.calls.map(([atMs, , say]) => ({ kind: "call", atMs, say }));
  if (state.index === 0 && state.segmentStart === 0) cues.push(...countedIn(segments[0]));
  let start = state.segmentStart;
  for (let at = state.index; at < segments.length && start <= toMs; at += 1) {
    const segment = { ...segments[at], ms: run.plannedMs(at) };
    const next = segments[at + 1] && { ...segments[at + 1], ms: run.plannedMs(at + 1) };
    const ms = run.endMs(at);
    if (!segment.silent) cues.push(...within(segment, run.counts(at), start, run.handsFree));
    if (ms === null) break;
    start += ms;
    if (!segment.beats && !segment.silent) cues.push(...countedMs(segment, next, ms).map((before) => ({ kind: "tick", atMs: start - before })));
    if (!(segment.silent && next?.silent)) cues.push({ kind: next?.kind ?? "end", atMs: start, say: next?.say });
    // Nothing could be laid out after a part that a hand may end before its latest end.
    if (segment.at_most_ms !== undefined && (segment.ends === "hand" || (segment.ends === "comfort" && run.state.marking))) break;
  }
  return cues.filter((cue) => cue.atMs > fromMs && cue.atMs <= toMs);
}

/** The first part is counted in, and its first beat sounds. */
const countedIn = ({ kind, say }) => [...COUNT_MS.map((before) => ({ kind: "tick", atMs: -before })), { kind, atMs: 0, say }];

/** How long before the end of a part it ticks. */
function countedMs({ kind }, next, ms) {
  if (kind === "hold" && ms < COUNT_FROM_MS) return Array.from({ length: Math.ceil(ms / 1000) - 1 }, (_, second) => (second + 1) * 1000);
  const intoHold = next?.kind === "hold" && next.ms >= HOLD_FROM_MS && ms >= HOLD_FROM_MS;
  return ms >= COUNT_FROM_MS || intoHold ? COUNT_MS : [];
}

/** What sounds while a part runs: its beats, its counted breaths, its reference note, what is called in it. */
function within({ beats, ms, calls = [], tone_hz: hz, exhale, repetitions }, counts, start, handsFree) {
  const each = (count, kind, said) => Array.from({ length: Math.ceil(count) }, (_, number) => ({ kind, atMs: start + (number * ms) / count, ...numbered(said?.(number), ms / count) }));
  // Up where one builds up, a hiss and repetitions; down to the last breath of a recovery.
  const count = repetitions ? (number) => number + 1 : (number) => counts - number;
  return [
    ...(beats ? each(beats, "beat", exhale === undefined ? undefined : (number) => (number ? number + 1 : null)) : []),
    ...(handsFree && counts > 1 ? each(counts, "tick", count).slice(1) : []),
    ...(hz ? [{ kind: "note", atMs: start + 1, hz }] : []),
    ...calls.map(([after, , say]) => ({ kind: "call", atMs: start + after, say })),
  ];
}

/** A number that is said with a tick, where there is time for it. */
function numbered(number, everyMs) {
  return number && number <= MOST_NUMBER && everyMs >= NUMBERS_FROM_MS ? { say: [String(number)] } : {};
}
