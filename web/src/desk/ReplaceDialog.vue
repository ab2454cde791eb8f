<script setup lang="ts">
import { Button, Modal, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';

/** What a layer shows, replaced by a clip or still of the project, or by what another layer shows. */
const shot = useShot();
const project = useProject();
const timing = useTiming();
const by = ref<string>();

const layer = computed(() => shot.find(timing.replaced));
const heard = computed(() => layer.value?.content.kind === 'sound');
const media = computed(() =>
  project.media
    .filter(
      (m) =>
        m.state === 'READY' &&
        m.kind !== 'FONT' &&
        m.kind !== 'TABLE' &&
        (m.kind === 'SOUND') === heard.value,
    )
    .map((m) => ({ value: `media ${m.id}`, label: m.name })),
);
const layers = computed(() =>
  shot
    .everyLayer()
    .filter((l) => l.id !== layer.value?.id && (l.content.kind === 'sound') === heard.value)
    .map((l) => ({ value: `layer ${l.id}`, label: l.name })),
);
const options = computed(() => [
  ...(media.value.length ? [{ label: 'Of the project', options: media.value }] : []),
  ...(layers.value.length ? [{ label: 'Layers, which go', options: layers.value }] : []),
]);
const close = () => (timing.replaced = undefined);

async function replace() {
  const [from, id] = (by.value ?? '').split(' ');
  const m = project.find(id ?? '');
  const label = `Replace ${layer.value?.name}`;
  const kinds = { VIDEO: 'footage', STILL: 'still', SOUND: 'sound', FONT: '', TABLE: '' };
  const done =
    from === 'layer'
      ? await timing.edit(label, 'replace-by-layer', { layer: layer.value?.id, by: id })
      : m &&
        (await timing.edit(label, 'replace', {
          layer: layer.value?.id,
          content: { kind: kinds[m.kind], media: m.id },
          name: m.name.replace(/\.[^.]+$/, ''),
        }));
  if (done) close();
}
</script>

<template>
  <Modal open :title="`Replace what “${layer?.name}” shows`" :footer="null" @cancel="close">
    <p class="why">Its place, keys, masks, cut, arrival and departure stay.</p>
    <Select
      v-model:value="by"
      class="by"
      show-search
      option-filter-prop="label"
      placeholder="by…"
      aria-label="Replace it by"
      :options="options"
    />
    <div class="buttons">
      <Button type="primary" :disabled="!by" @click="replace">Replace</Button>
    </div>
  </Modal>
</template>

<style scoped>
.why {
  color: var(--quiet);
}
.by {
  width: 100%;
}
.buttons {
  display: flex;
  justify-content: flex-end;
  margin-top: 14px;
}
</style>
