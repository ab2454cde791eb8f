import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Shown } from '../lib/answers';
import { useFrames } from './frames';
import { useShot } from './shot';

/** What helps the eye and isn't part of the shot: grounds, guides, measures, and a picture to compare with. */
export const useLooking = defineStore('looking', () => {
  const frames = useFrames();
  const shot = useShot();
  /** The colour that the picture is laid on; black where there is none. */
  const ground = ref<string>();
  const values = ref(false);
  const histogram = ref(false);
  const action = ref(false);
  /** Windows of other formats inside the frame. */
  const upright = ref(false);
  const square = ref(false);
  const rulers = ref(false);
  const grid = ref<{ columns: number; rows: number }>();
  const guides = ref<{ across: number[]; down: number[] }>({ across: [], down: [] });
  /** A picture that was put aside, seen to the left of the split. */
  const before = shallowRef<Shown>();
  const split = ref(0.5);

  const id = computed(() => shot.view?.id);
  const place = () => `aperta.guides.${id.value}`;
  watch(
    id,
    () => {
      before.value = undefined;
      const kept = id.value ? localStorage.getItem(place()) : null;
      guides.value = kept
        ? (JSON.parse(kept) as { across: number[]; down: number[] })
        : { across: [], down: [] };
    },
    { immediate: true },
  );

  /** Guides stay with this browser; they are whole pixels of the shot. */
  function setGuides(next: { across: number[]; down: number[] }) {
    guides.value = next;
    localStorage.setItem(place(), JSON.stringify(next));
  }

  function moveGuide(way: 'across' | 'down', index: number, to: number | undefined) {
    const list = guides.value[way].slice();
    if (to === undefined) list.splice(index, 1);
    else list[index] = Math.round(to);
    setGuides({ ...guides.value, [way]: list });
  }

  /** The lines that are seen, and that what is moved clings to: guides beside the rulers, and the grid. */
  function lines() {
    const { width = 0, height = 0 } = shot.shot?.format ?? {};
    const even = (count: number, long: number) =>
      Array.from({ length: count + 1 }, (_, i) => (i * long) / count);
    const upright = rulers.value ? guides.value.across : [];
    const level = rulers.value ? guides.value.down : [];
    return grid.value
      ? {
          upright: [...upright, ...even(grid.value.columns, width)],
          level: [...level, ...even(grid.value.rows, height)],
        }
      : { upright, level };
  }

  function putAside() {
    before.value = before.value ? undefined : frames.shown;
    split.value = 0.5;
  }

  return {
    ground,
    values,
    histogram,
    action,
    upright,
    square,
    rulers,
    grid,
    guides,
    before,
    split,
    setGuides,
    moveGuide,
    lines,
    putAside,
  };
});
