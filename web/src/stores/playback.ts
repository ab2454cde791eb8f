import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
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
/** After how many milliseconds of rest frames are made ahead. */
const IDLE = 700;

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

  /** How many frames can be kept at a quality until they are played. */
  function room(scale = view.look.scale): number {
    const { width, height } = shot.shot?.format ?? { width: 1920, height: 1080 };
    return frames.room(width, height, scale);
  }

  /** The best quality, no better than the chosen one, at which all that is played fits. */
  const best = computed(() => {
    const { from, to } = range();
    const fitting = [1, 0.5, 0.25].filter((s) => s <= view.scale);
    return fitting.find((s) => room(s) >= to - from) ?? Math.min(view.scale, 0.25);
  });

  /** What fits at the chosen quality, and what plays where that isn't all. */
  const fits = computed(() => {
    const { from, to } = range();
    const all = to - from;
    const names: Record<number, string> = { 1: 'full', 0.5: '½', 0.25: '¼' };
    return {
      all: room(view.scale) >= all,
      says:
        room(view.scale) >= all
          ? `all ${all} frames fit`
          : `${room(view.scale)} of ${all} frames fit; plays at ${names[best.value]}`,
    };
  });

  /** How many frames were shown in the last second, and how many came late or not at all since play began. */
  const pace = ref(0);
  const late = ref(0);
  let times: number[] = [];

  function counted() {
    const now = performance.now();
    times = [...times.filter((t) => now - t < 1000), now];
    pace.value = times.length;
  }

  /** The frames of it, the present one first; no more than can be kept until they are played. */
  function order(): number[] {
    const { from, to } = range();
    const length = to - from;
    const first = Math.max(0, view.frame - from);
    return Array.from({ length: Math.min(length, room()) }, (_, i) => from + ((first + i) % length));
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
    late.value++;
    sound.stop();
    shownAt = performance.now();
    askAhead();
  }

  function display(frame: number) {
    counted();
    const skipped = frame > view.frame ? frame - view.frame - 1 : 0;
    late.value += skipped;
    view.frame = frame;
    frames.showKept(frame);
    sinceAsked++;
    if (sinceAsked * 4 > room()) askAhead();
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
    const count = Math.min(to - from - 1, Math.ceil(HEAD_START * rate()), Math.ceil(room() / 2));
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
    late.value = 0;
    times = [];
    if (isEnough()) {
      set(view.frame);
    } else {
      hold();
      late.value = 0;
    }
    requestAnimationFrame(tick);
  }

  watch(
    () => view.playing,
    (playing) => {
      if (!shot.shot) return;
      if (!playing) {
        sound.stop();
        rest();
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

  let idle: ReturnType<typeof setTimeout> | undefined;
  /** While nothing else is done, what would be played next is made: so that it plays at once. */
  function rest() {
    clearTimeout(idle);
    frames.ahead([], view.look);
    idle = setTimeout(() => {
      if (!view.playing && shot.shot && frames.keys.length)
        frames.ahead(order(), { ...view.look, scale: best.value });
    }, IDLE);
  }
  watch(
    () => [frames.keys, view.frame, view.scale] as const,
    () => !view.playing && rest(),
  );

  const toggle = () => {
    view.playScale = best.value;
    view.playing = !view.playing;
  };
  return { toggle, fits, pace, late };
});
