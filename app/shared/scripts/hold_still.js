// While something is pressed nothing is drawn anew below the finger: the press would be lost. It is asked for again
// afterwards.
const PRESSED = "button, summary, label, a, input[type=radio], input[type=checkbox]";
const TYPED_INTO = "select, option, textarea, input:not([type=radio], [type=checkbox])";

export function holdStill() {
  let pressed = false;
  let missed = null;
  document.addEventListener(
    "pointerdown",
    ({ target }) => {
      pressed = !target.matches(TYPED_INTO) && target.closest(PRESSED) !== null;
    },
    true,
  );
  const release = () =>
    setTimeout(() => {
      pressed = false;
      missed?.dispatchEvent(new Event("redraw"));
      missed = null;
    }, 0);
  for (const kind of ["pointerup", "pointercancel"]) document.addEventListener(kind, release, true);
  document.addEventListener("htmx:beforeSwap", (event) => {
    if (!pressed) return;
    event.detail.shouldSwap = false;
    missed = event.detail.requestConfig.elt;
  });
}
