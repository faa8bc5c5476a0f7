// Sound on and off, how loud, and what wakes it: after a reload nothing may sound until the person does something;
// whatever that is, it wakes the sound and does nothing else.

/**
 * What a deck gets for it.
 * @param sound answers the sound
 * @param live answers whether something runs
 */
export function soundSwitch(sound, live) {
  return {
    muted: false,
    asleep: false,

    listenForGestures() {
      const wake = () => {
        if (live() && sound().asleep) this.wakeSound();
      };
      for (const gesture of ["pointerup", "keydown"]) window.addEventListener(gesture, wake);
    },

    mute() {
      if (live() && sound().asleep) return this.wakeSound();
      this.muted = !this.muted;
      sound().muted = this.muted;
      sound().loud();
    },

    loudness(event) {
      sound().volume = event.target.value / 100;
      sound().loud();
    },

    soundWord() {
      if (this.asleep) return "Sound waits for a tap";
      return this.muted ? "Sound off" : "Sound on";
    },
  };
}
