<script setup lang="ts">
import { Dropdown, Input, Menu, MenuDivider, MenuItem, message } from 'ant-design-vue';
import {
  CaretRightOutlined,
  CheckOutlined,
  PauseOutlined,
  RetweetOutlined,
  StepBackwardOutlined,
  StepForwardOutlined,
  VerticalLeftOutlined,
  VerticalRightOutlined,
} from '@ant-design/icons-vue';
import { computed, nextTick, ref, watch } from 'vue';
import { framesPerSecond, timecode, typedTime } from '../lib/timecode';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useLooking } from '../stores/looking';
import { usePlayback } from '../stores/playback';
import { useShot } from '../stores/shot';
import { useView, type See } from '../stores/view';
import GuidesMenu from './GuidesMenu.vue';

const view = useView();
const shot = useShot();
const desk = useDesk();
const frames = useFrames();
const playback = usePlayback();
const looking = useLooking();
const typed = ref('');

const rate = computed(() => shot.shot?.format.rate ?? '24');
const time = computed(() => timecode(view.frame, rate.value));
const SEES: Record<See, string> = {
  picture: 'picture',
  'on-black': 'on black',
  'on-white': 'on white',
  'on-checker': 'on checker',
  matte: 'matte',
  heat: 'alpha as heat',
};
const QUALITIES: [number, string][] = [
  [1, 'full'],
  [0.5, '½'],
  [0.25, '¼'],
];
const ZOOMS: ('fit' | number)[] = ['fit', 0.25, 0.5, 1, 2, 4];
const zoomName = (z: 'fit' | number) => (z === 'fit' ? 'fit' : `${Math.round(z * 100)} %`);
const perSecond = computed(() => Math.round(framesPerSecond(rate.value)));
const quality = computed(() => QUALITIES.find(([s]) => s === view.scale)?.[1] ?? '½');

function see(how: See) {
  looking.ground = undefined;
  view.see = how;
}
function on(colour: string) {
  looking.ground = colour;
  view.see = 'picture';
}

/** To a typed time, or to the marker of that name. */
function go() {
  if (!view.typingTime) return;
  view.typingTime = false;
  const name = typed.value.trim().toLowerCase();
  const marker = shot.shot?.markers.find((m) => m.name.toLowerCase() === name);
  const frame = marker?.at ?? typedTime(typed.value, rate.value, view.frame);
  if (frame !== undefined) desk.go(frame);
  else if (name)
    void message.warning(`“${typed.value.trim()}” is no time and no marker: 36, 1.5s, 00:00:01:12, +12.`);
}

watch(
  () => view.typingTime,
  (on) => {
    if (!on) return;
    typed.value = String(view.frame);
    void nextTick(() => (field.value?.$el as HTMLInputElement | undefined)?.select());
  },
);
const field = ref<InstanceType<typeof Input>>();

function typedKey(e: KeyboardEvent) {
  e.stopPropagation();
  if (e.key === 'Escape') view.typingTime = false;
}
</script>

