// The deck: keys, buttons, figures, tones. What is right at which moment stands in run.js.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, clockWords, everyFrame, Presses } from "./clock.js";
import { shown } from "./deck_words.js";
import { Hand } from "./hand.js";
import { COUNT_IN_MS, Lane } from "./lane.js";
import { deedOf, DEEDS } from "./deck_keys.js";
import { everyPulse } from "./metronome.js";
import { oneTab } from "./one_tab.js";
import { Sound } from "./sound.js";
import { soundSwitch } from "./sound_switch.js";
import { hasVoice } from "./voice.js";
import { choose, chosen } from "./choices.js";
import { ease } from "./ease.js";
import { card } from "./emergency.js";
import { hiss } from "./hiss.js";
import { Heart } from "./heart.js";
import { asRun, keepOwn, saidToday, sayAllWell } from "./laid.js";
import { Pedal } from "./pedal.js";
import { sensors } from "./sensors.js";
import { setup } from "./setup.js";
import { surfaceOf } from "./surface_today.js";
import { WakeLock } from "./wake_lock.js";

// What is heard. A part that no word tells has its tone also where it is words alone.
const EARS = { words: "Words and tones", tones: "Tones alone", alone: "Words alone" };
// Whoever leaves for the water waits no longer for the network: what was marked lies here.
const LEAVE_MS = 1500;
/** Only a browser could speak its own words. */
const unrendered = ({ heard }) => heard?.some(([kind, , , , words]) => kind === "own" && typeof words === "string");

