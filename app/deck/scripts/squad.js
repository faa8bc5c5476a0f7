// The deck for several: what a key is for stands in squad_run.js; here is the screen.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, everyFrame, Presses } from "./clock.js";
import { chosen } from "./choices.js";
import { ease } from "./ease.js";
import { card } from "./emergency.js";
import { Lane } from "./lane.js";
import { LaneRow } from "./lane_row.js";
import { heard } from "./letters.js";
import { BREATHS, deedOf, DEEDS, elsewhere } from "./deck_keys.js";
import { everyPulse } from "./metronome.js";
import { oneTab } from "./one_tab.js";
import { Pedal } from "./pedal.js";
import { setup } from "./setup.js";
import { Sound } from "./sound.js";
import { soundSwitch } from "./sound_switch.js";
import { place, SquadRun } from "./squad_run.js";
import { WakeLock } from "./wake_lock.js";

// What is for one alone: a tap leads, sensors, a heart, the water.
const NOT_HERE = ["taps", "sensors", "beat", "surface"];
// Whose words are said: all, the lane in focus, nobody's.
const SPEAKING = ["all", "one", "none", "alone"];
const SPEAKING_KEY = "windlass.squad.voice";
const SPEAKING_WORDS = { all: "Words of all", one: "Words of one", none: "Tones alone", alone: "Words of all, alone" };

