// Begins what every page does, and what this one acts with: those scripts are there already, the server named them in
// the page's head.
import Alpine from "../vendor/alpine-csp.esm.js";
import { sendAgain } from "./again.js";
import { holdStill } from "./hold_still.js";
import { keepOpen } from "./keep_open.js";
import { listenForHelp } from "./keys_help.js";
import { listenForLetters } from "./letters.js";
import "./photo.js";
import { unfoldForPaper } from "./unfold.js";
import { tellWaiting } from "./waiting.js";

Alpine.start();

listenForHelp();
listenForLetters();
holdStill();
keepOpen();
sendAgain();
tellWaiting();
unfoldForPaper();
