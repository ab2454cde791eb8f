<script setup lang="ts">
import { Segmented } from 'ant-design-vue';
import { computed, type Component } from 'vue';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import ManyLines from './many/ManyLines.vue';
import ManySeen from './many/ManySeen.vue';
import ManyTime from './many/ManyTime.vue';
import ManyValues from './many/ManyValues.vue';

/** What can be done with several chosen layers together. */
const shot = useShot();
const view = useView();

const PARTS: Record<string, Component> = {
  Values: ManyValues,
  Lines: ManyLines,
  Seen: ManySeen,
  Time: ManyTime,
};
const names = computed(() => view.layers.map((id) => shot.find(id)?.name).join(', '));
</script>

<template>
  <div class="many">
    <h4>{{ view.layers.length }} layers</h4>
    <p class="quiet" :title="names">{{ names }}</p>
    <Segmented v-model:value="view.part" block size="small" class="sections" :options="Object.keys(PARTS)" />
    <div class="part"><component :is="PARTS[view.part]" /></div>
  </div>
</template>

<style scoped>
.many {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
  padding: 12px 0 0;
}
h4 {
  margin: 0 12px 2px;
  font-size: 13px;
}
.quiet {
  flex: none;
  margin: 0 12px 8px;
  color: var(--quiet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.sections {
  flex: none;
  margin: 0 12px 8px;
}
.part {
  flex: 1;
  overflow: auto;
  padding: 0 12px 12px;
}
</style>
