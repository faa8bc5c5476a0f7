// The deck: keys, buttons, figures, tones. What is right at which moment stands in run.js.
import { clock, clockWords, everyFrame, Presses } from "./clock.js";
import { shown } from "./deck_words.js";
import { Hand } from "./hand.js";
import { COUNT_IN_MS, Lane } from "./lane.js";
import { heard } from "./letters.js";
import { everySecond } from "./metronome.js";
import { oneTab } from "./one_tab.js";
import { Oximeter } from "./oximeter.js";
import { Sound } from "./sound.js";
import { speak } from "./voice.js";
import { card } from "./emergency.js";
import { WakeLock } from "./wake_lock.js";

const KEYS = { Space: "main", KeyU: "urge", KeyC: "contraction", Digit1: "smooth", Digit2: "deeper", Digit3: "gasp", Numpad1: "smooth", Numpad2: "deeper", Numpad3: "gasp", KeyN: "skip", KeyH: "hold", KeyT: "taps", KeyV: "voice", KeyP: "pause", KeyM: "mute", KeyO: "oximeter", KeyE: "emergency", KeyQ: "quiet", Escape: "stop" };
// Frames stop in a hidden tab; this goes on.
const PULSE_MS = 250;
// Whether what is counted runs by the clock or by a tap is remembered on the device.
const COUNTS = "windlass.counts";
// Words and tones, or tones alone, likewise.
const VOICE = "windlass.voice";

