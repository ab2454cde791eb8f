/** Follows a pointer until it is let go; Escape takes the drag back. */
export function follow(on: { move: (e: PointerEvent) => void; end: () => void; cancel: () => void }) {
  const stop = () => {
    removeEventListener('pointermove', on.move);
    removeEventListener('pointerup', up);
    removeEventListener('keydown', escape, true);
  };
  const up = () => {
    stop();
    on.end();
  };
  const escape = (k: KeyboardEvent) => {
    if (k.key !== 'Escape') return;
    k.stopPropagation();
    stop();
    on.cancel();
  };
  addEventListener('pointermove', on.move);
  addEventListener('pointerup', up);
  addEventListener('keydown', escape, true);
}
