// Letters and figures as keys can be switched off, for who dictates or has a hand that trembles. Kept on the device.
// Space, Escape and the arrows stay.
const LETTERS = "windlass.letters";

const on = () => localStorage.getItem(LETTERS) !== "off";

/** @param code of a key event: `KeyU`, `Digit1`, `Space` */
export const heard = (code) => on() || !/^(Key|Digit|Numpad)/.test(code);

/** The switch in the list of keys. */
export function listenForLetters() {
  const button = document.querySelector("[data-letters]");
  if (!button) return;
  const show = () => {
    button.setAttribute("aria-pressed", String(on()));
    button.textContent = on() ? "Letters and figures are heard" : "Letters and figures are not heard";
  };
  button.addEventListener("click", () => {
    localStorage.setItem(LETTERS, on() ? "off" : "on");
    show();
  });
  show();
}
