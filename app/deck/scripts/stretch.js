// Speech, longer or shorter at the same pitch: pieces of it are laid over one another where they fit best.
const PIECE_S = 0.03;
const SEARCH_S = 0.008;
// So many samples apart they are compared.
const EVERY = 4;

/**
 * @param samples Float32Array
 * @param factor of its length
 * @param rate samples a second
 * @returns Float32Array
 */
export function stretched(samples, factor, rate) {
  if (factor === 1) return samples;
  const half = Math.round((PIECE_S * rate) / 2);
  const out = new Float32Array(Math.round(samples.length * factor));
  let goesOn = 0;
  for (let to = 0; to < out.length; to += half) {
    const from = to === 0 ? 0 : fitting(samples, Math.round(to / factor), goesOn, half, Math.round(SEARCH_S * rate));
    lay(out, to, samples, from, half);
    goesOn = from + half;
  }
  return out;
}

/** The place near the wanted one that sounds most like what would have come next. */
function fitting(samples, wanted, goesOn, half, search) {
  let [best, most] = [wanted, -Infinity];
  for (let from = Math.max(0, wanted - search); from <= wanted + search; from += EVERY) {
    let alike = 0;
    for (let at = 0; at < half; at += EVERY) alike += (samples[goesOn + at] ?? 0) * (samples[from + at] ?? 0);
    if (alike > most) [best, most] = [from, alike];
  }
  return best;
}

/** A piece swells over the one before it, and fades under the next. */
function lay(out, to, samples, from, half) {
  for (let at = 0; at < 2 * half && to + at < out.length; at += 1) {
    const loud = to === 0 && at < half ? 1 : 0.5 - 0.5 * Math.cos((Math.PI * at) / half);
    out[to + at] += loud * (samples[from + at] ?? 0);
  }
}
