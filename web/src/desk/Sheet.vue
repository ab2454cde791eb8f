<script setup lang="ts">
import { Input, message, Segmented, Select, Textarea } from 'ant-design-vue';
import { computed, nextTick, ref, watch } from 'vue';
import { useAdding } from '../stores/adding';
import { useDesk } from '../stores/desk';
import { useFrames, type PropertyNow } from '../stores/frames';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView, type Stance } from '../stores/view';
import CutSection from './CutSection.vue';
import EaseEditor from './EaseEditor.vue';
import FontPicker from './FontPicker.vue';
import KindGlyph from './KindGlyph.vue';
import ManySheet from './ManySheet.vue';
import PassageSheet from './PassageSheet.vue';
import PropertyRow from './PropertyRow.vue';
import ShapeSection from './ShapeSection.vue';
import TimeSection from './TimeSection.vue';

const shot = useShot();
const view = useView();
const frames = useFrames();
const desk = useDesk();
const project = useProject();
const timing = useTiming();
const adding = useAdding();

const STANCES = [
  { value: 'rest', label: 'Rest' },
  { value: 'arrive', label: 'Arrive' },
  { value: 'leave', label: 'Leave' },
];

const SECTIONS = ['Look', 'Place', 'Cut', 'Time', 'Blend'] as const;
const section = ref<(typeof SECTIONS)[number]>('Look');
const layer = computed(() => shot.find(view.layer));
const row = computed(() => shot.row(view.layer));
const locked = computed(() => layer.value?.locked ?? false);
const properties = computed<PropertyNow[]>(() =>
  frames.handles && frames.handles.layer === view.layer ? frames.handles.properties : [],
);
const starting = (prefix: string) => properties.value.filter((p) => p.name.startsWith(prefix));
const words = ref('');
const name = ref('');

watch(
  layer,
  (l) => {
    name.value = l?.name ?? '';
    words.value = l?.content.kind === 'text' ? l.content.words : '';
  },
  { immediate: true },
);

function wordsChange() {
  return { patch: [{ op: 'add' as const, path: `${row.value?.pointer}/content/words`, value: words.value }] };
}

function commitWords() {
  if (layer.value?.content.kind !== 'text' || layer.value.content.words === words.value) return;
  const follows = layer.value.name === layer.value.content.words.replace(/\n/g, ' ');
  const change = wordsChange();
  if (follows && words.value.trim()) {
    change.patch.push({
      op: 'add',
      path: `${row.value?.pointer}/name`,
      value: words.value.replace(/\n/g, ' '),
    });
  }
  void desk.commit('Words', change);
}

/** Escape takes back what was typed since the words were last kept. */
function wordsKey(e: KeyboardEvent) {
  const content = layer.value?.content;
  if (e.key !== 'Escape' || content?.kind !== 'text') return;
  if (words.value !== content.words) {
    words.value = content.words;
    desk.drop();
    void message.info('Words taken back.');
  }
  (e.target as HTMLTextAreaElement).blur();
}

const coming = ref<InstanceType<typeof Textarea>>();
const field = ref<InstanceType<typeof Textarea>>();
const inside = (t: typeof coming) =>
  (t.value?.$el as HTMLElement | undefined)?.closest('textarea') ??
  (t.value?.$el as HTMLElement | undefined)?.querySelector('textarea');
watch(coming, () => inside(coming)?.select(), { flush: 'post' });
/** New words: the cursor is in them, and what was typed while they were being added is there. */
watch(
  () => [view.fresh, field.value, layer.value] as const,
  ([fresh, f, l]) => {
    if (!fresh || !f || l?.content.kind !== 'text') return;
    view.fresh = undefined;
    const begun = fresh.typed;
    void nextTick(() => {
      const area = inside(field);
      if (!area) return;
      area.focus();
      if (begun === undefined) {
        area.select();
        return;
      }
      words.value = begun;
      desk.draft(wordsChange());
      void nextTick(() => area.setSelectionRange(begun.length, begun.length));
    });
  },
  { flush: 'post' },
);

function fit(cover: boolean) {
  const edit = { kind: 'fit', layer: view.layer, frame: view.frame, cover };
  void shot.edit(cover ? 'Cover the frame' : 'Fit to the frame', { edit });
}

function content(field: string, value: unknown, label: string) {
  void shot.setField(view.layer ?? '', `content/${field}`, value, label);
}

const BLENDS = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
  'plus-lighter',
].map((b) => ({ value: b, label: b.replace('-', ' ') }));

