import Alpine from "../vendor/alpine-csp.esm.js";
import { composer } from "./composer.js";
import { controlPause } from "./control_pause.js";
import { deck } from "./deck.js";
import { holdStill } from "./hold_still.js";
import { keepOpen } from "./keep_open.js";
import { listenForHelp } from "./keys_help.js";
import { listenForLetters } from "./letters.js";
import { sendLeftovers } from "./journal.js";
import { desk } from "./desk.js";
import { marginMap } from "./margin_map.js";
import { measure } from "./measure.js";
import { sendAgain } from "./again.js";

Alpine.data("composer", composer);
Alpine.data("controlPause", controlPause);
Alpine.data("deck", deck);
Alpine.data("desk", desk);
Alpine.data("measure", measure);
Alpine.data("marginMap", marginMap);
Alpine.start();

listenForHelp();
listenForLetters();
holdStill();
keepOpen();
sendAgain();
if (!document.getElementById("plan")) sendLeftovers();
