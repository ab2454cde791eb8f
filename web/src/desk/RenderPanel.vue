<script setup lang="ts">
import { Button, Checkbox, message, Progress, Select } from 'ant-design-vue';
import { computed, ref, shallowRef } from 'vue';
import { api, type Job, type OutputView } from '../api/client';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import SidePanel from './SidePanel.vue';

const project = useProject();
const shot = useShot();
const output = ref('H264');
/** What a shot can be rendered to, as the engine describes it. */
const outputs = shallowRef<OutputView[]>([]);
api
  .outputs()
  .then((all) => (outputs.value = all))
  .catch((e: unknown) => void message.error(e instanceof Error ? e.message : String(e)));
const chosen = computed(() => outputs.value.find((o) => o.word === output.value));
const label = (word: string | undefined) => outputs.value.find((o) => o.word === word)?.label ?? word;
const workOnly = ref(false);
const work = computed(() => shot.shot?.work ?? undefined);
const renders = computed(() => project.jobs.filter((j) => j.kind === 'RENDER'));

/** Whether the list of renders has been asked for and is there. */
const known = ref(false);
void project.refresh().finally(() => (known.value = true));

async function attempt(work: () => Promise<unknown>) {
  try {
    await work();
  } catch (e) {
    void message.error(e instanceof Error ? e.message : String(e));
  }
  await project.refresh();
}

const start = () =>
  attempt(() => api.render(shot.view?.id ?? '', output.value, workOnly.value && Boolean(work.value)));

function state(j: Job): string {
  switch (j.state) {
    case 'WAITING':
      return 'waiting';
    case 'RUNNING':
      return `frame ${j.done} of ${j.total}${j.secondsLeft === undefined || j.secondsLeft === null ? '' : `, ${j.secondsLeft} s left`}`;
    case 'DONE':
      return `${j.total} frames`;
    case 'CANCELLED':
      return 'cancelled';
    default:
      return j.message;
  }
}
</script>

<template>
  <SidePanel title="Render" wide>
    <div class="new">
      <Select
        v-model:value="output"
        aria-label="Output"
        :options="outputs.map((o) => ({ value: o.word, label: o.label }))"
      />
      <span class="quiet">{{ chosen?.summary }}</span>
      <Checkbox v-if="work" v-model:checked="workOnly" class="work"
        >Only the work range, frames {{ work.from }} to {{ work.to - 1 }}</Checkbox
      >
      <Button type="primary" block @click="start">Render “{{ shot.shot?.name }}” at full size</Button>
    </div>
    <ul :aria-busy="!known">
      <li v-for="j in renders" :key="j.id" data-testid="render" :data-state="j.state">
        <span class="line">
          <strong>{{ j.title }}</strong>
          <span class="quiet">{{ label(j.output) }}</span>
        </span>
        <Progress
          v-if="j.state === 'RUNNING' || j.state === 'WAITING'"
          :percent="Math.floor((100 * j.done) / Math.max(1, j.total))"
          size="small"
        />
        <span class="line">
          <span :class="j.state === 'FAILED' ? 'warn' : 'quiet'">{{ state(j) }}</span>
          <Button
            v-if="j.state === 'RUNNING' || j.state === 'WAITING'"
            size="small"
            @click="attempt(() => api.cancel(j.id))"
            >Cancel</Button
          >
          <Button
            v-if="j.state === 'FAILED' || j.state === 'CANCELLED'"
            size="small"
            @click="attempt(() => api.retry(j.id))"
            >Try again</Button
          >
          <Button v-if="j.hasFile" size="small" :href="`/api/jobs/${j.id}/file`" data-testid="download"
            >Download</Button
          >
        </span>
      </li>
    </ul>
    <p v-if="renders.length === 0" class="quiet">Nothing rendered yet.</p>
  </SidePanel>
</template>

<style scoped>
.new,
ul,
p {
  margin: 0 12px 12px;
}
.work {
  margin: 8px 0;
}
.new {
  display: grid;
  gap: 8px;
  margin-bottom: 14px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  padding: 9px 0;
  border-top: 1px solid var(--line);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
}
.quiet {
  color: var(--quiet);
}
.warn {
  color: var(--warn);
}
</style>
