import { computed } from 'vue';
import type { PaintNow, PropertyNow } from '../../lib/answers';
import { useFrames } from '../../stores/frames';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';

/** What the sections of the Sheet share: the chosen layer's properties as they are now, and changes of its content. */
export function useContent() {
  const frames = useFrames();
  const shot = useShot();
  const view = useView();
  const properties = computed<PropertyNow[]>(() =>
    frames.handles && frames.handles.layer === view.layer ? frames.handles.properties : [],
  );
  const of = (section: PropertyNow['section']) => properties.value.filter((p) => p.section === section);

  function set(field: string, value: unknown, label: string) {
    void shot.setField(view.layer ?? '', `content/${field}`, value, label);
  }

  /** What of the chosen layer is painted. */
  const paints = computed<PaintNow[]>(() =>
    frames.handles && frames.handles.layer === view.layer ? frames.handles.paints : [],
  );

  return { properties, paints, of, set };
}
