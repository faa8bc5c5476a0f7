// A form that the server was too busy for is sent again by itself. The server marks it so once only.
const WAIT_MS = 2000;

export function sendAgain() {
  const form = document.querySelector("form[data-again]");
  if (form) setTimeout(() => form.submit(), WAIT_MS);
}
