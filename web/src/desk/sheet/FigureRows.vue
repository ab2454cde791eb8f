<script setup lang="ts">
import { Button, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import NumberField from '../../fields/NumberField.vue';
import SheetHead from '../../fields/SheetHead.vue';
import SheetLine from '../../fields/SheetLine.vue';
import FigureStrip from './FigureStrip.vue';
import JobProgress from './JobProgress.vue';
import PropertyRows from './PropertyRows.vue';
import { cutOutOf, useCuttingOut } from '../../stores/cuttingOut';
import { useFrames } from '../../stores/frames';
import { useShot } from '../../stores/shot';

/** The figure that is cut out of a clip: brushed, looked at, carried through the clip, and what is put behind it. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const frames = useFrames();
const cutting = useCuttingOut();

const cutOut = computed(() => cutOutOf(props.layer));
const here = computed(() => (frames.handles?.layer === props.layer.id ? frames.handles.figure : undefined));
const ready = computed(() => {
  const all = cutOut.value?.strokes ?? [];
  return all.some((s) => s.inside && all.some((o) => o.frame === s.frame && !o.inside));
});
const brushed = computed(() => new Set((cutOut.value?.strokes ?? []).map((s) => s.frame)).size);
const known = computed(() => cutOut.value?.carried?.sure.length ?? 0);
const others = computed(() =>
  shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id && l.content.kind !== 'sound')
    .map((l) => ({ value: l.id, label: l.name })),
);

/** A press without a pointer leaves the keyboard at the brush on the Picture. */
function take(e: MouseEvent, side: boolean) {
  cutting.take(side);
  if (e.detail === 0) {
    requestAnimationFrame(() => document.querySelector<SVGElement>('[data-testid=figure-brush]')?.focus());
  }
}

function carry(way: 'back' | 'both' | 'on') {
  const frame = here.value?.frame ?? 0;
  void cutting.carry(props.layer.id, way === 'back' ? { to: frame } : way === 'on' ? { from: frame } : {});
}

const seen = computed(() => {
  const f = here.value;
  if (!f) return '';
  if (f.sure === undefined) return f.strokes.length ? 'brushed, not carried yet' : 'nothing is known';
  return `${f.strokes.length ? 'brushed' : 'carried'}, ${Math.round(f.sure * 100)} % sure`;
});
</script>

<template>
  <SheetHead title="Figure">
    <span v-if="brushed" class="count">{{ brushed }} {{ brushed === 1 ? 'frame' : 'frames' }} brushed</span>
  </SheetHead>
  <template v-if="cutOut">
    <div class="go">
      <Button
        size="small"
        :type="cutting.brushing && cutting.inside ? 'primary' : 'default'"
        :disabled="locked"
        title="Brush over what belongs to the figure (on the Picture: X turns the brush over, [ and ] change its size)"
        @click="take($event, true)"
        >brush inside</Button
      >
      <Button
        size="small"
        :type="cutting.brushing && !cutting.inside ? 'primary' : 'default'"
        :disabled="locked"
        title="Brush over what doesn't belong to it, best all around it"
        @click="take($event, false)"
        >brush outside</Button
      >
    </div>
    <SheetLine label="Brush">
      <NumberField
        :value="cutting.radius"
        label="Radius of the brush"
        unit="px"
        :least="2"
        :most="300"
        :step="1"
        :decimals="0"
        :disabled="locked"
        @commit="(v) => (cutting.radius = v)"
      />
    </SheetLine>
    <JobProgress
      v-if="cutting.working(layer.id)"
      label="The figure is carried"
      :done="cutting.live?.layer === layer.id ? cutting.live.done : 0"
      :total="cutting.live?.layer === layer.id ? cutting.live.total : 1"
      @stop="cutting.stop(layer.id)"
    />
    <div v-else class="go">
      <Button size="small" :disabled="locked || !ready" title="From here backwards" @click="carry('back')">
        ← carry
      </Button>
      <Button size="small" :disabled="locked || !ready" title="Through the whole clip" @click="carry('both')">
        carry both ways
      </Button>
      <Button size="small" :disabled="locked || !ready" title="From here forwards" @click="carry('on')">
        carry →
      </Button>
    </div>
    <p v-if="cutting.why(layer.id)" class="why">{{ cutting.why(layer.id) }}</p>
    <p v-if="!ready" class="why">
      Brush inside the figure and outside of it on one frame, then carry it through the clip.
    </p>
    <p class="why" data-testid="figure-here">
      <template v-if="cutting.looking">Looking…</template>
      <template v-else
        >Here: {{ seen }}<template v-if="known">; {{ known }} frames known</template></template
      >
    </p>
    <FigureStrip :layer="layer" />
    <button
      v-if="here?.strokes.length"
      class="bare link"
      :disabled="locked"
      @click="cutting.unbrush(layer.id, here.frame)"
    >
      Take the strokes of this frame away
    </button>
    <PropertyRows :section="['look']" part="Figure" :locked="locked" />
    <SheetLine label="Put behind">
      <Select
        size="small"
        aria-label="Put a layer behind it"
        placeholder="a layer…"
        :disabled="locked"
        :value="undefined"
        :options="others"
        @change="(v) => cutting.putBehind(String(v), layer.id)"
      />
    </SheetLine>
  </template>
  <button v-else class="bare link" :disabled="locked" @click="cutting.begin(layer.id)">
    + cut a figure out of it
  </button>
</template>

<style scoped>
.count,
.why {
  color: var(--quiet);
}
.why {
  margin: 2px 0 4px;
}
.go {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 2px 0;
}
.link {
  padding-left: 0;
  color: var(--accent);
}
</style>
