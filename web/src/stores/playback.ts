import { defineStore } from 'pinia';
import { watch } from 'vue';
import { framesPerSecond } from '../lib/timecode';
import { useDesk } from './desk';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useView } from './view';

/** Plays in real time what is there, waits for what isn't, and has the missing frames rendered ahead. */
export const usePlayback = defineStore('playback', () => {
  const view = useView();
  const frames = useFrames();
  const shot = useShot();
  const desk = useDesk();
  let startTime = 0;
  let startFrame = 0;

  function order(from: number, length: number): number[] {
    return Array.from({ length }, (_, i) => (from + i) % length);
  }

  function tick(now: number) {
    const s = shot.shot;
    if (!view.playing || !s) return;
    const passed = Math.floor(((now - startTime) / 1000) * framesPerSecond(s.format.rate));
    let wanted = startFrame + passed;
    if (wanted >= s.length) {
      if (!view.loop) {
        view.playing = false;
        desk.go(s.length - 1);
        return;
      }
      wanted %= s.length;
    }
    if (wanted !== view.frame) {
      if (frames.has(wanted)) {
        view.frame = wanted;
        frames.showKept(wanted);
      } else {
        // The next frame that is there holds the clock until the wanted one has come.
        const next = (view.frame + 1) % s.length;
        if (frames.has(next)) {
          view.frame = next;
          frames.showKept(next);
        }
        startFrame = view.frame;
        startTime = now;
      }
    }
    requestAnimationFrame(tick);
  }

  watch(
    () => view.playing,
    (playing) => {
      const s = shot.shot;
      if (!s) return;
      if (!playing) {
        frames.ahead([], view.scale, view.see);
        desk.ask();
        return;
      }
      if (view.frame >= s.length - 1) view.frame = 0;
      startFrame = view.frame;
      startTime = performance.now();
      frames.ahead(order(view.frame, s.length), view.scale, view.see);
      requestAnimationFrame(tick);
    },
  );
  watch(
    () => frames.keys,
    () => {
      if (view.playing && shot.shot) frames.ahead(order(view.frame, shot.shot.length), view.scale, view.see);
    },
  );

  const toggle = () => {
    view.playing = !view.playing;
  };
  return { toggle };
});
