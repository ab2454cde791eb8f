<script setup lang="ts">
import { Button } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { useFrames } from '../../stores/frames';
import { useNesting } from '../../stores/nesting';
import { useView } from '../../stores/view';

/** Another shot, shown here. */
defineProps<{ layer: Layer }>();
const frames = useFrames();
const view = useView();
const nesting = useNesting();
const inside = computed(() => (frames.handles?.layer === view.layer ? frames.handles?.inside : undefined));
</script>

<template>
  <template v-if="inside?.name !== undefined">
    <p class="why">
      The shot “{{ inside.name }}”, {{ inside.width }} × {{ inside.height }} · {{ inside.rate }} ·
      {{ inside.length }} frames. Whatever is changed in it is changed here.
    </p>
    <Button size="small" @click="nesting.into(layer)">Open it</Button>
    <p class="why">A double click on the Picture opens it, too; Escape leads back.</p>
  </template>
  <p v-else class="why">The shot that was shown here isn’t in this project any more.</p>
</template>

<style scoped>
.why {
  margin: 4px 0 8px;
  color: var(--quiet);
}
</style>
