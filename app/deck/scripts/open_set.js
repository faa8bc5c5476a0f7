// Whether a set that lies on this phone may be run now: by the table that the server gave with it, by what was said
// today, by what was run here since, and by the morning's score. It refuses no less than the server would.

/** @returns the decks of a set: as it was planned, and as a lighter one where there is one */
export const pathsOf = ({ path, light }) => [path, light?.path].filter(Boolean);

const TIME = { hour: "2-digit", minute: "2-digit", hour12: false };
const DAY = { weekday: "long", day: "numeric", month: "long" };

/** @returns until when a set waits after what was run, in milliseconds or as a day; undefined where it does not */
function waiting({ after, for_s, until, rough }, { runs, now, day }) {
  const ran = after.map(([prescription, on]) =>
    runs.filter((run) => run.prescription === prescription && run.day === on && run.counts && (!rough || run.rough)),
  );
  if (ran.some((all) => all.length === 0)) return undefined;
  if (until) return day < until ? { day: until } : undefined;
  const open = Math.max(...ran.flat().map(({ wall }) => wall)) + for_s * 1000;
  return now < open ? { atMs: open } : undefined;
}

/** @returns `Not before 14:30.` */
function notBefore({ atMs, day }, now) {
  if (day) return `Not before ${new Date(`${day}T12:00`).toLocaleDateString("en-GB", DAY)}.`;
  const at = new Date(atMs);
  const time = at.toLocaleTimeString("en-GB", TIME);
  const today = at.toDateString() === new Date(now).toDateString();
  return `Not before ${today ? "" : `${at.toLocaleDateString("en-GB", DAY)} at `}${time}.`;
}

/** What was left so long ago nobody goes on with. */
const LEFT_MS = 12 * 3_600_000;

/** @returns whether it was begun here and is not over: it goes on, also after midnight */
export const running = ({ prescription, day }, { runs, now }) =>
  runs.some((run) => run.prescription === prescription && run.day === day && !run.over && now - run.wall < LEFT_MS);

/**
 * @param row as it lies here
 * @param known said: today's answers, undefined where nothing was said; ill: days before on which they said that they
 *   were unwell; runs: what was run here; morning: the newest score, if any; now: milliseconds; day: today
 * @returns open: it may be run. running: it goes on. done: sets of today that were. words: why not, or what is to be
 *   minded
 */
export function openSet(row, known) {
  const own = known.runs.filter((run) => run.prescription === row.prescription && run.day === row.day && run.counts);
  const done = row.done + own.filter(({ over }) => over).length;
  if (running(row, known)) return { ...row, open: true, running: true, done, words: "" };
  const why = [];
  if (done >= row.sets) why.push("Done for today.");
  if (known.ill.length) why.push("You were unwell and said so here. Open your page with a network first.");
  if (row.opens && known.now < row.opens.at_s * 1000) why.push(row.opens.words);
  for (const wait of row.after) {
    const until = waiting(wait, known);
    if (until) why.push(`${wait.words} ${notBefore(until, known.now)}`);
  }
  const minded = [];
  for (const answer of known.said ?? []) {
    const said = row.answers[answer];
    if (said) (said.go ? minded : why).push(said.words);
  }
  let { path, title } = row;
  if (row.light && known.morning <= row.light.at_most_s) {
    (row.light.path ? minded : why).push(row.light.words);
    path = row.light.path ?? path;
    title = row.light.title ?? title;
  }
  const words = [...new Set(why.length ? why : minded)].join(" ");
  return { ...row, path, title, open: why.length === 0, done: Math.min(done, row.sets), words };
}
