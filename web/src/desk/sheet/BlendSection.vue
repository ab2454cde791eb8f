<script setup lang="ts">
import { Select } from 'ant-design-vue';
import type { Layer } from '../../api/client';
import { BLENDS } from '../../lib/blends';
import { useShot } from '../../stores/shot';
import PropertyRows from './PropertyRows.vue';
import SheetLine from '../../fields/SheetLine.vue';

/** How the layer is mixed with what lies below it. */
defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
</script>

<template>
  <SheetLine label="Blend">
    <Select
      size="small"
      aria-label="Blend mode"
      :disabled="locked"
      :value="layer.blend"
      :options="BLENDS"
      @change="(v) => shot.setField(layer.id, 'blend', v, 'Blend')"
    />
  </SheetLine>
  <PropertyRows :section="['whole']" :locked="locked" />
</template>
