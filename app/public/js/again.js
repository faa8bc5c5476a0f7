// A form that the server was too busy for is sent again by itself, once: what it says then is said to the person.
const WAIT_MS = 2000;

export function sendAgain() {
  const form = document.querySelector("form[data-again]");
  if (form && sessionStorage.getItem("again") !== form.action) {
    sessionStorage.setItem("again", form.action);
    setTimeout(() => form.submit(), WAIT_MS);
  } else sessionStorage.removeItem("again");
}
