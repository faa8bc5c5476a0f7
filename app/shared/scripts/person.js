// Whose pages this device shows: what lies on it for a time without a network is shown to them alone.
const LAST = "person";

/** @returns who has this page; undefined where it is nobody's */
export const person = () => document.querySelector("meta[name=person]")?.content;

/** Whoever was here last is who it is while there is no network to ask. */
export function rememberPerson() {
  try {
    if (person()) localStorage.setItem(LAST, person());
  } catch {
    // Without a storage nothing lies here either.
  }
}

export function forgetPerson() {
  try {
    localStorage.removeItem(LAST);
  } catch {
    // Without a storage there is nothing to forget.
  }
}

/** @returns who was here last, as far as this browser remembers */
function last() {
  try {
    return localStorage.getItem(LAST);
  } catch {
    return null;
  }
}

/** @returns who has this page, or had one last: while there is no network to ask, it is theirs */
export const whose = () => person() ?? last() ?? undefined;

/** @returns whether what lies here is theirs: what is nobody's is anybody's */
export const theirs = (row) => !row.person || row.person === whose();
