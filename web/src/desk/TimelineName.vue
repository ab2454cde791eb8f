<script setup lang="ts">
import { Dropdown, Menu, MenuItem } from 'ant-design-vue';
import {
  CaretDownOutlined,
  CaretRightOutlined,
  EllipsisOutlined,
  EyeInvisibleOutlined,
  EyeOutlined,
  LockOutlined,
  UnlockOutlined,
} from '@ant-design/icons-vue';
import { computed, ref } from 'vue';
import { freshId, keyed, type Row } from '../lib/layers';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import KindGlyph from './KindGlyph.vue';

const props = defineProps<{ row: Row; unfolded: boolean }>();
const emit = defineEmits<{ toggle: [] }>();
const shot = useShot();
const view = useView();

const layer = computed(() => props.row.layer);
const folds = computed(() => keyed(layer.value).length > 0);
const group = computed(() => layer.value.content.kind === 'group');
const dropping = ref<'above' | 'below'>();

function flip(field: 'hidden' | 'locked' | 'solo', label: string) {
  void shot.setField(layer.value.id, field, !layer.value[field], label);
}

function open() {
  const next = new Set(shot.opened);
  if (!next.delete(layer.value.id)) next.add(layer.value.id);
  shot.opened = next;
}

function reorder(to: number) {
  void shot.edit('Reorder', { edit: { kind: 'reorder', layer: layer.value.id, to } });
}

function duplicate() {
  const newId = freshId();
  void shot.edit('Duplicate', { edit: { kind: 'duplicate', layer: layer.value.id, newId } }).then((done) => {
    if (done) view.choose(newId);
  });
}

function remove() {
  void shot.edit('Delete', { edit: { kind: 'delete', layers: [layer.value.id] } });
  if (view.layer === layer.value.id) view.choose(undefined);
}

function group_() {
  const newId = freshId();
  const edit = { kind: 'group', layers: [layer.value.id], newId, name: `${layer.value.name} group` };
  void shot.edit('Group', { edit });
}

function dragStart(e: DragEvent) {
  e.dataTransfer?.setData('application/x-aperta-layer', layer.value.id);
}

function dragOver(e: DragEvent) {
  if (!e.dataTransfer?.types.includes('application/x-aperta-layer')) return;
  e.preventDefault();
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
  dropping.value = e.clientY < box.top + box.height / 2 ? 'above' : 'below';
}

function drop(e: DragEvent) {
  const id = e.dataTransfer?.getData('application/x-aperta-layer');
  const from = shot.row(id);
  const place = dropping.value;
  dropping.value = undefined;
  if (!id || !from || id === layer.value.id) return;
  const wanted = props.row.index + (place === 'below' ? 1 : 0);
  void shot.edit('Reorder', {
    edit: { kind: 'reorder', layer: id, to: from.index < wanted ? wanted - 1 : wanted },
  });
}
</script>

<template>
  <div
    class="name"
    :class="[dropping, { off: layer.hidden }]"
    draggable="true"
    :data-testid="`row-${layer.name}`"
    @pointerdown="view.choose(layer.id)"
    @dragstart="dragStart"
    @dragover="dragOver"
    @dragleave="dropping = undefined"
    @drop.prevent="drop"
  >
    <span class="indent" :style="{ width: `${row.depth * 14}px` }"></span>
    <button
      v-if="folds || group"
      class="bare fold"
      :aria-label="unfolded ? 'Close the row' : 'Open the row'"
      @click="group && !folds ? open() : emit('toggle')"
    >
      <CaretDownOutlined v-if="unfolded || shot.opened.has(layer.id)" /><CaretRightOutlined v-else />
    </button>
    <span v-else class="fold"></span>
    <KindGlyph :kind="layer.content.kind" />
    <span class="text">{{ layer.name }}</span>
    <button
      class="bare"
      :class="{ set: layer.hidden }"
      :aria-pressed="layer.hidden"
      :aria-label="layer.hidden ? 'Show' : 'Hide'"
      :title="layer.hidden ? 'Show' : 'Hide'"
      @click.stop="flip('hidden', layer.hidden ? 'Show' : 'Hide')"
    >
      <EyeInvisibleOutlined v-if="layer.hidden" /><EyeOutlined v-else />
    </button>
    <button
      class="bare"
      :class="{ set: layer.locked }"
      :aria-pressed="layer.locked"
      :aria-label="layer.locked ? 'Unlock' : 'Lock'"
      :title="layer.locked ? 'Unlock' : 'Lock'"
      @click.stop="flip('locked', layer.locked ? 'Unlock' : 'Lock')"
    >
      <LockOutlined v-if="layer.locked" /><UnlockOutlined v-else />
    </button>
    <button
      class="bare only"
      :class="{ set: layer.solo }"
      :aria-pressed="layer.solo"
      aria-label="Solo"
      title="Solo: show only this"
      @click.stop="flip('solo', 'Solo')"
    >
      <svg viewBox="0 0 12 12" width="12" height="12">
        <circle cx="6" cy="6" r="4.5" fill="none" stroke="currentColor" stroke-width="1.4" />
        <circle v-if="layer.solo" cx="6" cy="6" r="2.2" fill="currentColor" />
      </svg>
    </button>
    <Dropdown :trigger="['click']">
      <button class="bare" :aria-label="`More for ${layer.name}`"><EllipsisOutlined /></button>
      <template #overlay>
        <Menu>
          <MenuItem key="d" @click="duplicate">Duplicate</MenuItem>
          <MenuItem key="u" :disabled="row.index === 0" @click="reorder(row.index - 1)">Move up</MenuItem>
          <MenuItem key="w" :disabled="row.index === row.siblings - 1" @click="reorder(row.index + 1)"
            >Move down</MenuItem
          >
          <MenuItem key="g" @click="group_">Group</MenuItem>
          <MenuItem v-if="group" key="o" @click="open"
            >{{ shot.opened.has(layer.id) ? 'Close' : 'Open' }} the group</MenuItem
          >
          <MenuItem key="x" danger @click="remove">Delete</MenuItem>
        </Menu>
      </template>
    </Dropdown>
  </div>
</template>

<style scoped>
.name {
  position: relative;
  display: flex;
  align-items: center;
  flex: none;
  width: 304px;
  gap: 4px;
  padding: 0 6px 0 26px;
  box-sizing: border-box;
  border-right: 1px solid #0c0c0c;
  cursor: default;
}
.name.above {
  box-shadow: inset 0 2px 0 var(--accent);
}
.name.below {
  box-shadow: inset 0 -2px 0 var(--accent);
}
.fold {
  width: 18px;
  padding: 0;
  font-size: 10px;
}
.text {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  padding-left: 3px;
}
.off .text {
  color: #8f8f8f;
  text-decoration: line-through;
}
.name button {
  color: #8f8f8f;
  padding: 2px 3px;
}
.name button.set {
  color: var(--accent);
}
</style>
