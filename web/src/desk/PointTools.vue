<script setup lang="ts">
import { computed } from 'vue';
import NumberField from '../fields/NumberField.vue';
import SheetLine from '../fields/SheetLine.vue';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';

/** What can be done with the chosen path and with its chosen points. */
defineProps<{ locked: boolean }>();
const shot = useShot();
const desk = useDesk();
const view = useView();
const frames = useFrames();

interface Now {
  many: number;
  mask: boolean;
  closed: boolean;
}
const path = computed(() => frames.handles?.paths.find((p) => p.property === view.path));
/** What is said here of the path; it stays the same while points only move. */
const now = computed<Now | undefined>((old) => {
  const p = path.value;
  if (!p) return undefined;
  const { mask, closed } = p;
  const many = p.points.length;
  return old?.many === many && old.mask === mask && old.closed === closed ? old : { many, mask, closed };
});
const feather = computed(() => path.value?.points.feather(view.points[0] ?? -1) ?? 0);
const one = computed(() => (view.points.length === 1 ? view.points[0] : undefined));
const edit = (kind: string, more: object = {}) => ({
  edit: { kind, layer: view.layer, property: view.path, frame: view.frame, ...more },
});

const feathered = (width: number) => {
  const change = edit('feather-points', { points: view.points, feather: width });
  return desk.keyedToo(view.path ?? '', change.edit);
};
const smooth = (on: boolean) =>
  void shot.edit(on ? 'Smooth' : 'Corner', edit('set-smooth', { points: view.points, smooth: on }));

function removePoints() {
  void shot.edit('Remove points', edit('remove-points', { points: view.points }));
  view.points = [];
}

function startHere() {
  void shot.edit('First point', edit('start-at', { point: one.value }));
  view.points = [0];
}

function close(closed: boolean) {
  void shot.edit(closed ? 'Join ends' : 'Break path', edit('set-closed', { point: one.value ?? 0, closed }));
  view.points = [];
}

const reverse = () => void shot.edit('Reverse path', edit('reverse-path'));
</script>

<template>
  <div v-if="now" class="points" data-testid="points">
    <SheetLine
      v-if="view.points.length"
      :label="one !== undefined ? `Point ${one + 1} of ${now.many}` : `${view.points.length} points`"
    >
      <span class="tools">
        <button class="bare link" :disabled="locked" @click="smooth(true)">Smooth</button>
        <button class="bare link" :disabled="locked" @click="smooth(false)">Corner</button>
        <button class="bare link" :disabled="locked" @click="removePoints">Remove</button>
      </span>
    </SheetLine>
    <SheetLine v-if="view.points.length && now.mask" label="Feather here">
      <NumberField
        :value="feather"
        :disabled="locked"
        label="Feather at the points"
        unit="px"
        :least="0"
        :most="4000"
        @draft="(v) => desk.draft(feathered(v))"
        @commit="(v) => void desk.commit('Feather at a point', feathered(v))"
      />
    </SheetLine>
    <SheetLine label="Path">
      <span class="tools">
        <template v-if="now.closed">
          <button v-if="one !== undefined" class="bare link" :disabled="locked" @click="startHere">
            Begin here
          </button>
          <button v-if="one !== undefined" class="bare link" :disabled="locked" @click="close(false)">
            Break here
          </button>
        </template>
        <button v-else class="bare link" :disabled="locked" @click="close(true)">Join ends</button>
        <button class="bare link" :disabled="locked" @click="reverse">Reverse</button>
      </span>
    </SheetLine>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  min-width: 0;
  white-space: nowrap;
}
.tools button {
  padding-left: 5px;
  padding-right: 5px;
}
.link {
  color: var(--accent);
}
</style>