const parents = computed(() => [
  { value: '', label: 'none' },
  ...shot.list
    .filter((r) => r.layer.id !== view.layer && r.depth === row.value?.depth)
    .map((r) => ({ value: r.layer.id, label: r.layer.name })),
]);
const media = computed(() => {
  const c = layer.value?.content;
  return c?.kind === 'footage' || c?.kind === 'still' || c?.kind === 'sound'
    ? project.find(c.media)
    : undefined;
});
const chosenKey = computed(() => view.keys[0]);
const sections = computed(() =>
  [...SECTIONS].filter((s) => layer.value?.content.kind !== 'sound' || s === 'Look' || s === 'Time'),
);
</script>

<template>
  <section class="sheet" aria-label="Sheet of the layer">
    <div v-if="adding.words !== undefined" class="body adding">
      <p class="why">Adding words…</p>
      <Textarea ref="coming" v-model:value="adding.words" :rows="2" aria-label="Words" @keydown.stop />
    </div>
    <ManySheet v-else-if="view.layers.length > 1 && !chosenKey" />
    <template v-else-if="layer">
      <Segmented
        v-if="layer.content.kind !== 'sound'"
        :value="view.stance"
        block
        :options="STANCES"
        class="stances"
        aria-label="The pose that is edited"
        @change="(v) => timing.take(v as Stance)"
      />
      <div class="head">
        <KindGlyph :kind="layer.content.kind" />
        <Input
          v-model:value="name"
          class="name"
          :bordered="false"
          aria-label="Name of the layer"
          @keydown.stop
          @press-enter="($event.target as HTMLInputElement).blur()"
          @blur="name && name !== layer.name && shot.setField(layer.id, 'name', name, 'Rename')"
        />
      </div>
      <p v-if="locked" class="why">Locked: unlock it in its row to change it.</p>
      <div v-if="view.stance !== 'rest'" class="body">
        <PassageSheet :layer="layer" :arriving="view.stance === 'arrive'" :locked="locked" />
      </div>
      <Segmented
        v-if="view.stance === 'rest'"
        v-model:value="section"
        block
        size="small"
        :options="sections"
        class="sections"
      />
      <div v-if="view.stance === 'rest'" class="body">
        <template v-if="section === 'Look'">
          <template v-if="layer.content.kind === 'text'">
            <Textarea
              ref="field"
              v-model:value="words"
              :rows="2"
              :disabled="locked"
              aria-label="Words"
              title="Escape takes back what was typed; a click elsewhere keeps it"
              @keydown.stop="wordsKey"
              @input="desk.draft(wordsChange())"
              @blur="commitWords"
            />
            <div class="line">
              <span class="label">Font</span>
              <FontPicker
                :value="layer.content.font"
                :disabled="locked"
                @choose="(f) => content('font', f, 'Font')"
              />
            </div>
            <div class="line">
              <span class="label">Aligned</span>
              <Segmented
                :value="layer.content.align"
                :options="['left', 'centre', 'right']"
                size="small"
                :disabled="locked"
                @change="(v) => content('align', v, 'Align')"
              />
            </div>
            <PropertyRow v-for="p in starting('text.')" :key="p.name" :property="p" :locked="locked" />
          </template>
          <ShapeSection
            v-else-if="layer.content.kind === 'shape'"
            :shape="layer.content"
            :properties="starting('')"
            :locked="locked"
          />
          <template v-else-if="layer.content.kind === 'fill'">
            <div class="line">
              <span class="label">Kind</span>
              <span>{{
                { solid: 'one colour', linear: 'linear gradient', radial: 'radial gradient' }[
                  layer.content.paint.kind
                ]
              }}</span>
            </div>
            <PropertyRow v-for="p in starting('fill.')" :key="p.name" :property="p" :locked="locked" />
            <template v-if="layer.content.paint.kind !== 'solid'">
              <div v-for="(s, i) in layer.content.paint.stops" :key="i" class="line">
                <span class="label">At {{ Math.round(s.at * 100) }} %</span>
                <input
                  type="color"
                  :aria-label="`Colour of stop ${i + 1}`"
                  :value="typeof s.colour === 'string' ? s.colour.slice(0, 7) : '#ffffff'"
                  :disabled="locked"
                  @change="
                    content(`paint/stops/${i}/colour`, ($event.target as HTMLInputElement).value, 'Gradient')
                  "
                />
              </div>
            </template>
          </template>
          <template v-else-if="layer.content.kind === 'sound'">
            <p class="why">{{ media?.name }}: heard, not seen. Space plays it with the picture.</p>
            <PropertyRow v-for="p in starting('sound.')" :key="p.name" :property="p" :locked="locked" />
          </template>
          <template v-else-if="media">
            <img class="thumb" :src="`/api/media/${media.id}/thumbnail.png`" :alt="media.name" />
            <dl>
              <dt>From</dt>
              <dd>{{ media.name }}</dd>
              <dt>Size</dt>
              <dd>{{ media.width }} × {{ media.height }}{{ media.alpha ? ' with alpha' : '' }}</dd>
              <template v-if="media.kind === 'VIDEO'">
                <dt>Length</dt>
                <dd>{{ media.frames }} frames at {{ media.rate }}</dd>
              </template>
            </dl>
            <PropertyRow v-for="p in starting('picture.')" :key="p.name" :property="p" :locked="locked" />
          </template>
          <p v-else-if="layer.content.kind === 'again'" class="why">
            What lies in “{{ shot.find(layer.content.group)?.name }}”, once more. Whatever is changed there is
            changed here.
          </p>
          <p v-else class="why">
            A group of {{ (layer.content as { layers: unknown[] }).layers.length }} layers. Open it in its row
            to see them.
          </p>
        </template>
        <template v-else-if="section === 'Place'">
          <PropertyRow v-for="p in starting('place.')" :key="p.name" :property="p" :locked="locked" />
          <div class="line">
            <span class="label">Parent</span>
            <Select
              class="grow"
              size="small"
              aria-label="Parent"
              :disabled="locked"
              :value="layer.parent ?? ''"
              :options="parents"
              @change="
                (v) =>
                  timing.edit('Parent', 'set-parent', {
                    layer: layer!.id,
                    parent: v || null,
                    frame: view.frame,
                  })
              "
            />
          </div>
          <div class="line">
            <span class="label">Size</span>
            <span>
              <button
                class="bare link"
                :disabled="locked"
                title="All of the layer is seen"
                @click="fit(false)"
              >
                All of it in the frame
              </button>
              <button
                class="bare link"
                :disabled="locked"
                title="All of the frame is covered"
                @click="fit(true)"
              >
                Covers the frame
              </button>
            </span>
          </div>
          <button
            class="bare link"
            :disabled="locked"
            :aria-pressed="view.tool === 'anchor'"
            @click="view.tool = view.tool === 'anchor' ? 'choose' : 'anchor'"
          >
            {{
              view.tool === 'anchor'
                ? 'Click on the Picture to put the anchor there'
                : 'Put the anchor elsewhere'
            }}
          </button>
        </template>
        <TimeSection v-else-if="section === 'Time'" :layer="layer" :locked="locked" />
        <CutSection v-else-if="section === 'Cut'" :layer="layer" :properties="properties" :locked="locked" />
        <template v-else>
          <div class="line">
            <span class="label">Blend</span>
            <Select
              class="grow"
              size="small"
              aria-label="Blend mode"
              :disabled="locked"
              :value="layer.blend"
              :options="BLENDS"
              @change="(v) => shot.setField(layer!.id, 'blend', v, 'Blend')"
            />
          </div>
          <PropertyRow v-for="p in starting('place.opacity')" :key="p.name" :property="p" :locked="locked" />
        </template>
        <EaseEditor v-if="chosenKey" />
      </div>
    </template>
    <div v-else class="empty">
      <template v-if="shot.list.length">
        <p>Choose a layer in the rows below or on the Picture.</p>
      </template>
      <p v-else>Nothing in this shot yet: begin on the Picture.</p>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--panel);
  border-right: 1px solid #0c0c0c;
}
.head {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 9px 12px 5px;
}
.name {
  font-weight: 600;
  padding-left: 2px;
}
.stances {
  margin: 8px 12px 0;
}
.sections {
  margin: 0 12px 8px;
}
/* Shadows at the ends tell that there is more: they scroll away with what covers them. */
.body {
  flex: 1;
  overflow: auto;
  background:
    linear-gradient(var(--panel) 40%, transparent) top / 100% 28px no-repeat local,
    linear-gradient(transparent, var(--panel) 60%) bottom / 100% 28px no-repeat local,
    linear-gradient(#0009, transparent) top / 100% 10px no-repeat scroll,
    linear-gradient(transparent, #0009) bottom / 100% 10px no-repeat scroll;
  padding: 0 12px 12px;
}
.line {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 6px;
  align-items: center;
  min-height: 30px;
}
.label,
dt {
  color: var(--quiet);
}
.grow {
  min-width: 0;
}
.why {
  margin: 0 12px 8px;
  color: var(--quiet);
}
.body .why {
  margin: 4px 0;
}
.adding {
  padding-top: 8px;
}
.empty {
  padding: 16px 4px;
}
.empty p {
  margin: 0 12px 10px;
}
.thumb {
  width: 100%;
  display: block;
  margin-bottom: 8px;
  background: #000;
}
dl {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 4px 6px;
  margin: 0;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.link {
  color: var(--accent);
  padding-left: 0;
}
</style>
