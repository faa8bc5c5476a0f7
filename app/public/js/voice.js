// Words for closed eyes: shipped as small sounds, one a word, laid out on the audio clock like the tones. What a coach wrote in
// their own words is spoken by the browser, where it has a voice.
const FOLDER = new URL("../voice/", import.meta.url);
// Between two words. Seconds.
const BETWEEN_S = 0.04;

export class Voice {
  constructor() { this.buffers = new Map(); }

  /** Fetches and decodes the words that a session needs; what can't be had stays unsaid. */
  async load(words, context) {
    await Promise.all([...new Set(words)].filter((word) => !this.buffers.has(word)).map(async (word) => {
      try {
        const answer = await fetch(new URL(`${word}.mp3`, FOLDER));
        if (answer.ok) this.buffers.set(word, await context.decodeAudioData(await answer.arrayBuffer()));
      } catch { /* a tone says it all the same */ }
    }));
  }

  /**
   * Lays words out one after the other.
   * @param at seconds of the audio clock at which the first begins
   * @returns [[AudioBufferSourceNode, seconds]] and when each begins, so that they can be taken back
   */
  lay(words, at, context, to) {
    let from = at;
    return words.filter((word) => this.buffers.has(word)).map((word) => {
      const source = new AudioBufferSourceNode(context, { buffer: this.buffers.get(word) });
      source.connect(to);
      const beginsAt = from;
      source.start(beginsAt);
      from += source.buffer.duration + BETWEEN_S;
      return [source, beginsAt];
    });
  }
}

/** Whether the browser has a voice for a coach's own words. */
export function hasVoice() { return Boolean(globalThis.speechSynthesis?.getVoices().length); }

/** Says a coach's own words, where the browser has a voice. */
export function speak(text) {
  if (!hasVoice()) return;
  const speech = globalThis.speechSynthesis;
  speech.cancel();
  speech.speak(Object.assign(new SpeechSynthesisUtterance(text), { rate: 0.95 }));
}
