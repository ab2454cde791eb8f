import { defineStore } from 'pinia';
import { watch } from 'vue';
import { framesPerSecond } from '../lib/timecode';
import { useDesk } from './desk';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useSound } from './sound';
import { useView } from './view';

/** After how many milliseconds frames that don't come are asked for again: others may have pushed them out meanwhile. */
const PATIENCE = 1000;
/** How many seconds of frames must be there before the clock runs on after it was held. */
const HEAD_START = 0.5;

/**
 * Plays in real time what is there and has the missing frames rendered ahead. Where they don't come fast enough, the clock
 * is held: each frame is shown as it comes, in silence, until there are enough of them again.
 */
export const usePlayback = defineStore('playback', () => {
  const view = useView();
  const frames = useFrames();
  const shot = useShot();
  const desk = useDesk();
  const sound = useSound();
  let startTime = 0;
  let heard = false;
  let startFrame = 0;
  let held = false;
  let shownAt = 0;
  let askedAt = 0;
  /** How many frames were shown since frames were asked for. */
  let sinceAsked = 0;

  const rate = () => framesPerSecond(shot.shot?.format.rate ?? '24');

  /** What is played: the work range, or all. */
  const range = () => shot.shot?.work ?? { from: 0, to: shot.shot?.length ?? 1 };

  /** The frames of it, the present one first; no more than can be kept until they are played. */
  function order(): number[] {
    const { from, to } = range();
    const length = to - from;
    const first = Math.max(0, view.frame - from);
    return Array.from({ length: Math.min(length, frames.room()) }, (_, i) => from + ((first + i) % length));
  }

  function askAhead() {
    sinceAsked = 0;
    askedAt = performance.now();
    frames.ahead(order(), view.look);
  }

  /** The clock counts from the frame on which it was set; the sound, where there is any, is that clock. */
  function set(frame: number) {
    held = false;
    startFrame = frame;
    sound.start(frame / rate());
    startTime = sound.now();
    heard = sound.isHeard();
  }

  function hold() {
    held = true;
    sound.stop();
    shownAt = performance.now();
    askAhead();
  }

  function display(frame: number) {
    view.frame = frame;
    frames.showKept(frame);
    sinceAsked++;
    if (sinceAsked * 4 > frames.room()) askAhead();
  }

  /** So many frames later; none behind the end, unless the range is played round and round. */
  function later(count: number): number | undefined {
    const { from, to } = range();
    const frame = view.frame + count;
    if (frame < to) return frame;
    return view.loop ? from + ((frame - from) % (to - from)) : undefined;
  }

  /** Whether there is a head start of frames, or all to the end. */
  function isEnough(): boolean {
    const { from, to } = range();
    const count = Math.min(to - from - 1, Math.ceil(HEAD_START * rate()), Math.ceil(frames.room() / 2));
    for (let i = 1; i <= count; i++) {
      const frame = later(i);
      if (frame !== undefined && !frames.has(frame)) return false;
    }
    return true;
  }

  function end(frame: number) {
    view.playing = false;
    desk.go(frame);
  }

  /** Shows the frame that the clock is on. */
  function follow() {
    // The sound's own clock takes over once the browser lets it be heard.
    if (sound.isHeard() !== heard) set(view.frame);
    const passed = Math.floor((sound.now() - startTime) * rate());
    const { from, to } = range();
    let wanted = startFrame + passed;
    if (wanted >= to) {
      if (!view.loop) {
        end(to - 1);
        return;
      }
      wanted = from + ((wanted - from) % (to - from));
      set(wanted);
    }
    if (wanted === view.frame) return;
    if (frames.has(wanted)) display(wanted);
    else hold();
  }

  /** Shows the next frame once it has come, no faster than in real time. */
  function wait() {
    const next = later(1);
    if (next === undefined) {
      end(view.frame);
    } else if (isEnough()) {
      set(view.frame);
    } else if (frames.has(next) && performance.now() - shownAt >= 1000 / rate()) {
      shownAt = performance.now();
      display(next);
    } else if (!frames.has(next) && performance.now() - askedAt > PATIENCE) {
      askAhead();
    }
  }

  function tick() {
    if (!view.playing || !shot.shot) return;
    if (held) wait();
    else follow();
    requestAnimationFrame(tick);
  }

  async function begin() {
    const v = shot.view;
    if (!v) return;
    await sound.load(v.id, v.revision);
    if (!view.playing) return;
    if (isEnough()) set(view.frame);
    else hold();
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
      askAhead();
      void begin();
    },
  );
  watch(
    () => frames.keys,
    () => {
      if (view.playing && shot.shot) askAhead();
    },
  );

  const toggle = () => {
    view.playing = !view.playing;
  };
  return { toggle };
});
