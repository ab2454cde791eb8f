<script setup lang="ts">
import { CloseOutlined } from '@ant-design/icons-vue';
import { onMounted, ref } from 'vue';
import { useView } from '../stores/view';

/** What stands beside the Picture while it is called: the Picture moves aside, so that it stays in sight. */
const props = defineProps<{ title: string; wide?: boolean }>();
const view = useView();
const self = ref<HTMLElement>();

// Whoever called it by a key goes on in it; the pointer needs no focus.
onMounted(() => {
  if (document.activeElement === document.body) self.value?.focus({ preventScroll: true });
});
</script>

<template>
  <aside ref="self" class="panel" :class="{ wide: props.wide }" :aria-label="title" tabindex="-1">
    <header>
      <strong>{{ title }}</strong>
      <slot name="head"><span class="between"></span></slot>
      <button class="bare" :aria-label="`Close ${title}`" @click="view.drawer = undefined">
        <CloseOutlined />
      </button>
    </header>
    <div class="inside"><slot></slot></div>
  </aside>
</template>

<style scoped>
.panel {
  display: flex;
  flex: none;
  flex-direction: column;
  width: 292px;
  min-height: 0;
  background: var(--panel);
  border-left: 1px solid #0c0c0c;
}
.panel.wide {
  width: 336px;
}
.panel:focus {
  outline: none;
}
header {
  display: flex;
  flex: none;
  align-items: center;
  gap: 10px;
  padding: 9px 6px 9px 12px;
}
header > :deep(.quiet),
.between {
  flex: 1;
}
.inside {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
</style>
