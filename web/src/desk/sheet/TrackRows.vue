<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import { Button, Checkbox, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Content, Layer } from '../../api/client';
import NumberField from '../../fields/NumberField.vue';
import SheetHead from '../../fields/SheetHead.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useFollowing, type Track, type TrackKind } from '../../stores/following';
import { useFrames } from '../../stores/frames';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import JobProgress from './JobProgress.vue';

/** The marks of a clip: set, followed, corrected, and what goes with them. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const following = useFollowing();

const clip = computed(() => props.layer.content as Extract<Content, { kind: 'footage' }>);
const KINDS: { kind: TrackKind; label: string; does: string }[] = [
  { kind: 'point', label: '+ point', does: 'A place' },
  { kind: 'pair', label: '+ two points', does: 'Place, turn and scale' },
  { kind: 'corners', label: '+ four corners', does: 'Perspective, corner by corner' },
  { kind: 'region', label: '+ region', does: 'Perspective of something flat, by all that is seen of it' },
];
const LOST = [
  { value: 'go-on', label: 'goes on as it went' },
  { value: 'stop', label: 'ends there' },
];
const WORDS: Record<string, string> = {
  found: 'found',
  guessed: 'guessed',
  hand: 'set by hand',
  'left-out': 'left out',
};

const now = (t: Track) =>
  frames.handles?.layer === props.layer.id ? frames.handles.tracks.find((m) => m.id === t.id) : undefined;
const isOpen = (t: Track) => following.chosen === t.id || clip.value.tracks.length === 1;

function set(t: Track, field: string, value: unknown, label: string) {
  const index = clip.value.tracks.indexOf(t);
  void shot.setField(props.layer.id, `content/tracks/${index}/${field}`, value, label);
}

/** A press without a pointer sets the marks in the middle. */
function mark(e: MouseEvent, kind: TrackKind) {
  if (e.detail === 0) following.markMiddle(kind);
  else following.mark(kind);
}

function follow(t: Track, way: 'back' | 'both' | 'on') {
  following.chosen = t.id;
  const here = now(t)?.frame ?? t.at;
  const range = way === 'back' ? { to: here } : way === 'on' ? { from: here } : {};
  void following.start(props.layer.id, t.id, range);
}

function step(t: Track, is: 'fixed' | 'free' | 'left-out', label: string) {
  void shot.edit(label, {
    edit: { kind: 'set-step', layer: props.layer.id, track: t.id, is, frame: view.frame },
  });
}

const remove = (t: Track) =>
  shot.edit('Remove track', {
    edit: { kind: 'remove-track', layer: props.layer.id, track: t.id, frame: view.frame },
  });
const hold = (t: Track) =>
  shot.edit('Hold still', {
    edit: { kind: 'hold-still', layer: props.layer.id, track: clip.value.steady === t.id ? null : t.id },
  });

const others = computed(() =>
  shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id && l.content.kind !== 'sound')
    .map((l) => ({ value: l.id, label: l.name })),
);
const siblings = computed(() => {
  const own = shot.row(props.layer.id)?.group;
  return others.value.filter((o) => shot.row(o.value)?.group === own);
});

function seen(t: Track) {
  const m = now(t);
  if (!m?.by) return 'not followed as far as here';
  return `${WORDS[m.by] ?? m.by}, ${Math.round((m.sure ?? 0) * 100)} % sure`;
}
const length = (t: Track) => t.path.steps.length;
</script>

