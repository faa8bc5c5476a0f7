import Alpine from "../vendor/alpine-csp.esm.js";
import { controlPause } from "./control_pause.js";
import { deck } from "./deck.js";
import { listenForHelp } from "./keys_help.js";
import { sendLeftovers } from "./journal.js";
import { marginMap } from "./margin_map.js";
import { rating } from "./rating.js";

Alpine.data("controlPause", controlPause);
Alpine.data("deck", deck);
Alpine.data("marginMap", marginMap);
Alpine.data("rating", rating);
Alpine.start();

listenForHelp();
if (!document.getElementById("plan")) sendLeftovers();
