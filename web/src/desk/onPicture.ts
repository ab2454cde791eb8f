import { inject, provide, ref, type InjectionKey, type Ref } from 'vue';
import type { Change } from '../api/client';
import { follow as followPointer } from '../lib/drag';
import { useDesk } from '../stores/desk';
import type { Pair } from '../lib/affine';

/** How what lies above the Picture reads the pointer and turns drags into changes. */
export interface OnPicture {
  /** Where a pointer is, in pixels of the shot. */
  at: (e: PointerEvent | MouseEvent) => Pair;
  /** A length on the screen, in pixels of the shot. */
  px: (n: number) => number;
  /** Whether something is on its way with the pointer. */
  dragging: Ref<boolean>;
  /** Drafts on the way, one kept change at the end; Escape takes it all back. */
  follow: (
    e: PointerEvent,
    label: string,
    change: (to: Pair, e: PointerEvent) => Change | undefined,
    kept?: () => void,
  ) => void;
}

/** Does something where a press is let go again without having been a drag. */
export function ifStill(e: PointerEvent, then: () => void) {
  addEventListener(
    'pointerup',
    (up) => {
      if (Math.hypot(up.clientX - e.clientX, up.clientY - e.clientY) < 3) then();
    },
    { once: true },
  );
}

const ON_PICTURE: InjectionKey<OnPicture> = Symbol('on the Picture');

export function provideOnPicture(
  svg: Ref<SVGSVGElement | undefined>,
  zoom: () => number,
  ended: () => void,
): OnPicture {
  const desk = useDesk();
  const dragging = ref(false);

  function at(e: PointerEvent | MouseEvent): Pair {
    const r = svg.value?.getBoundingClientRect();
    return r ? [(e.clientX - r.left) / zoom(), (e.clientY - r.top) / zoom()] : [0, 0];
  }

  const follow: OnPicture['follow'] = (e, label, change, kept) => {
    e.preventDefault();
    const start = [e.clientX, e.clientY];
    let last: Change | undefined;
    followPointer({
      move: (m) => {
        if (!last && Math.hypot(m.clientX - (start[0] ?? 0), m.clientY - (start[1] ?? 0)) < 3) return;
        dragging.value = true;
        last = change(at(m), m);
        if (last) desk.draft(last);
      },
      end: () => {
        dragging.value = false;
        ended();
        if (last) void desk.commit(label, last).then((done) => done && kept?.());
      },
      cancel: () => {
        dragging.value = false;
        ended();
        desk.drop();
      },
    });
  };

  const on = { at, px: (n: number) => n / zoom(), follow, dragging };
  provide(ON_PICTURE, on);
  return on;
}

export function useOnPicture(): OnPicture {
  const on = inject(ON_PICTURE);
  if (!on) throw new Error('Nothing lies above the Picture here.');
  return on;
}
