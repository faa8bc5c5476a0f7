// Begins what every page does, and what this one acts with: the server names that in the page's head, by what its views
// say in x-data.
import Alpine from "../vendor/alpine-csp.esm.js";
import { sendAgain } from "./again.js";
import { holdStill } from "./hold_still.js";
import { keepOpen } from "./keep_open.js";
import { listenForHelp } from "./keys_help.js";
import { listenForLetters } from "./letters.js";
import "./photo.js";
import { forgetAtSignOut } from "./sign_out.js";
import { unfoldForPaper } from "./unfold.js";
import { tellWaiting } from "./waiting.js";

// They are there already: the page fetched them before this script.
const acting = Array.from(document.querySelectorAll("script[data-acts]"), async ({ dataset, src }) => {
  Alpine.data(dataset.acts, (await import(src))[dataset.acts]);
});

forgetAtSignOut();
listenForHelp();
listenForLetters();
holdStill();
keepOpen();
sendAgain();
tellWaiting();
unfoldForPaper();

await Promise.all(acting);
Alpine.start();
