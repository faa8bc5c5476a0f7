// Words for closed eyes: shipped as small sounds, one a word, laid out on the audio clock like the tones. What a coach
// wrote in their own words is rendered as it is saved; what is not is spoken by the browser, where it has a voice.
import { choose, chosen } from "./choices.js";
import { stretched } from "./stretch.js";

const FOLDER = new URL("../voice/", import.meta.url);
// Between two words. Seconds.
const BETWEEN_S = 0.04;
const OWN = "coach-";
// The voice that the times of all words are reckoned with: in no other way of speaking does one take longer.
const FIRST = "calm";
const SAMPLE = ["hold-full"];
export const VOICES = { calm: "Calm voice", deep: "Deep voice", light: "Light voice" };
export const PACES = { unhurried: ["Unhurried", 1], quicker: ["Quicker", 1.25] };
export const PITCHES = { usual: ["Usual pitch", 1], lower: ["Lower", 0.88], higher: ["Higher", 1.14] };

const liked = (what, all) => (chosen(what) in all ? chosen(what) : Object.keys(all)[0]);

/** @returns how this device likes it: whose voice, how quick, how high */
export const speech = () => ({
  voice: liked("speaker", VOICES),
  pace: liked("pace", PACES),
  pitch: liked("pitch", PITCHES),
});

/** The next of what can be chosen. */
export function chooseNext(what, all) {
  const names = Object.keys(all);
  choose(what, names[(names.indexOf(liked(what, all)) + 1) % names.length]);
}

/** @returns address of a word in a voice */
export function addressOf(word, voice) {
  if (word.startsWith(OWN)) return new URL(`/words/${voice}/${word}.wav`, globalThis.location.href);
  return new URL(`${voice === FIRST ? "" : `${voice}/`}${word}.mp3`, FOLDER);
}

export class Voice {
  constructor() {
    this.buffers = new Map();
    this.words = [];
  }

  /** Fetches and decodes the words that a session needs; what can't be had stays unsaid. */
  async load(words, context) {
    this.words = [...new Set([...this.words, ...words])];
    const { voice } = speech();
    await Promise.all(
      this.words
        .filter((word) => !this.buffers.has(word))
        .map(async (word) => {
          const sound =
            (await decoded(word, voice, context)) ?? (voice === FIRST ? null : await decoded(word, FIRST, context));
          if (sound) this.buffers.set(word, shaped(sound, context));
        }),
    );
  }

  /** After another way of speaking was chosen: all words anew, and one of them to hear. */
  async again(context, to) {
    this.buffers = new Map();
    await this.load(SAMPLE, context);
    this.lay(SAMPLE, context.currentTime, context, to);
  }

  /**
   * Lays words out one after the other.
   * @param at seconds of the audio clock at which the first begins
   * @returns [[AudioBufferSourceNode, seconds]] and when each begins, so that they can be taken back
   */
  lay(words, at, context, to) {
    let from = at;
    return words
      .filter((word) => this.buffers.has(word))
      .map((word) => {
        const { buffer, rate } = this.buffers.get(word);
        const source = new AudioBufferSourceNode(context, { buffer, playbackRate: rate });
        source.connect(to);
        const beginsAt = from;
        source.start(beginsAt);
        from += buffer.duration / rate + BETWEEN_S;
        return [source, beginsAt];
      });
  }
}

async function decoded(word, voice, context) {
  try {
    const answer = await fetch(addressOf(word, voice));
    return answer.ok ? await context.decodeAudioData(await answer.arrayBuffer()) : null;
  } catch {
    // A tone says it all the same.
    return null;
  }
}

/** Played quicker it is higher, too: what that takes or adds, its length gives back. */
function shaped(buffer, context) {
  const { pace, pitch } = speech();
  const [[, quicker], [, rate]] = [PACES[pace], PITCHES[pitch]];
  const factor = rate / quicker;
  if (factor === 1) return { buffer, rate };
  const samples = stretched(buffer.getChannelData(0), factor, buffer.sampleRate);
  const other = context.createBuffer(1, samples.length, buffer.sampleRate);
  other.copyToChannel(samples, 0);
  return { buffer: other, rate };
}

/** Whether the browser has a voice for own words that are not rendered. */
export function hasVoice() {
  return Boolean(globalThis.speechSynthesis?.getVoices().length);
}

/** Says own words that are not rendered, where the browser has a voice. */
export function speak(text) {
  if (!hasVoice()) return;
  const synthesis = globalThis.speechSynthesis;
  synthesis.cancel();
  synthesis.speak(Object.assign(new SpeechSynthesisUtterance(text), { rate: 0.95 }));
}
