<script setup lang="ts">
import { Button, message } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import { ref } from 'vue';
import { api, type Job, type Media } from '../api/client';
import { MEDIA, useAdding, type Where } from '../stores/adding';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import SidePanel from './SidePanel.vue';

void useProject().refresh();
const project = useProject();
const adding = useAdding();
const shot = useShot();
const view = useView();
const chooser = ref<HTMLInputElement>();

async function bring(e: Event) {
  const input = e.target as HTMLInputElement;
  const files = [...(input.files ?? [])];
  input.value = '';
  const others = await adding.drawings(files);
  if (others.length) await project.bring(others, shot.shot?.format.rate ?? '24');
}

function add(m: Media, where: Where = {}) {
  void adding.media(m, where);
  view.drawer = undefined;
}

/** The job that brings it in; what is ready may have one that is about to say so. */
const bringing = (m: Media, jobs: Job[]): Job | undefined =>
  m.state === 'READY' ? undefined : jobs.find((j) => j.mediaId === m.id);
const working = (m: Media) => bringing(m, project.busy);
const stopped = (m: Media) =>
  bringing(
    m,
    project.jobs.filter((j) => j.state === 'CANCELLED' || j.state === 'FAILED'),
  );

/** Fonts and colour tables are no layers. */
const shown = (m: Media) => m.kind !== 'FONT' && m.kind !== 'TABLE';

async function attempt(work: () => Promise<unknown>) {
  try {
    await work();
  } catch (e) {
    void message.error(e instanceof Error ? e.message : String(e));
  }
  await project.refresh();
}

function progress(m: Media): string {
  const job = working(m);
  return job && job.total > 1 ? `${Math.floor((100 * job.done) / job.total)} %` : '…';
}
</script>

<template>
  <SidePanel title="Media" wide>
    <template #head>
      <span class="quiet"></span>
      <Button size="small" type="primary" @click="chooser?.click()">Bring files in…</Button>
      <input ref="chooser" type="file" multiple hidden data-testid="files" @change="bring" />
    </template>
    <p class="quiet about">
      Video, stills with alpha, sound, numbered sequences, TrueType and OpenType fonts, colour tables (.cube),
      drawings (.svg), which become shapes. They can be dropped on the Picture, and on the rows at a frame,
      too.
    </p>
    <ul>
      <li
        v-for="m in project.media"
        :key="m.id"
        :draggable="m.state === 'READY' && shown(m)"
        :data-testid="`media-${m.name}`"
        :data-state="m.state"
        @dragstart="$event.dataTransfer?.setData(MEDIA, m.id)"
      >
        <span class="thumb">
          <img
            v-if="m.state === 'READY' && shown(m) && m.kind !== 'SOUND'"
            :src="`/api/media/${m.id}/thumbnail.png`"
            alt=""
          />
          <span v-else class="glyph">{{
            m.kind === 'FONT'
              ? 'Aa'
              : m.kind === 'TABLE'
                ? '▦'
                : m.kind === 'SOUND' && m.state === 'READY'
                  ? '♪'
                  : m.state === 'FAILED' && !working(m)
                    ? '×'
                    : progress(m)
          }}</span>
        </span>
        <span class="text">
          <strong>{{ m.name }}</strong>
          <span v-if="m.state === 'FAILED'" class="warn">{{ m.message }}</span>
          <span v-else-if="m.kind === 'FONT'" class="quiet">font</span>
          <span v-else-if="m.kind === 'TABLE'" class="quiet">colour table</span>
          <span v-else-if="m.kind === 'SOUND'" class="quiet"
            >sound · {{ (m.frames / Number(m.rate)).toFixed(2) }} s</span
          >
          <span v-else class="quiet">
            {{ m.width }} × {{ m.height }}{{ m.kind === 'VIDEO' ? ` · ${m.rate} · ${m.frames} frames` : ''
            }}{{ m.alpha ? ' · alpha' : '' }}
          </span>
          <span v-if="m.state === 'READY' && m.message" class="quiet">{{ m.message }}</span>
        </span>
        <Button v-if="m.state === 'READY' && shown(m)" size="small" @click="add(m)">Add</Button>
        <Button
          v-if="m.state === 'READY' && shown(m) && view.frame > 0"
          size="small"
          :title="`Begins at the playhead, on frame ${view.frame}`"
          @click="add(m, { frame: view.frame })"
          >Add here</Button
        >
        <button
          v-if="m.state !== 'IMPORTING' && !m.used"
          class="bare"
          :aria-label="`Take ${m.name} out of the project`"
          title="No shot uses it: take it out of the project"
          @click="attempt(() => api.removeMedia(m.id))"
        >
          <DeleteOutlined />
        </button>
        <Button v-if="working(m)" size="small" @click="attempt(() => api.cancel(working(m)!.id))"
          >Cancel</Button
        >
        <Button v-else-if="stopped(m)" size="small" @click="attempt(() => api.retry(stopped(m)!.id))"
          >Try again</Button
        >
      </li>
    </ul>
    <p v-if="project.media.length === 0" class="quiet about">Nothing yet.</p>
  </SidePanel>
</template>

<style scoped>
.about {
  margin: 0 12px 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0 12px;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.thumb {
  display: flex;
  flex: none;
  width: 92px;
  height: 52px;
  align-items: center;
  justify-content: center;
  background: #111;
}
.thumb img {
  max-width: 100%;
  max-height: 100%;
}
.glyph {
  color: var(--quiet);
  font-size: 16px;
}
.text {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-width: 0;
  overflow-wrap: anywhere;
}
.quiet {
  color: var(--quiet);
}
.warn {
  color: var(--warn);
}
</style>
