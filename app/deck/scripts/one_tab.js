// One tab runs a session; a second one only says so.

/**
 * @param sessions their uuids
 * @param begin called once all of them are this tab's
 * @param refuse called where another tab has one of them
 */
export function oneTab([session, ...others], begin, refuse) {
  if (!session) return begin();
  if (!navigator.locks) return begin();
  navigator.locks.request(`windlass.deck.${session}`, { ifAvailable: true }, (lock) => {
    if (!lock) return refuse();
    oneTab(others, begin, refuse);
    return new Promise(() => {});
  });
}
