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

export const forgetPerson = () => localStorage.removeItem(LAST);

/** @returns whether what lies here is theirs: what is nobody's is anybody's */
export function theirs(row) {
  return !row.person || row.person === (person() ?? localStorage.getItem(LAST));
}
