<script setup lang="ts">
import { Modal } from 'ant-design-vue';
import { useCommands } from '../stores/commands';

const open = defineModel<boolean>('open', { required: true });
const commands = useCommands();
const SHAPES: [string, string][] = [
  ['dot', 'eases on to the next key'],
  ['slim diagonal', 'goes on evenly'],
  ['flat bar', 'holds until the next key'],
  ['notched dot', 'springs'],
  ['ring', 'has given up its time'],
];
</script>

<template>
  <Modal v-model:open="open" title="Keys" :footer="null" :width="1200">
    <div class="groups">
      <section v-for="g in commands.groups" :key="g.title">
        <h4>{{ g.title }}</h4>
        <dl>
          <template v-for="c in g.commands" :key="c.says">
            <dt>
              <kbd v-for="k in c.keys" :key="k">{{ k.replace(/\+/g, ' ') }}</kbd>
            </dt>
            <dd>{{ c.says }}</dd>
          </template>
        </dl>
      </section>
      <section>
        <h4>Dragging</h4>
        <dl>
          <dt><kbd>Alt</kbd></dt>
          <dd>lifts the snap; at a corner scales about the one across, not about the anchor or middle</dd>
          <dt><kbd>Shift</kbd></dt>
          <dd>
            moves straight, scales freely, turns in steps; on a bar moves what it shows, on its end stretches
            it
          </dd>
          <dt><kbd>Escape</kbd></dt>
          <dd>takes the drag back</dd>
          <dt><kbd>Ctrl</kbd> wheel</dt>
          <dd>the Timeline closer, farther</dd>
        </dl>
      </section>
      <section>
        <h4>Shapes of keys</h4>
        <dl>
          <template v-for="[shape, what] in SHAPES" :key="shape">
            <dt>{{ shape }}</dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </Modal>
</template>

<style scoped>
.groups {
  columns: 3;
  column-gap: 28px;
  font-size: 12px;
}
section {
  break-inside: avoid;
}
h4 {
  margin: 8px 0 4px;
  font-size: 13px;
}
dl {
  display: grid;
  grid-template-columns: 118px 1fr;
  gap: 2px 8px;
  margin: 0;
}
kbd {
  margin-right: 4px;
  padding: 0 5px;
  border: 1px solid #555;
  border-radius: 3px;
  color: var(--accent);
  font: inherit;
  white-space: nowrap;
}
dd {
  margin: 0;
}
</style>