<template>
  <SheetHead title="Marks">
    <span v-if="clip.tracks.length" class="count">{{ clip.tracks.length }}</span>
  </SheetHead>
  <div class="add">
    <button
      v-for="k in KINDS"
      :key="k.kind"
      class="bare link"
      :class="{ on: view.tool === 'mark' && following.kind === k.kind }"
      :disabled="locked"
      :title="`${k.does}: press ${k.kind === 'point' ? 'on it' : k.kind === 'pair' ? 'on both' : 'on its corners, one after the other'} on the Picture`"
      @click="mark($event, k.kind)"
    >
      {{ k.label }}
    </button>
  </div>
  <p v-if="view.tool === 'mark'" class="why" role="status">
    {{
      following.kind === 'point'
        ? 'Press on what is to be followed.'
        : following.kind === 'pair'
          ? `Press on both points (${following.placed.length} of 2).`
          : `Press on the corners, going round (${following.placed.length} of 4).`
    }}
  </p>
  <div
    v-for="t in clip.tracks"
    :key="t.id"
    class="track"
    :class="{ chosen: isOpen(t) }"
    :data-testid="`track-${t.name}`"
    @pointerdown="following.chosen = t.id"
  >
    <div class="head">
      <input
        class="name"
        :value="t.name"
        :disabled="locked"
        :aria-label="`Name of ${t.name}`"
        @change="(e) => set(t, 'name', (e.target as HTMLInputElement).value, 'Name of the track')"
        @keydown.stop="(e) => e.key === 'Enter' && (e.target as HTMLInputElement).blur()"
      />
      <button class="bare" :disabled="locked" :aria-label="`Remove ${t.name}`" @click.stop="remove(t)">
        <DeleteOutlined />
      </button>
    </div>
    <template v-if="isOpen(t)">
      <JobProgress
        v-if="following.working(t.id)"
        :label="`${t.name} is followed`"
        :done="following.live?.track === t.id ? following.live.done : 0"
        :total="following.live?.track === t.id ? following.live.total : 1"
        @stop="following.stop(t.id)"
      />
      <div v-else class="go">
        <Button size="small" :disabled="locked" title="From here backwards" @click="follow(t, 'back')">
          ← follow
        </Button>
        <Button size="small" :disabled="locked" title="Through the whole clip" @click="follow(t, 'both')">
          follow both ways
        </Button>
        <Button size="small" :disabled="locked" title="From here forwards" @click="follow(t, 'on')">
          follow →
        </Button>
      </div>
      <p v-if="following.why(t.id)" class="why">{{ following.why(t.id) }}</p>
      <p class="why" data-testid="track-here">
        Here: {{ seen(t) }}<template v-if="length(t) > 1">; {{ length(t) }} frames known</template>
      </p>
      <div v-if="now(t)?.by && now(t)?.frame !== t.at" class="go">
        <Button
          v-if="now(t)?.by !== 'hand'"
          size="small"
          :disabled="locked"
          title="Stays where it is whatever is followed"
          @click="step(t, 'fixed', 'Fix the mark here')"
        >
          fix here
        </Button>
        <Button v-else size="small" :disabled="locked" @click="step(t, 'free', 'Free the mark here')">
          free again
        </Button>
        <Button
          v-if="now(t)?.by !== 'left-out'"
          size="small"
          :disabled="locked"
          title="What lies between the frames beside it counts"
          @click="step(t, 'left-out', 'Leave out')"
        >
          leave out
        </Button>
        <Button v-else size="small" :disabled="locked" @click="step(t, 'free', 'Take in again')">
          take in again
        </Button>
      </div>
      <SheetLine label="Patch">
        <NumberField
          :value="t.patch"
          label="Patch"
          unit="px"
          :least="8"
          :most="400"
          :step="1"
          :decimals="0"
          :disabled="locked"
          @commit="(v) => set(t, 'patch', v, 'Patch')"
        />
      </SheetLine>
      <SheetLine label="Reach">
        <NumberField
          :value="t.reach"
          label="Reach"
          unit="px"
          :least="0"
          :most="800"
          :step="1"
          :decimals="0"
          :disabled="locked"
          @commit="(v) => set(t, 'reach', v, 'Reach')"
        />
      </SheetLine>
      <SheetLine label="Where lost">
        <Select
          size="small"
          aria-label="Where it is lost"
          :disabled="locked"
          :value="t.lost"
          :options="LOST"
          @change="(v) => set(t, 'lost', v, 'Where it is lost')"
        />
      </SheetLine>
      <SheetLine label="Smoothed">
        <NumberField
          :value="t.smooth"
          label="Smoothed"
          unit="fr"
          :least="0"
          :most="60"
          :step="0.5"
          :decimals="1"
          :disabled="locked"
          @commit="(v) => set(t, 'smooth', v, 'Smooth the path')"
        />
      </SheetLine>
      <SheetLine label="Pin to it">
        <Select
          size="small"
          aria-label="Pin a layer to it"
          placeholder="a layer…"
          :disabled="locked"
          :value="undefined"
          :options="siblings"
          @change="(v) => following.pin(String(v), layer.id, t.id)"
        />
      </SheetLine>
      <SheetLine label="Reveals">
        <Select
          size="small"
          aria-label="Reveal a layer behind it"
          placeholder="a layer behind it…"
          :disabled="locked"
          :value="undefined"
          :options="others"
          @change="(v) => following.reveal(String(v), layer.id, t.id, false)"
        />
      </SheetLine>
      <SheetLine label="Hides">
        <Select
          size="small"
          aria-label="Hide a layer behind it"
          placeholder="a layer behind it…"
          :disabled="locked"
          :value="undefined"
          :options="others"
          @change="(v) => following.reveal(String(v), layer.id, t.id, true)"
        />
      </SheetLine>
      <SheetLine label="">
        <Checkbox :disabled="locked" :checked="clip.steady === t.id" @change="hold(t)"
          >held still: the clip moves</Checkbox
        >
      </SheetLine>
    </template>
  </div>
</template>

<style scoped>
.count {
  color: var(--quiet);
}
.add,
.go {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 2px 0;
}
.go {
  gap: 4px;
}
.link {
  padding-left: 0;
  color: var(--accent);
}
.link.on {
  text-decoration: underline;
}
.track {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.track.chosen {
  border-left-color: #f4d35e;
}
.head,
.name {
  flex: 1;
  min-width: 0;
  border: 0;
  background: transparent;
  color: inherit;
  font: inherit;
  font-weight: 600;
}
.why {
  margin: 2px 0 4px;
  color: var(--quiet);
}
</style>
