<script setup lang="ts">
import { Checkbox, Popover } from 'ant-design-vue';
import NumberField from '../fields/NumberField.vue';
import { useLooking } from '../stores/looking';
import { useView } from '../stores/view';

/** What is laid over the Picture to judge it by, and what it is measured and compared with. */
const view = useView();
const looking = useLooking();

function grid(part: 'columns' | 'rows', value: number) {
  const now = looking.grid ?? { columns: 3, rows: 3 };
  looking.grid = { ...now, [part]: Math.round(value) };
}
</script>

<template>
  <Popover trigger="click" placement="topRight">
    <button class="bare" aria-label="Guides and measures">Guides</button>
    <template #content>
      <div class="list" @keydown.stop>
        <Checkbox v-model:checked="view.safe">title safe <span class="quiet">T</span></Checkbox>
        <Checkbox v-model:checked="looking.action">action safe</Checkbox>
        <Checkbox v-model:checked="looking.upright">upright 9 : 16</Checkbox>
        <Checkbox v-model:checked="looking.square">square</Checkbox>
        <Checkbox v-model:checked="looking.rulers">rulers, with guides to drag out</Checkbox>
        <button
          v-if="looking.guides.across.length + looking.guides.down.length"
          class="bare link"
          @click="looking.setGuides({ across: [], down: [] })"
        >
          remove the guides
        </button>
        <Checkbox
          :checked="!!looking.grid"
          @change="looking.grid = looking.grid ? undefined : { columns: 3, rows: 3 }"
          >grid</Checkbox
        >
        <span v-if="looking.grid" class="pair">
          <NumberField
            :value="looking.grid.columns"
            label="Columns of the grid"
            :least="1"
            :most="64"
            :decimals="0"
            @commit="(v) => grid('columns', v)"
          />
          <NumberField
            :value="looking.grid.rows"
            label="Rows of the grid"
            :least="1"
            :most="64"
            :decimals="0"
            @commit="(v) => grid('rows', v)"
          />
        </span>
        <hr />
        <Checkbox v-model:checked="looking.values">values under the pointer</Checkbox>
        <Checkbox v-model:checked="looking.histogram">histogram</Checkbox>
        <Checkbox :checked="!!looking.before" @change="looking.putAside()">
          this picture as “before”, with a split <span class="quiet">B</span>
        </Checkbox>
      </div>
    </template>
  </Popover>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.list :deep(.ant-checkbox-wrapper) {
  margin: 0;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  width: 150px;
  margin-left: 24px;
}
.link {
  align-self: flex-start;
  margin-left: 20px;
  color: var(--accent);
}
.quiet {
  color: var(--quiet);
}
hr {
  width: 100%;
  margin: 2px 0;
  border: 0;
  border-top: 1px solid #444;
}
</style>
