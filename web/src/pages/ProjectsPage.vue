<script setup lang="ts">
import {
  Button,
  Dropdown,
  Empty,
  Input,
  Menu,
  MenuItem,
  message,
  Modal,
  notification,
  SubMenu,
} from 'ant-design-vue';
import { MoreOutlined, PlusOutlined } from '@ant-design/icons-vue';
import { h, onBeforeUnmount, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, type Job, type Project, type Room } from '../api/client';
import NewShot from '../desk/NewShot.vue';
import Wordmark from '../desk/Wordmark.vue';
import { framesPerSecond } from '../lib/timecode';

const router = useRouter();
const projects = ref<Project[]>([]);
const loaded = ref(false);
const naming = ref(false);
const name = ref('');
const renamed = ref<Project>();
const into = ref<Project>();
const room = ref<Room>();

async function attempt(work: () => Promise<unknown>) {
  try {
    await work();
  } catch (e) {
    void message.error(e instanceof Error ? e.message : String(e));
  }
}

const load = () =>
  attempt(async () => {
    projects.value = await api.projects();
    loaded.value = true;
    room.value = await api.room();
  });

async function save() {
  const project = renamed.value;
  await attempt(async () => {
    await (project ? api.renameProject(project.id, name.value) : api.createProject(name.value));
    naming.value = false;
  });
  await load();
}

function ask(project?: Project) {
  renamed.value = project;
  name.value = project?.name ?? '';
  naming.value = true;
}

function remove(project: Project) {
  Modal.confirm({
    title: `Delete “${project.name}”?`,
    content: `Its ${project.shots.length} shots and their media go with it. This cannot be undone.`,
    okText: 'Delete the project',
    okType: 'danger',
    onOk: () => attempt(() => api.deleteProject(project.id)).then(load),
  });
}

type Shot = Project['shots'][number];
const change = (work: () => Promise<unknown>) => attempt(work).then(load);

const shotNamed = ref<Shot>();
function askShot(s: Shot) {
  shotNamed.value = s;
  name.value = s.name;
}

async function saveShot() {
  const s = shotNamed.value;
  if (!s) return;
  const patch = [{ op: 'replace' as const, path: '/name', value: name.value }];
  await attempt(async () => {
    await api.edit(s.id, s.revision, 'Rename', { patch });
    shotNamed.value = undefined;
  });
  await load();
}

/** At once, since it can be taken back. */
async function removeShot(s: Shot) {
  await attempt(async () => {
    await api.deleteShot(s.id);
    const key = `deleted-${s.id}`;
    notification.open({
      key,
      placement: 'bottomLeft',
      duration: 20,
      message: `“${s.name}” is deleted.`,
      btn: () =>
        h(
          Button,
          {
            size: 'small',
            onClick: () => {
              notification.close(key);
              void change(() => api.restoreShot(s.id));
            },
          },
          () => 'Undo',
        ),
    });
  });
  await load();
}

