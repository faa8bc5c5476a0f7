// What the browser keeps by itself, in IndexedDB: marks that the server has not yet, each under its own uuid, and what
// a deck has to remember of a session. A mark is put in and taken out by itself, so that two pages never write over one
// another.
const NAME = "windlass";
const VERSION = 1;
// A storage that says nothing for so long is treated as one that is not there: a deck waits for nobody's disk.
const SILENT_MS = 5000;
// And asked again after so long.
const AGAIN_MS = 30_000;
let opened,
  silentUntil = 0;

/** @returns what it comes to, and fails where that takes too long */
function answered(promise) {
  return Promise.race([
    promise,
    new Promise((_done, failed) => {
      setTimeout(() => failed(new Error("the storage does not answer")), SILENT_MS);
    }),
  ]);
}

function open() {
  return new Promise((done, failed) => {
    const request = indexedDB.open(NAME, VERSION);
    request.onupgradeneeded = () => {
      request.result.createObjectStore("marks", { keyPath: "uuid" }).createIndex("session", "session");
      request.result.createObjectStore("runs", { keyPath: "session" });
      request.result.createObjectStore("along", { keyPath: "path" });
      request.result.createObjectStore("stops", { keyPath: "athlete" });
      request.result.createObjectStore("pieces", { keyPath: "uuid" });
    };
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });
}

async function database() {
  if (performance.now() < silentUntil) throw new Error("the storage did not answer a moment ago");
  opened ??= open();
  try {
    return await answered(opened);
  } catch (fault) {
    opened = undefined;
    silentUntil = performance.now() + AGAIN_MS;
    throw fault;
  }
}

/** Said where the storage takes nothing. */
export const NO_ROOM = "no room in this browser: keep this page open until all is kept";

/** Reads what it can: nothing, where there is nothing to read from. */
export async function readable(reading) {
  try {
    return await reading;
  } catch {
    return undefined;
  }
}

/**
 * Marks are on the disk before they count as kept; what is written each second anyway may wait for the device.
 * @param work gets the object store, answers a request whose result is wanted
 */
async function within(name, mode, work) {
  const transaction = (await database()).transaction(name, mode, {
    durability: name === "runs" ? "relaxed" : "strict",
  });
  const request = work(transaction.objectStore(name));
  const result = new Promise((done, failed) => {
    transaction.oncomplete = () => done(request?.result);
    transaction.onerror = transaction.onabort = () => failed(transaction.error);
  });
  return mode === "readonly" ? answered(result) : result;
}

export const store = {
  putMark: (mark) => within("marks", "readwrite", (marks) => marks.put(mark)),
  dropMarks: (uuids) =>
    within("marks", "readwrite", (marks) => {
      for (const uuid of uuids) marks.delete(uuid);
    }),
  /** In the order in which they were made. */
  marksOf: async (session) =>
    (await within("marks", "readonly", (marks) => marks.index("session").getAll(session))).sort(
      (one, other) => one.order - other.order,
    ),
  /** @returns uuids of the sessions that have marks here, the oldest first: days come home in their order */
  waiting: async () => {
    const marks = await within("marks", "readonly", (all) => all.getAll());
    return [...new Set(marks.sort((one, other) => one.wall - other.wall).map((mark) => mark.session))];
  },
  run: (session) => within("runs", "readonly", (runs) => runs.get(session)),
  putRun: (run) => within("runs", "readwrite", (runs) => runs.put(run)),
  dropRun: (session) => within("runs", "readwrite", (runs) => runs.delete(session)),
  /** What was taken along: path of its deck, whose, what, for which day. */
  putAlong: (one) => within("along", "readwrite", (along) => along.put(one)),
  dropAlong: (path) => within("along", "readwrite", (along) => along.delete(path)),
  along: () => within("along", "readonly", (along) => along.getAll()),
  /** What is sent as one piece. */
  putPiece: (piece) => within("pieces", "readwrite", (pieces) => pieces.put(piece)),
  dropPiece: (uuid) => within("pieces", "readwrite", (pieces) => pieces.delete(uuid)),
  pieces: () => within("pieces", "readonly", (pieces) => pieces.getAll()),
  /**
   * Who was stopped on this device, and when: their other sessions wait here until the server has it and says
   * otherwise.
   */
  putStop: (stop) => within("stops", "readwrite", (stops) => stops.put(stop)),
  stop: (athlete) => within("stops", "readonly", (stops) => stops.get(athlete)),
  dropStop: (athlete) => within("stops", "readwrite", (stops) => stops.delete(athlete)),
};