export function squad() {
  // Kept outside of Alpine's reach: it watches what it is given, sixty times a second.
  let run, sound, plan, rows, wakeLock, pedal;
  const presses = new Presses();
  /** What was chosen on this device holds at once. */
  const apply = () => {
    for (const lane of run?.lanes ?? []) {
      lane.run.figures = chosen("figures") ?? "usual";
      lane.buzz.on = chosen("buzz") === "on";
      if (lane.run.live) lane.layOut(true);
    }
  };

  return {
    ...card(
      () => run,
      () => sound,
    ),
    ...ease(() => run?.lane),
    ...setup(
      () => pedal,
      () => apply(),
      () => sound,
    ),
    ...soundSwitch(
      () => sound,
      () => run?.live,
    ),
    name: "",
    cue: "Ready",
    own: "",
    figure: "",
    next: "",
    place: "",
    kept: "",
    mainWord: "Start all",
    holding: "",
    breathOf: "",
    known: false,
    idle: false,
    live: true,
    over: false,
    allOver: false,
    rating: false,
    restOpen: false,
    restWord: "",
    running: false,
    paused: false,
    resting: true,
    holdable: false,
    begun: false,
    lastBreath: null,
    speaking: localStorage.getItem(SPEAKING_KEY) ?? "all",

    init() {
      plan = JSON.parse(document.getElementById("plan").textContent);
      sound = new Sound();
      oneTab(
        plan.lanes.map(({ uuid }) => uuid),
        () => this.begin(),
        () => this.refuse("One of these sessions is on the deck in another tab"),
      );
    },

    refuse(cue) {
      this.live = false;
      this.cue = cue;
      this.next = "Close that one, and load this one again.";
    },

    async begin() {
      const lanes = await Promise.all(
        plan.lanes.map((one, at) =>
          Lane.open({ ...one, hands_free: true }, sound.channel(place(at, plan.lanes.length)), {
            kept: () => this.showKept(),
          }),
        ),
      );
      const elsewhere = lanes.find((lane) => lane.elsewhere);
      if (elsewhere) return this.refuse(`${elsewhere.plan.name}’s session was begun in another browser`);
      const stopped = lanes.find((lane) => lane.stopped);
      if (stopped)
        return this.refuse(
          `${stopped.plan.name} was stopped on this device: no hold work until a clinician has cleared it.`,
        );
      run = new SquadRun(lanes, plan.on_the_word);
      rows = lanes.map((lane, at) => new LaneRow(this.$root.querySelector(`[data-lane="${at}"]`), lane));
      pedal = new Pedal((what, event) => this.act(what, event));
      apply();
      this.letSpeak();
      this.cardAgain();
      for (const lane of lanes) lane.journal.send();
      window.addEventListener("online", () => {
        for (const lane of lanes) lane.journal.send();
      });
      this.layOut();
      everyPulse(() => {
        run.tick();
        const slippedMs = sound.slippedMs;
        for (const lane of lanes) lane.pulse(slippedMs);
      });
      wakeLock = new WakeLock();
      this.listenForGestures();
      this.showKept();
      everyFrame(() => {
        run.tick();
        this.show();
      });
    },

    layOut() {
      for (const lane of run.lanes) if (lane.run.live) lane.layOut(true);
    },

    async wakeSound() {
      await sound.wake();
      this.layOut();
      await sound.voice.load(plan.words, sound.context);
      this.layOut();
    },

    keyUp(event) {
      pedal?.up(event);
    },

    key(event) {
      if (this.learn(event)) return;
      if (run && !document.querySelector("dialog[open]") && pedal.down(event)) return event.preventDefault();
      const letter =
        elsewhere(event) || !heard(event.code)
          ? -1
          : plan.lanes.findIndex((lane) => event.code === `Key${lane.letter}`);
      const what = deedOf(event);
      if (event.repeat || (letter < 0 && (!what || NOT_HERE.includes(what)))) return;
      if (what === "emergency") return this.emergency(event);
      if (!run) return;
      event.preventDefault();
      if (letter < 0) this.act(what, event);
      else this.choose(letter);
    },

    act(what, event) {
      if (!presses.counts(`${what} ${BREATHS.includes(what) ? run.rated : run.focus}`, clock.at(event))) return;
      DEEDS[what](this, event);
      this.show();
    },

    tap(event) {
      if (run) this.act(event.currentTarget.dataset.act, event);
    },
    tapLane(event) {
      if (run) this.choose(Number(event.currentTarget.dataset.lane));
    },

    mark(kind, event) {
      run.mark(kind, event);
    },
    breath(value, event) {
      run.breath(value, event);
    },
    restSmooth() {
      run.restSmooth();
    },
    pause(event) {
      run.lane.run.pause(event);
    },
    skip(event) {
      run.lane.run.skip(event);
    },
    holdNow(event) {
      run.lane.run.holdNow(event);
    },
    stop(event) {
      run.lane.run.stop(event);
    },
    quiet(event) {
      run.lane.run.quietFromHere(event);
      this.endEasing();
    },

    main(event) {
      if (sound.asleep) this.wakeSound();
      run.main(event);
    },

    choose(at) {
      run.choose(at);
      if (this.speaking === "one") this.letSpeak();
      this.show();
    },

    nextVoice() {
      this.speaking = SPEAKING[(SPEAKING.indexOf(this.speaking) + 1) % SPEAKING.length];
      localStorage.setItem(SPEAKING_KEY, this.speaking);
      this.letSpeak();
    },
    letSpeak() {
      run.lanes.forEach((lane, at) => {
        lane.channel.speaking =
          ["all", "alone"].includes(this.speaking) || (this.speaking === "one" && at === run.focus);
        lane.channel.toning = this.speaking !== "alone";
      });
      this.layOut();
    },
    get stopWho() {
      return ` ${this.name}`;
    },
    get voiceWord() {
      return SPEAKING_WORDS[this.speaking];
    },

    breathIs(value) {
      return this.lastBreath === value;
    },

    /** Of whom the notes on the emergency card are. */
    itIs(event) {
      const at = Number(event.currentTarget.dataset.who);
      if (run.who !== null) return;
      run.itIs(at);
      this.known = true;
    },
    isWho(at) {
      return run?.who === Number(at);
    },

    show() {
      const { called, rated, focus } = run;
      const { run: one, plan: its } = run.lane;
      const views = rows.map((row, at) =>
        row.paint({ called: at === called, rated: at === rated, focus: at === focus }),
      );
      const { cue, own, figure, next, place: where, mainWord } = views[focus];
      Object.assign(this, { cue, own, figure, next, place: where });
      this.name = its.name;
      this.idle = one.waiting && run.chosen !== focus;
      this.mainWord = !run.begun && !run.onTheWord ? "Start all" : this.idle ? "Waits" : mainWord;
      this.begun = run.begun;
      this.live = one.live || !one.started;
      this.over = one.over;
      this.allOver = run.over;
      this.effortSaid = one.state.effort === undefined ? null : String(one.state.effort);
      this.paused = one.live && one.paused;
      this.resting = !one.holding;
      this.running = one.live && !one.quiet;
      this.holdable = one.holdable;
      this.holding = one.holding ? "holding" : "";
      this.rating = rated !== null;
      const rest = run.restOf;
      this.restOpen = rest.length > 0;
      this.restWord = rest.length === 1 ? `: ${plan.lanes[rest[0]].name}` : rest.length > 1 ? `: ${rest.length}` : "";
      this.breathOf = rated === null ? "" : `: ${plan.lanes[rated].name}`;
      this.lastBreath = rated === null ? null : (run.runs[rated].state.breaths[run.runs[rated].rated] ?? null);
      this.asleep = run.live && sound.asleep;
      wakeLock?.keep(run.live);
    },

    showKept() {
      if (!run) return;
      const waiting = run.lanes.reduce((sum, lane) => sum + lane.journal.marksWaiting, 0);
      const other = run.lanes.map((lane) => lane.journal.words).find((words) => words.includes("·"));
      this.kept = [waiting === 0 ? "Saved" : `${waiting} not sent yet`, other?.split(" · ").slice(1).join(" · ")]
        .filter(Boolean)
        .join(" · ");
    },
  };
}

Alpine.data("squad", squad);
