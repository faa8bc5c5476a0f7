// Which device this is: a name that says nothing, made once. Two devices that ran the same session are told apart by
// it.
const DEVICE = "windlass.device";

export function device() {
  let name = localStorage.getItem(DEVICE);
  if (!name) {
    name = [...crypto.getRandomValues(new Uint8Array(8))].map((byte) => byte.toString(16).padStart(2, "0")).join("");
    localStorage.setItem(DEVICE, name);
  }
  return name;
}
