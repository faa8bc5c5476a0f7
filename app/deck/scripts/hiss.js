// On the deck: what the microphone heard of each exhale that is sounded goes into the journal, as what was heard.
import { microphoneSwitch } from "./microphone.js";

/**
 * What the deck gets for it.
 * @param lane answers the lane
 */
export function hiss(lane) {
  let microphone, exhale;

  return {
    ...microphoneSwitch((opened) => {
      microphone = opened;
    }),

    /** To be called often: notices where an exhale begins and ends. */
    listen() {
      if (!this.hearing || !lane()) return;
      const { run } = lane();
      const now = run.sounding ? run.segment.exhale : undefined;
      if (now === exhale) return;
      if (exhale !== undefined) this.heard(exhale);
      exhale = now;
      if (now !== undefined) microphone.begin();
    },

    async heard(number) {
      const found = await microphone.end(60);
      if (!found?.seconds) return;
      const { run, journal } = lane();
      journal.add("hiss", Math.max(0, run.now()), {
        round: number,
        value: `${Math.round(found.seconds * 1000)}.${found.words}`,
      });
      this.heardWords = `Exhale ${number}: ${found.seconds.toFixed(1)} s, ${found.words}.`;
    },
  };
}
