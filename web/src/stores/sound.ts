import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api } from '../api/client';

/** What the shot sounds like, heard in step with its pictures, and how loud single sounds are over their length. */
export const useSound = defineStore('sound', () => {
  const peaks = shallowRef<Map<string, number[]>>(new Map());
  const asked = new Set<string>();
  let context: AudioContext | undefined;
  let source: AudioBufferSourceNode | undefined;
  let loaded: { key: string; buffer: AudioBuffer | undefined } | undefined;

  /** Fetches what the shot sounds like at a revision; nothing where it is silent. */
  async function load(shot: string, revision: number) {
    const key = `${shot} ${revision}`;
    if (loaded?.key === key) return;
    loaded = { key, buffer: undefined };
    try {
      const bytes = await api.sound(shot);
      if (!bytes) return;
      context ??= new AudioContext({ sampleRate: 48000 });
      loaded = { key, buffer: await context.decodeAudioData(bytes) };
    } catch (e) {
      void message.error(`Played without sound: ${e instanceof Error ? e.message : String(e)}`);
    }
  }

  /** Sounds from a time of the shot on, in seconds. The clock that it is heard by begins at 0 here. */
  function start(seconds: number) {
    stop();
    if (!context || !loaded?.buffer) return;
    void context.resume();
    source = context.createBufferSource();
    source.buffer = loaded.buffer;
    source.connect(context.destination);
    source.start(0, Math.max(0, seconds));
  }

  function stop() {
    source?.stop();
    source?.disconnect();
    source = undefined;
  }

  /** Seconds on the clock of the sound, or of the machine where there is none; both only ever run on. */
  const now = () => (source && context?.state === 'running' ? context.currentTime : performance.now() / 1000);
  const isHeard = () => source !== undefined && context?.state === 'running';

  async function askPeaks(media: string) {
    if (asked.has(media)) return;
    asked.add(media);
    try {
      const found = await api.peaks(media);
      peaks.value = new Map(peaks.value).set(media, found);
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
    }
  }

  return { peaks, load, start, stop, now, isHeard, askPeaks };
});
