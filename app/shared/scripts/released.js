// A key that is still down would press, too, whatever gets the focus meanwhile: what moves the focus waits until it is
// let go.
let down = false;
let waiting = null;

window.addEventListener(
  "keydown",
  () => {
    down = true;
  },
  true,
);
for (const end of ["keyup", "blur"])
  window.addEventListener(end, () => {
    down = false;
    waiting?.();
    waiting = null;
  });

/** Calls back at once, or as soon as no key is down. */
export function whenReleased(callback) {
  if (down) waiting = callback;
  else callback();
}
