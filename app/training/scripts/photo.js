// A photograph from a telephone is larger than a note needs: it is made smaller before it is sent. Without this script
// up to 2 MB are taken.
const LONGEST_PX = 1800;
const QUALITY = 0.82;
const ENOUGH_BYTES = 500_000;

async function smaller(file) {
  const image = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(image.width * scale);
  canvas.height = Math.round(image.height * scale);
  canvas.getContext("2d").drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise((resolve) => {
    canvas.toBlob(resolve, "image/jpeg", QUALITY);
  });
  return new File([blob], "note.jpg", { type: "image/jpeg" });
}

document.addEventListener("change", async ({ target }) => {
  const file = target.matches?.("input[type=file][data-shrink]") && target.files[0];
  if (!file || file.size <= ENOUGH_BYTES) return;
  const sent = new DataTransfer();
  try {
    sent.items.add(await smaller(file));
  } catch {
    return; // no photograph: the server says so
  }
  target.files = sent.files;
});
