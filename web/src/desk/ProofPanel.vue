<script setup lang="ts">
import { Input } from 'ant-design-vue';
import { ref, shallowRef } from 'vue';
import type { Finding } from '../lib/answers';
import { useFrames } from '../stores/frames';
import { useProof } from '../stores/proof';
import { useShot } from '../stores/shot';
import SidePanel from './SidePanel.vue';

/** What was measured wrong, beside the Picture. Choosing a finding goes to its frame and marks the place. */
const proof = useProof();
const frames = useFrames();
const shot = useShot();

const noting = shallowRef<Finding>();
const note = ref('');

const who = (f: Finding) =>
  f.layers.map((id) => shot.find(id)?.name ?? id).join(' and ') || 'the whole picture';
const when = (f: Finding) => (f.to > f.from ? `frames ${f.from} to ${f.to}` : `frame ${f.from}`);

function begin(f: Finding) {
  noting.value = f;
  note.value = '';
}

function keep() {
  const f = noting.value;
  noting.value = undefined;
  if (f) void proof.accept(f, note.value.trim());
}
</script>

<template>
  <SidePanel title="Proof">
    <template #head>
      <span class="quiet" role="status">{{
        frames.proofProblem || (proof.measuring ? 'measuring…' : `${proof.open.length} open`)
      }}</span>
    </template>
    <p v-if="proof.all.length === 0 && !proof.measuring" class="none">
      Nothing was found: what arrives is hidden before and whole at rest, words stay long enough and stand
      out, and nothing flashes.
    </p>
    <ol>
      <li
        v-for="f in proof.all"
        :key="f.check + f.layers.join() + f.from"
        :class="{ chosen: proof.marked === f, accepted: proof.noteOf(f) }"
        :data-testid="`finding-${f.check}`"
      >
        <button class="bare what" @click="proof.look(f)">
          <strong>{{ f.label }}</strong>
          <span class="quiet">{{ who(f) }}, {{ when(f) }}</span>
          <span>{{ f.says }}</span>
        </button>
        <div v-if="proof.noteOf(f)" class="note">
          <span>Accepted{{ proof.noteOf(f)?.note ? `: ${proof.noteOf(f)?.note}` : '' }}</span>
          <button class="bare link" @click="proof.reopen(f)">Take up again</button>
        </div>
        <div v-else-if="noting === f" class="note">
          <Input
            v-model:value="note"
            autofocus
            size="small"
            placeholder="why it is meant to be so"
            aria-label="Note"
            :maxlength="400"
            @keydown.stop="(e: KeyboardEvent) => e.key === 'Escape' && (noting = undefined)"
            @press-enter="keep"
          />
          <button class="bare link" @click="keep">Accept</button>
        </div>
        <button v-else class="bare link accept" @click="begin(f)">Accept…</button>
      </li>
    </ol>
  </SidePanel>
</template>

<style scoped>
.quiet {
  flex: 1;
}
.quiet {
  color: var(--quiet);
}
.none {
  margin: 4px 12px;
  color: var(--quiet);
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 8px 12px;
  border-left: 2px solid var(--warn);
  border-bottom: 1px solid #1c1c1c;
}
li.accepted {
  border-left-color: #5a5a5a;
}
li.chosen {
  background: var(--panel-2);
}
.what {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 2px;
  width: 100%;
  padding: 0;
  text-align: left;
  white-space: normal;
  line-height: 1.35;
}
.note {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  margin-top: 4px;
}
.link {
  color: var(--accent);
}
.accept {
  margin-top: 2px;
  padding: 0;
}
</style>
