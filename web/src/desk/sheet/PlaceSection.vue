<script setup lang="ts">
import { Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { useShot } from '../../stores/shot';
import { useTiming } from '../../stores/timing';
import { useView } from '../../stores/view';
import PropertyRows from './PropertyRows.vue';
import SheetLine from '../../fields/SheetLine.vue';

/** Where the layer is. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();
const timing = useTiming();

const parents = computed(() => [
  { value: '', label: 'none' },
  ...shot.list
    .filter((r) => r.layer.id !== props.layer.id && r.depth === shot.row(props.layer.id)?.depth)
    .map((r) => ({ value: r.layer.id, label: r.layer.name })),
]);

function setParent(id: unknown) {
  void timing.edit('Parent', 'set-parent', { layer: props.layer.id, parent: id || null, frame: view.frame });
}

function fit(cover: boolean) {
  const edit = { kind: 'fit', layer: props.layer.id, frame: view.frame, cover };
  void shot.edit(cover ? 'Cover the frame' : 'Fit to the frame', { edit });
}
</script>

<template>
  <PropertyRows :section="['place', 'whole']" :locked="locked" />
  <SheetLine label="Parent">
    <Select
      class="grow"
      size="small"
      aria-label="Parent"
      :disabled="locked"
      :value="layer.parent ?? ''"
      :options="parents"
      @change="setParent"
    />
  </SheetLine>
  <SheetLine label="Size">
    <span>
      <button class="bare link" :disabled="locked" title="All of the layer is seen" @click="fit(false)">
        All of it in the frame
      </button>
      <button class="bare link" :disabled="locked" title="All of the frame is covered" @click="fit(true)">
        Covers the frame
      </button>
    </span>
  </SheetLine>
  <button
    class="bare link"
    :disabled="locked"
    :aria-pressed="view.tool === 'anchor'"
    @click="view.tool = view.tool === 'anchor' ? 'choose' : 'anchor'"
  >
    {{ view.tool === 'anchor' ? 'Click on the Picture to put the anchor there' : 'Put the anchor elsewhere' }}
  </button>
</template>

<style scoped>
.grow {
  min-width: 0;
}
.link {
  color: var(--accent);
  padding-left: 0;
}
</style>