export function deck() {
  // Kept outside of Alpine's reach: it watches what it is given, sixty times a second.
  let run, lane, sound, channel, plan, hand, oximeter, wakeLock;
  const presses = new Presses();

  return {
    ...card(() => run, () => sound),
    cue: "Ready", figure: "0:00", next: "", kept: "", mainWord: "Start", holding: "",
    live: true, over: false, rating: false, asleep: false, begun: false, paused: false, resting: true, muted: false, lastBreath: null, reading: "", measuring: false, measurable: false, counting: false, holdable: false, byTap: localStorage.getItem(COUNTS) === "tap", place: "", speaking: localStorage.getItem(VOICE) !== "tones",

    init() {
      plan = JSON.parse(document.getElementById("plan").textContent);
      hand = new Hand(document.getElementById("hand"), plan.line, plan.total_ms);
      this.next = document.querySelector(".next").textContent;
      plan.hands_free = !this.byTap;
      sound = new Sound();
      channel = sound.channel();
      channel.speaking = this.speaking;
      oneTab([plan.uuid], () => this.begin(), () => this.refuse("This session is on the deck in another tab", "Close that one, and load this one again."));
    },

    refuse(cue, next) {
      this.live = false;
      this.over = true;
      this.figure = "";
      this.cue = cue;
      this.next = next;
    },

    async begin() {
      lane = await Lane.open(plan, channel, { changed: (byHand) => this.changed(byHand), kept: () => this.showKept() });
      if (lane.elsewhere) return this.refuse("This session was begun in another browser", "Go on with it there, or end it on its sheet.");
      run = lane.run;
      oximeter = new Oximeter(plan.uuid, (reading) => this.read(reading));
      this.measurable = plan.oximeter;
      this.showKept();
      this.cardAgain();
      lane.journal.send();
      window.addEventListener("online", () => lane.journal.send());
      this.show();
      lane.layOut(true);
      setInterval(() => run.tick(), PULSE_MS);
      everySecond(() => { run.tick(); lane.pulse(sound.slipped); });
      wakeLock = new WakeLock();
      this.listenForGestures();
      everyFrame(() => { run.tick(); this.show(); });
    },

    /** After a reload nothing may sound until the person does something: whatever it is, it wakes the sound and no more. */
    listenForGestures() {
      const wake = () => { if (run.live && sound.asleep) this.wakeSound(); };
      for (const gesture of ["pointerup", "keydown"]) window.addEventListener(gesture, wake);
    },

    /** What was laid out before the audio clock moved would be late: it is laid out anew. */
    async wakeSound() {
      await sound.wake();
      if (run?.live) lane.layOut(true);
      await sound.voice.load(plan.words, sound.context);
      if (run?.live && this.speaking) lane.layOut(true);
    },

    key(event) {
      const what = KEYS[event.code];
      if (what && !heard(event.code)) return;
      if (what === "emergency" && !event.repeat && !document.querySelector("dialog[open]") && !event.ctrlKey && !event.metaKey && !event.altKey) return this.emergency(event);
      if (!run || !what || document.querySelector("dialog[open]") || event.ctrlKey || event.metaKey || event.altKey || this.ownKey(event)) return;
      event.preventDefault();
      if (!event.repeat) this.act(what, event);
    },

    /** Space on a button that has the focus is that button's; on the main one it counts from the key itself. */
    ownKey(event) { return event.code === "Space" && event.target.closest("button, a, input") && !event.target.closest("[data-main]"); },

    act(what, event) {
      if (!presses.counts(what, clock.at(event))) return;
      if (what === "main") this.main(event);
      else if (what === "urge") this.mark("first_urge", event);
      else if (what === "contraction") this.mark("contraction", event);
      else if (what === "pause") this.pause(event);
      else if (what === "skip") this.skip(event);
      else if (what === "hold") this.holdNow(event);
      else if (what === "quiet") this.quiet(event);
      else if (what === "taps") this.taps();
      else if (what === "voice") this.toggleVoice();
      else if (what === "stop") this.stop(event);
      else if (what === "mute") this.mute();
      else if (what === "oximeter") this.measure();
      else this.breath(what, event);
    },

    /** By touch or mouse; the keyboard was heard on the way down. */
    tap(event) { this.act(event.currentTarget.dataset.act, event); },

    main(event) {
      if (!run || run.over) return;
      if (sound.asleep) this.wakeSound();
      if (!run.started) run.start(event, COUNT_IN_MS);
      else if (run.paused) run.resume(event);
      else run.next(event);
      this.show();
    },

    mark(kind, event) { run?.mark(kind, event); },
    breath(value, event) { run?.breath(value, event); this.show(); },
    holdNow(event) { run?.holdNow(event); this.show(); },
    quiet(event) { run?.quietFromHere(event); this.show(); },
    /** A tap leads what is counted, or the clock does: as one likes, at any time. */
    taps() {
      if (!run || run.over) return;
      this.byTap = !this.byTap;
      localStorage.setItem(COUNTS, this.byTap ? "tap" : "clock");
      run.handsFree = !this.byTap;
      if (run.live) lane.changed(true);
    },
    /** Words and tones, or tones alone. */
    toggleVoice() {
      if (!run || run.over) return;
      this.speaking = !this.speaking;
      localStorage.setItem(VOICE, this.speaking ? "words" : "tones");
      channel.speaking = this.speaking;
      if (run.live) lane.layOut(true);
    },
    get voiceWord() { return this.speaking ? "Words" : "Tones"; },
    get voiceRest() { return this.speaking ? " and tones" : " alone"; },
    get countWord() { return this.byTap ? "by a tap" : "by the clock"; },
    skip(event) { if (run?.live && run.started) run.skip(event); this.show(); },
    pause(event) { if (run?.live) run.pause(event); this.show(); },
    stop(event) { run?.stop(event); this.show(); },
    mute() {
      if (sound.asleep && run?.live) return this.wakeSound();
      this.muted = !this.muted;
      sound.muted = this.muted;
      sound.loud();
    },
    loudness(event) { sound.volume = event.target.value / 100; sound.loud(); },
    get soundWord() {
      if (this.asleep) return "Sound waits for a tap";
      return this.muted ? "Sound off" : "Sound on";
    },
    breathIs(value) { return this.lastBreath === value; },

    changed(byHand) {
      if (this.speaking && !this.muted && run.live && !run.paused && run.segment.own) speak(run.segment.cue);
      if (byHand && this.measuring) this.follow();
    },

    /** The oximeter plays along with what is really done. */
    follow() {
      if (run.started && run.live && !run.paused && !run.quiet) oximeter.start(run.planned);
      else oximeter.stop();
    },

    measure() {
      if (!run || run.over || !this.measurable) return;
      this.measuring = !this.measuring;
      this.reading = "";
      if (this.measuring) this.follow();
      else oximeter.stop();
    },

    read(reading) {
      if (!this.measuring || !run.live || run.paused) return;
      this.reading = `${reading.saturation} % · ${reading.pulse} a minute`;
      lane.journal.put("oximeter", run.now(), { value: String(reading.saturation) });
    },

    show() {
      this.live = !run.over;
      this.begun = run.live && !run.quiet;
      this.over = run.over;
      this.rating = run.rated !== null;
      this.asleep = run.live && sound.asleep;
      wakeLock?.keep(run.live);
      this.paused = run.live && run.paused;
      this.resting = !run.holding;
      this.holding = run.holding ? "holding" : "";
      this.lastBreath = run.rated === null ? null : run.state.breaths[run.rated] ?? null;
      this.counting = run.live && !run.handsFree && run.counts(run.state.index) > 0;
      this.holdable = run.holdable;
      if (run.started) Object.assign(this, shown(run, plan));
      else this.figure = clockWords(plan.total_ms);
      hand.move(run.planned);
    },

    showKept() { if (lane) this.kept = lane.journal.words; },
  };
}
