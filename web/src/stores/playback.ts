import { defineStore } from 'pinia';
import { watch } from 'vue';
import { framesPerSecond } from '../lib/timecode';
import { useDesk } from './desk';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useSound } from './sound';
import { useView } from './view';

/** Plays in real time what is there, waits for what isn't, and has the missing frames rendered ahead. */
export const usePlayback = defineStore('playback', () => {
  const view = useView();
  const frames = useFrames();
  const shot = useShot();
  const desk = useDesk();
  const sound = useSound();
  let startTime = 0;
  let heard = false;
  let startFrame = 0;

  /** What is played: the work range, or all. */
  const range = () => shot.shot?.work ?? { from: 0, to: shot.shot?.length ?? 1 };

  /** The frames of it, the present one first. */
  function order(): number[] {
    const { from, to } = range();
    const length = to - from;
    const first = Math.max(0, view.frame - from);
    return Array.from({ length }, (_, i) => from + ((first + i) % length));
  }

  /** The clock counts from the frame on which it was set; the sound, where there is any, is that clock. */
  function set(frame: number) {
    startFrame = frame;
    const rate = framesPerSecond(shot.shot?.format.rate ?? '24');
    sound.start(frame / rate);
    startTime = sound.now();
    heard = sound.isHeard();
  }

  function tick() {
    const s = shot.shot;
    if (!view.playing || !s) return;
    // The sound's own clock takes over once the browser lets it be heard.
    if (sound.isHeard() !== heard) set(view.frame);
    const passed = Math.floor((sound.now() - startTime) * framesPerSecond(s.format.rate));
    const { from, to } = range();
    let wanted = startFrame + passed;
    if (wanted >= to) {
      if (!view.loop) {
        view.playing = false;
        desk.go(to - 1);
        return;
      }
      wanted = from + ((wanted - from) % (to - from));
      set(wanted);
    }
    if (wanted !== view.frame) {
      if (frames.has(wanted)) {
        view.frame = wanted;
        frames.showKept(wanted);
      } else {
        // The next frame that is there holds the clock until the wanted one has come.
        const next = view.frame + 1 < to ? view.frame + 1 : from;
        if (frames.has(next)) {
          view.frame = next;
          frames.showKept(next);
        }
        set(view.frame);
      }
    }
    requestAnimationFrame(tick);
  }

  async function begin() {
    const v = shot.view;
    if (!v) return;
    await sound.load(v.id, v.revision);
    if (!view.playing) return;
    set(view.frame);
    requestAnimationFrame(tick);
  }

  watch(
    () => view.playing,
    (playing) => {
      if (!shot.shot) return;
      if (!playing) {
        sound.stop();
        frames.ahead([], view.look);
        desk.ask();
        return;
      }
      const { from, to } = range();
      if (view.frame >= to - 1 || view.frame < from) view.frame = from;
      frames.ahead(order(), view.look);
      void begin();
    },
  );
  watch(
    () => frames.keys,
    () => {
      if (view.playing && shot.shot) frames.ahead(order(), view.look);
    },
  );

  const toggle = () => {
    view.playing = !view.playing;
  };
  return { toggle };
});
