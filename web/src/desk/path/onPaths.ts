import {
  computed,
  inject,
  provide,
  ref,
  shallowRef,
  watch,
  type ComputedRef,
  type InjectionKey,
  type Ref,
} from 'vue';
import type { Change } from '../../api/client';
import { moved, type Affine, type Pair } from '../../lib/affine';
import type { Handles, PathNow } from '../../lib/answers';
import type { Points } from '../../lib/paths';
import { useDesk } from '../../stores/desk';
import { useView } from '../../stores/view';
import { useOnPicture } from '../onPicture';

/** More points than these are drawn as one path, and can be taken hold of where the pointer is. */
export const MANY = 400;

/** Points on their way: where they were taken from, and where the pointer has brought them. */
interface Carried {
  property: string;
  from: Points;
  some: number[];
  map: Affine;
}

/** The paths above the Picture, and how their points follow the pointer. */
export interface OnPaths {
  locked: ComputedRef<boolean>;
  paths: ComputedRef<PathNow[]>;
  /** The chosen one. */
  path: ComputedRef<PathNow | undefined>;
  /** What it is called in a label. */
  what: ComputedRef<string>;
  carried: Ref<Carried | undefined>;
  /** Where the pointer rests on the edge of a path of very many points. */
  pointer: Ref<Pair | undefined>;
  /** An edit of the chosen path. */
  edit: (kind: string, more: Record<string, unknown>) => Change;
  /** Follows the pointer with some points, or with all where none are named. */
  carry: (
    e: PointerEvent,
    label: string,
    some: number[],
    how: (to: Pair, m: PointerEvent) => { map: Affine; change: Change },
  ) => void;
  move: (e: PointerEvent, label: string, some: number[]) => void;
}

const ON_PATHS: InjectionKey<OnPaths> = Symbol('on the paths');

export function provideOnPaths(handles: () => Handles, locked: () => boolean): OnPaths {
  const view = useView();
  const desk = useDesk();
  const { at, follow, dragging } = useOnPicture();
  const pointer = ref<Pair>();

  // They follow the pointer at once, since the engine is told of the same move; its answer comes with the picture, a moment later.
  const carried = shallowRef<Carried>();
  const lying = computed(() => carried.value?.from.mapped(carried.value.map, carried.value.some));
  watch(handles, (h) => {
    if (!h.draft && !dragging.value) carried.value = undefined;
  });

  const paths = computed(() =>
    handles().paths.map((m) =>
      lying.value && m.property === carried.value?.property ? { ...m, points: lying.value } : m,
    ),
  );
  const path = computed(() => paths.value.find((m) => m.property === view.path));
  const what = computed(() => (path.value?.mask ? 'mask' : 'path'));

  const edit: OnPaths['edit'] = (kind, more) =>
    desk.keyedToo(view.path ?? '', {
      kind,
      layer: view.layer,
      property: view.path ?? '',
      frame: view.frame,
      ...more,
    });

  const carry: OnPaths['carry'] = (e, label, some, how) => {
    const m = path.value;
    if (!m) return;
    const { property, points: from } = m;
    follow(e, label, (to, ev) => {
      const { map, change } = how(to, ev);
      carried.value = { property, from, some, map };
      return change;
    });
  };

  function move(e: PointerEvent, label: string, some: number[]) {
    const from = at(e);
    carry(e, label, some, (to) => {
      const by: Pair = [to[0] - from[0], to[1] - from[1]];
      return { map: moved(by), change: edit('move-points', { points: some, by }) };
    });
  }

  const on = { locked: computed(locked), paths, path, what, carried, pointer, edit, carry, move };
  provide(ON_PATHS, on);
  return on;
}

export function useOnPaths(): OnPaths {
  const on = inject(ON_PATHS);
  if (!on) throw new Error('There are no paths here.');
  return on;
}