<template>
  <div class="transport">
    <button class="bare" aria-label="To the first frame" title="First frame (Home)" @click="desk.go(0)">
      <VerticalRightOutlined />
    </button>
    <button
      class="bare"
      aria-label="One frame back"
      title="One frame back (←)"
      @click="desk.go(view.frame - 1)"
    >
      <StepBackwardOutlined />
    </button>
    <button
      class="bare play"
      :aria-label="view.playing ? 'Pause' : 'Play'"
      title="Play (Space)"
      @click="playback.toggle()"
    >
      <PauseOutlined v-if="view.playing" /><CaretRightOutlined v-else />
    </button>
    <button
      class="bare"
      aria-label="One frame forward"
      title="One frame forward (→)"
      @click="desk.go(view.frame + 1)"
    >
      <StepForwardOutlined />
    </button>
    <button class="bare" aria-label="To the last frame" title="Last frame (End)" @click="desk.go(1e9)">
      <VerticalLeftOutlined />
    </button>
    <button
      class="bare"
      :class="{ on: view.loop }"
      :aria-pressed="view.loop"
      aria-label="Loop"
      title="Loop (L)"
      @click="view.loop = !view.loop"
    >
      <RetweetOutlined />
    </button>
    <Input
      v-if="view.typingTime"
      ref="field"
      v-model:value="typed"
      class="typed"
      size="small"
      aria-label="Go to time"
      autofocus
      @keydown="typedKey"
      @press-enter="go"
      @blur="go"
    />
    <button
      v-else
      class="bare time"
      aria-label="Time; press to type"
      title="36, 1.5s, 00:00:01:12, +12, a marker's name (Z)"
      @click="view.typingTime = true"
    >
      <strong>{{ time }}</strong> <span class="quiet">frame {{ view.frame }}</span>
    </button>
    <button
      class="bare auto"
      :class="{ armed: view.autoKey }"
      :aria-pressed="view.autoKey"
      title="Every change of a value sets a key on this frame (V)"
      @click="view.autoKey = !view.autoKey"
    >
      <span class="ring" aria-hidden="true"></span>{{ view.autoKey ? 'Changes set keys' : 'Auto-key' }}
    </button>
    <span v-if="frames.problem" class="warn" role="alert">{{ frames.problem }}</span>
    <span class="spring"></span>
    <span
      v-if="view.playing"
      class="quiet pace"
      data-testid="pace"
      title="Frames shown in the last second, of those that the shot has; and those that came late or not at all"
      >{{ playback.pace }} of {{ perSecond }} a second · {{ playback.late }} late</span
    >
    <span v-else-if="!playback.fits.all" class="quiet pace" data-testid="fits">{{ playback.fits.says }}</span>
    <Dropdown :trigger="['click']">
      <button class="bare" aria-label="See as">
        <span class="quiet">See as</span>
        {{ view.look.alone ? 'one layer, ' : ''
        }}{{ view.see === 'picture' && looking.ground ? 'on a colour' : SEES[view.see] }}
      </button>
      <template #overlay>
        <Menu>
          <MenuItem v-for="(label, s) in SEES" :key="s" @click="see(s)">{{ label }}</MenuItem>
          <MenuItem key="colour" @click.stop>
            <label class="colour"
              >on a colour
              <input
                type="color"
                aria-label="Colour to see the picture on"
                :value="looking.ground ?? '#4a6a80'"
                @input="on(($event.target as HTMLInputElement).value)"
                @click.stop
            /></label>
          </MenuItem>
          <MenuDivider />
          <MenuItem
            key="alone"
            role="menuitemcheckbox"
            :aria-checked="view.alone"
            @click="view.alone = !view.alone"
          >
            <CheckOutlined v-if="view.alone" /> the chosen layer alone
          </MenuItem>
        </Menu>
      </template>
    </Dropdown>
    <Dropdown :trigger="['click']">
      <button class="bare" aria-label="Quality" :title="playback.fits.says">
        <span class="quiet">Quality</span> {{ quality }}
      </button>
      <template #overlay>
        <Menu>
          <MenuItem v-for="[s, label] in QUALITIES" :key="s" @click="view.scale = s">{{ label }}</MenuItem>
        </Menu>
      </template>
    </Dropdown>
    <Dropdown :trigger="['click']">
      <button class="bare" aria-label="Zoom">
        <span class="quiet">Zoom</span> {{ zoomName(view.zoom) }}
      </button>
      <template #overlay>
        <Menu>
          <MenuItem v-for="z in ZOOMS" :key="z" @click="view.zoom = z">{{ zoomName(z) }}</MenuItem>
        </Menu>
      </template>
    </Dropdown>
    <GuidesMenu />
  </div>
</template>

<style scoped>
.transport button {
  white-space: nowrap;
}
.transport {
  display: flex;
  align-items: center;
  gap: 4px;
  height: 36px;
  padding: 0 12px;
  background: var(--panel);
  border-top: 1px solid #0c0c0c;
}
.play {
  font-size: 18px;
}
.time {
  gap: 10px;
  margin-left: 6px;
}
.typed {
  width: 130px;
}
.on {
  color: var(--accent);
}
.auto {
  gap: 6px;
}
.ring {
  width: 9px;
  height: 9px;
  border: 1.5px solid currentColor;
  border-radius: 50%;
}
.armed {
  color: var(--warn);
}
.armed .ring {
  background: var(--warn);
}
.quiet {
  color: var(--quiet);
}
.colour {
  display: flex;
  align-items: center;
  gap: 8px;
}
.pace {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
  font-variant-numeric: tabular-nums;
}
.spring {
  flex: 1;
}
.warn {
  min-width: 0;
  color: var(--warn);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
