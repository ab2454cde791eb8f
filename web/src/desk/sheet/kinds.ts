import type { Component } from 'vue';
import type { Layer } from '../../api/client';
import AdjustmentLook from './AdjustmentLook.vue';
import AgainLook from './AgainLook.vue';
import ClipLook from './ClipLook.vue';
import DrawingsLook from './DrawingsLook.vue';
import FillLook from './FillLook.vue';
import GroupLook from './GroupLook.vue';
import ShapeLook from './ShapeLook.vue';
import ShotLook from './ShotLook.vue';
import SoundLook from './SoundLook.vue';
import TextLook from './TextLook.vue';
import TextureLook from './TextureLook.vue';
import TraceLook from './TraceLook.vue';

export type ContentKind = Layer['content']['kind'];

/** What the desk shows of each kind of content: the section Look of the Sheet, and a glyph on 16 × 16 pixels. */
export const KINDS: Record<ContentKind, { look: Component; glyph: string }> = {
  text: { look: TextLook, glyph: 'M2.5 4.5v-2h11v2M8 2.5v11M5.5 13.5h5' },
  footage: { look: ClipLook, glyph: 'M2 3.5h12v9H2zM6.8 6l3.2 2-3.2 2z' },
  still: { look: ClipLook, glyph: 'M2 3.5h12v9H2zM2.5 11.5l3.5-4 2.7 3 2-2 3 3' },
  fill: { look: FillLook, glyph: 'M3 3h10v10H3zM3 13L13 3M3 8.5L8.5 3M7.5 13L13 7.5' },
  shape: { look: ShapeLook, glyph: 'M2.5 12.5C4 4 8 12 13 4M2.5 10.8v3.4M11.4 4h3.2' },
  trace: {
    look: TraceLook,
    glyph: 'M13 9.6A5.2 5.2 0 1 1 10.6 3.6M12.2 3.4a1.3 1.3 0 1 0 .01 2.6a1.3 1.3 0 1 0-.01-2.6',
  },
  drawings: {
    look: DrawingsLook,
    glyph: 'M2.5 13.5l1-3.2L11 2.8l2.2 2.2-7.5 7.5zM9.4 4.4l2.2 2.2M2.5 13.5l3.2-1',
  },
  again: { look: AgainLook, glyph: 'M4 6V3h4l1 1.5h5V11h-2M2 8V5.5M2 6h4.5L8 7.5h3.5V13H2z' },
  sound: { look: SoundLook, glyph: 'M2 8h1.5M5 5v6M7.5 2.5v11M10 5v6M12.5 7v2' },
  texture: {
    look: TextureLook,
    glyph:
      'M2.5 5c2-2.5 3.5-2.5 5.5 0s3.5 2.5 5.5 0M2.5 8.5c2-2.5 3.5-2.5 5.5 0s3.5 2.5 5.5 0M2.5 12c2-2.5 3.5-2.5 5.5 0s3.5 2.5 5.5 0',
  },
  adjustment: {
    look: AdjustmentLook,
    glyph: 'M8 2.5a5.5 5.5 0 1 0 0 11zM8 2.5a5.5 5.5 0 0 1 0 11M8 5.5h5M8 8h5.5M8 10.5h5',
  },
  shot: { look: ShotLook, glyph: 'M2 3h12v10H2zM5 6h6v4H5zM2 3l3 3M14 3l-3 3M2 13l3-3M14 13l-3-3' },
  group: { look: GroupLook, glyph: 'M2 5V3h5l1.5 2H14v8H2zM5 8h6M5 10.5h6' },
};
