<script setup lang="ts">
import { Select, SelectOption } from 'ant-design-vue';
import { watchEffect } from 'vue';
import { useProject } from '../stores/project';

/** Fonts by name, each in its own face. */
defineProps<{ value: string; disabled: boolean }>();
const emit = defineEmits<{ choose: [font: string] }>();
const project = useProject();

watchEffect(() => project.fonts.forEach((f) => void project.face(f.id)));
</script>

<template>
  <Select
    size="small"
    class="picker"
    aria-label="Font"
    :value="value"
    :disabled="disabled"
    :dropdown-match-select-width="290"
    :list-height="340"
    @change="(v) => emit('choose', String(v))"
  >
    <SelectOption v-for="f in project.fonts" :key="f.id" :value="f.id" :title="f.name">
      <span class="face" :style="{ fontFamily: `'aperta-${f.id}', Inter` }">{{ f.name }}</span>
      <span class="manner">{{ f.manner }}</span>
    </SelectOption>
  </Select>
</template>

<style scoped>
.picker {
  min-width: 0;
}
.face {
  font-size: 15px;
}
.manner {
  float: right;
  color: var(--quiet);
  font-size: 11px;
}
</style>