export function deck() {
  // Kept outside of Alpine's reach: it watches what it is given, sixty times a second.
  let run, lane, sound, channel, plan, hand, wakeLock, pedal;
  const heart = new Heart();
  const presses = new Presses();
  /** What was chosen on this device holds at once. */
  const apply = () => {
    if (!run) return;
    run.figures = chosen("figures") ?? "usual";
    lane.buzz.on = chosen("buzz") === "on";
    if (run.live) lane.layOut(true);
  };

  return {
    ...card(
      () => run,
      () => sound,
    ),
    ...ease(() => lane),
    ...hiss(() => lane),
    ...sensors(
      () => lane,
      () => plan,
    ),
    ...setup(
      () => pedal,
      () => apply(),
      () => sound,
    ),
    ...soundSwitch(
      () => sound,
      () => run?.live,
    ),
    cue: "Ready",
    own: "",
    figure: "0:00",
    next: "",
    kept: "",
    mainWord: "Start",
    holding: "",
    live: true,
    over: false,
    rating: false,
    restOpen: false,
    begun: false,
    unspoken: false,
    paused: false,
    resting: true,
    perMinute: null,
    surface: null,
    unasked: false,
    lastBreath: null,
    counting: false,
    holdable: false,
    byTap: chosen("counts") === "tap",
    place: "",
    ear: chosen("voice") in EARS ? chosen("voice") : "words",

    init() {
      plan = JSON.parse(document.getElementById("plan").textContent);
      hand = new Hand(document.getElementById("hand"), plan.line, plan.total_ms);
      this.next = document.querySelector(".next").textContent;
      plan.hands_free = !this.byTap;
      sound = new Sound();
      channel = sound.channel();
      this.listenAs();
      oneTab(
        [plan.uuid],
        () => this.beginAsRun(),
        () => this.refuse("This session is on the deck in another tab", "Close that one, and load this one again."),
      );
    },

    refuse(cue, next) {
      this.live = false;
      this.over = true;
      this.figure = "";
      this.cue = cue;
      this.next = next;
    },

    async beginAsRun() {
      const why = await asRun(plan);
      if (why) return this.refuse("Not now", why);
      return this.begin();
    },

    async begin() {
      lane = await Lane.open(plan, channel, { changed: (byHand) => this.changed(byHand), kept: () => this.showKept() });
      if (lane.elsewhere)
        return this.refuse("This session was begun in another browser", "Go on with it there, or end it on its sheet.");
      if (lane.stopped)
        return this.refuse(
          "Stopped on this device",
          `What was noted of ${plan.name} stops all hold work until a clinician has cleared it.`,
        );
      run = lane.run;
      pedal = new Pedal((what, event) => this.act(what, event));
      apply();
      this.readySensors();
      this.surface = surfaceOf(plan.athlete);
      this.unasked = !run.started && plan.unasked && !lane.journal.marks.some(({ kind }) => kind === "asked");
      if (this.unasked && saidToday(plan)) this.asked(saidToday(plan));
      this.showKept();
      this.cardAgain();
      lane.journal.send();
      window.addEventListener("online", () => lane.journal.send());
      this.show();
      lane.layOut(true);
      everyPulse(() => {
        run.tick();
        lane.pulse(sound.slippedMs);
      });
      wakeLock = new WakeLock();
      this.listenForGestures();
      everyFrame(() => {
        run.tick();
        this.listen();
        this.show();
      });
    },

    /** What was laid out before the audio clock moved would be late: it is laid out anew. */
    async wakeSound() {
      await sound.wake();
      if (run?.live) lane.layOut(true);
      await sound.voice.load(plan.words, sound.context);
      if (run?.live && channel.speaking) lane.layOut(true);
    },

    keyUp(event) {
      pedal?.up(event);
    },

    key(event) {
      if (this.learn(event)) return;
      if (run && !document.querySelector("dialog[open]") && pedal.down(event)) return event.preventDefault();
      const what = deedOf(event);
      if (!what || (!run && what !== "emergency")) return;
      if (what !== "emergency") event.preventDefault();
      if (event.repeat) return;
      if (what === "emergency") this.emergency(event);
      else this.act(what, event);
    },

    act(what, event) {
      if (!presses.counts(what, clock.at(event))) return;
      DEEDS[what](this, event);
    },

    /** By touch or mouse; the keyboard was heard on the way down. */
    tap(event) {
      this.act(event.currentTarget.dataset.act, event);
    },

    main(event) {
      if (!run || run.over) return;
      if (sound.asleep) this.wakeSound();
      if (this.unasked) return this.askedNothing();
      if (!run.started) run.start(event, COUNT_IN_MS);
      else if (run.paused) run.resume(event);
      else run.next(event);
      this.show();
    },

    mark(kind, event) {
      run?.mark(kind, event);
    },
    breath(value, event) {
      run?.breath(value, event);
      if (run) keepOwn(plan, run);
      this.show();
    },
    restSmooth() {
      run?.restSmooth();
      if (run) keepOwn(plan, run);
      this.show();
    },
    holdNow(event) {
      run?.holdNow(event);
      this.show();
    },
    quiet(event) {
      run?.quietFromHere(event);
      this.endEasing();
      this.show();
    },

    /** Four taps set it; where a sensor is on, its heartbeat leads, or leads no more. */
    beat(event) {
      if (!run?.live || !plan.paced) return;
      if (this.measuring) this.pulseLeads = !this.pulseLeads;
      else this.followBeat(heart.tap(clock.at(event)));
    },
    followBeat(perMinute) {
      if (perMinute === null || perMinute === this.perMinute) return;
      this.perMinute = run.beatAt(perMinute);
    },
    get beatWord() {
      return this.perMinute === null ? "Beat" : `${this.perMinute} a minute`;
    },

    /** Taken along before anybody was asked: asked now. */
    askedNothing() {
      this.asked("nothing");
      sayAllWell(plan);
      this.show();
    },
    asked(value) {
      this.unasked = false;
      lane.journal.add("asked", 0, { value });
    },
    /** A tap leads what is counted, or the clock does: as one likes, at any time. */
    taps() {
      if (!run || run.over) return;
      this.byTap = !this.byTap;
      choose("counts", this.byTap ? "tap" : "clock");
      run.handsFree = !this.byTap;
      if (run.live) lane.changed(true);
    },
    nextVoice() {
      if (!run || run.over) return;
      const ears = Object.keys(EARS);
      this.ear = ears[(ears.indexOf(this.ear) + 1) % ears.length];
      choose("voice", this.ear);
      this.listenAs();
      if (run.live) lane.layOut(true);
    },
    listenAs() {
      channel.speaking = this.ear !== "tones";
      channel.toning = this.ear !== "alone";
    },
    get voiceWord() {
      return EARS[this.ear];
    },
    get countWord() {
      return this.byTap ? "by a tap" : "by the clock";
    },
    skip(event) {
      if (run?.live && run.started) run.skip(event);
      this.show();
    },
    pause(event) {
      if (run?.live) run.pause(event);
      this.show();
    },
    stop(event) {
      run?.stop(event);
      this.show();
    },
    /** Out of the breathe-up and into the water: what runs ends here, and the clock of the surface takes over. */
    async toSurface(event) {
      if (!this.surface) return;
      run.stop(event);
      this.show();
      await Promise.race([lane.journal.send(), new Promise((done) => setTimeout(done, LEAVE_MS))]);
      location.assign(this.surface);
    },
    breathIs(value) {
      return this.lastBreath === value;
    },

    changed(byHand) {
      if (run) keepOwn(plan, run);
      if (byHand && lane) this.followRun();
    },

    show() {
      this.live = !run.over;
      this.begun = run.live && !run.quiet;
      this.over = run.over;
      this.effortSaid = run.state.effort === undefined ? null : String(run.state.effort);
      this.rating = run.rated !== null;
      this.restOpen = run.over && run.unrated.length > 0;
      this.asleep = run.live && sound.asleep;
      wakeLock?.keep(run.live);
      this.paused = run.live && run.paused;
      this.resting = !run.holding;
      this.holding = run.over ? "over" : run.holding ? "holding" : "";
      this.lastBreath = run.rated === null ? null : (run.state.breaths[run.rated] ?? null);
      this.counting = run.live && !run.handsFree && run.counts(run.state.index) > 0;
      this.holdable = run.holdable;
      if (run.started) Object.assign(this, shown(run, plan));
      else {
        this.figure = clockWords(plan.total_ms);
        this.cue = this.unasked ? "Ask first" : "Ready";
        this.mainWord = this.unasked ? "None today" : "Start";
      }
      this.unspoken = !run.started && !hasVoice() && plan.segments.some(unrendered);
      hand.move(run.planned);
      this.showReadings();
    },

    showKept() {
      if (lane) this.kept = lane.journal.words;
    },
  };
}

Alpine.data("deck", deck);