function size(bytes: number) {
  if (bytes < 1e6) return `${Math.ceil(bytes / 1e3)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

function seconds(length: number, rate: string) {
  return `${Number((length / framesPerSecond(rate)).toFixed(2))} s`;
}

/** What is being made for each project, by its id; looked at again for as long as there is anything. */
const work = ref<Record<string, Job[]>>({});
let timer: ReturnType<typeof setTimeout> | undefined;
let left = false;

async function watchWork() {
  const all = await Promise.all(
    projects.value.map(async (p) => {
      const jobs = await api.jobs(p.id).catch(() => []);
      return [p.id, jobs.filter((j) => j.state === 'WAITING' || j.state === 'RUNNING')] as const;
    }),
  );
  work.value = Object.fromEntries(all.filter(([, jobs]) => jobs.length > 0));
  // The demo is loaded just after the application has come up: its shots may still be on their way.
  const coming = projects.value.some(
    (p) => p.shots.length === 0 && Date.now() - Date.parse(p.changedAt) < 60_000,
  );
  if (Object.keys(work.value).length === 0 && !coming) return;
  if (left) return;
  timer = setTimeout(() => void load().then(watchWork), 1000);
}

onMounted(() => void load().then(watchWork));
onBeforeUnmount(() => {
  left = true;
  clearTimeout(timer);
});
</script>

<template>
  <div class="page">
    <header>
      <Wordmark />
      <Button type="primary" @click="ask()"><PlusOutlined /> New project</Button>
    </header>
    <main>
      <Empty
        v-if="loaded && projects.length === 0"
        description="No projects yet. A project holds shots and their media."
      >
        <Button type="primary" @click="ask()">Make the first one</Button>
      </Empty>
      <section v-for="p in projects" :key="p.id" class="project">
        <div class="title">
          <h2>{{ p.name }}</h2>
          <span class="quiet">{{ p.shots.length }} {{ p.shots.length === 1 ? 'shot' : 'shots' }}</span>
          <Dropdown :trigger="['click']">
            <button class="bare" :aria-label="`More for ${p.name}`"><MoreOutlined /></button>
            <template #overlay>
              <Menu>
                <MenuItem key="rename" @click="ask(p)">Rename…</MenuItem>
                <MenuItem key="delete" danger @click="remove(p)">Delete…</MenuItem>
              </Menu>
            </template>
          </Dropdown>
        </div>
        <p v-for="j in work[p.id] ?? []" :key="j.id" class="quiet" role="status">
          {{ j.title }}:
          {{ j.state === 'WAITING' ? 'waiting' : `${Math.floor((100 * j.done) / Math.max(1, j.total))} %` }}
        </p>
        <div class="reel">
          <div v-for="s in p.shots" :key="s.id" class="card" :data-testid="`shot-${s.name}`">
            <RouterLink :to="`/shots/${s.id}`" class="shot">
              <span class="frame"
                ><img :src="`/api/shots/${s.id}/poster.png?r=${s.revision}`" :alt="s.name"
              /></span>
              <span class="caption">
                <strong>{{ s.name }}</strong>
                <span class="quiet"
                  >{{ s.width }}×{{ s.height }} · {{ s.rate }} · {{ seconds(s.length, s.rate) }}</span
                >
              </span>
            </RouterLink>
            <Dropdown :trigger="['click']">
              <button class="bare more" :aria-label="`More for ${s.name}`"><MoreOutlined /></button>
              <template #overlay>
                <Menu>
                  <MenuItem key="rename" @click="askShot(s)">Rename…</MenuItem>
                  <MenuItem key="copy" @click="change(() => api.copyShot(s.id))">Duplicate</MenuItem>
                  <SubMenu key="move" title="Move to" :disabled="projects.length < 2">
                    <MenuItem
                      v-for="q in projects.filter((o) => o.id !== p.id)"
                      :key="q.id"
                      @click="change(() => api.moveShot(s.id, q.id))"
                      >{{ q.name }}</MenuItem
                    >
                  </SubMenu>
                  <MenuItem key="delete" danger @click="removeShot(s)">Delete</MenuItem>
                </Menu>
              </template>
            </Dropdown>
          </div>
          <button class="shot add" @click="into = p">
            <span><PlusOutlined /> New shot</span>
            <span v-if="p.shots.length === 0" class="quiet"
              >Begin here: a shot has a size, a rate and a length, or those of a clip.</span
            >
          </button>
        </div>
      </section>
    </main>
    <footer v-if="room" class="quiet">
      Files: media {{ size(room.media) }}, copies for quick looking {{ size(room.copies) }}, renders
      {{ size(room.renders) }}.
    </footer>
    <Modal
      v-model:open="naming"
      :title="renamed ? 'Rename the project' : 'New project'"
      ok-text="Save"
      @ok="save"
    >
      <Input v-model:value="name" placeholder="Name" aria-label="Name of the project" @press-enter="save" />
    </Modal>
    <Modal
      :open="shotNamed !== undefined"
      title="Rename the shot"
      ok-text="Save"
      @ok="saveShot"
      @cancel="shotNamed = undefined"
    >
      <Input v-model:value="name" placeholder="Name" aria-label="Name of the shot" @press-enter="saveShot" />
    </Modal>
    <NewShot
      v-if="into"
      :project="into.id"
      @close="into = undefined"
      @made="(id) => router.push(`/shots/${id}`)"
    />
  </div>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding: 10px 24px;
  border-bottom: 1px solid var(--line);
  background: #1b1b1b;
}
main {
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
.project + .project {
  margin-top: 36px;
}
.title {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 10px;
}
h2 {
  margin: 0;
  font-size: 17px;
  font-weight: 600;
  color: var(--text);
}
.quiet {
  color: var(--quiet);
}
.reel {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 18px;
}
.card {
  position: relative;
}
.more {
  position: absolute;
  top: 6px;
  right: 6px;
  padding: 2px 6px;
  border-radius: 4px;
  background: #111c;
  opacity: 0;
}
.card:hover .more,
.card:focus-within .more {
  opacity: 1;
}
.shot {
  display: flex;
  flex-direction: column;
  color: var(--text);
  text-align: left;
}
.frame {
  display: block;
  aspect-ratio: 16 / 9;
  background: #000;
  overflow: hidden;
  outline: 1px solid #333;
}
.frame img {
  width: 100%;
  height: 100%;
  object-fit: contain;
  display: block;
}
a.shot:hover .frame,
a.shot:focus-visible .frame {
  outline: 2px solid var(--accent);
}
.caption {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 7px 1px;
}
.add > .quiet {
  padding: 0 24px;
  text-align: center;
  font-size: 12px;
}
footer {
  max-width: 1240px;
  margin: 0 auto;
  padding: 0 24px 20px;
  font-size: 12px;
}
.add {
  align-items: center;
  justify-content: center;
  flex-direction: column;
  gap: 8px;
  aspect-ratio: 16 / 9;
  border: 1px dashed #4a4a4a;
  background: none;
  color: var(--quiet);
  font: inherit;
  cursor: pointer;
}
.add:hover {
  color: var(--text);
  border-color: var(--accent);
}
</style>
