import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { api, type Font, type Job, type Media, type Project } from '../api/client';

const POLL_MS = 700;

/** What the shot's project holds beside the shot: media, fonts and jobs. */
export const useProject = defineStore('project', () => {
  const id = ref('');
  const media = ref<Media[]>([]);
  const fonts = ref<Font[]>([]);
  const shots = ref<Project['shots']>([]);
  const jobs = ref<Job[]>([]);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const faces = new Set<string>();

  const busy = computed(() => jobs.value.filter((j) => j.state === 'WAITING' || j.state === 'RUNNING'));

  async function open(project: string) {
    id.value = project;
    await refresh();
  }

  function close() {
    id.value = '';
    clearTimeout(timer);
  }

  async function refresh() {
    clearTimeout(timer);
    const project = id.value;
    if (!project) return;
    try {
      [media.value, jobs.value, fonts.value] = await Promise.all([
        api.media(project),
        api.jobs(project),
        api.fonts(project),
      ]);
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
    }
    if (busy.value.length > 0 || media.value.some((m) => m.state === 'IMPORTING')) {
      timer = setTimeout(() => void refresh(), POLL_MS);
    }
  }

  /** The shots of the project, as they are now. */
  async function lookAtShots() {
    try {
      shots.value = (await api.project(id.value)).shots;
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
    }
  }

  /** Brings files in, one after the other; numbered pictures of one name come as a sequence. */
  async function bring(files: File[], rate: string): Promise<Media[]> {
    const brought: Media[] = [];
    for (const part of together(files)) {
      try {
        brought.push(await api.bring(id.value, part, rate));
      } catch (e) {
        void message.error(e instanceof Error ? e.message : String(e), 8);
      }
      await refresh();
    }
    return brought;
  }

  /** A medium once it has been read through; nothing where it is of no use. */
  function ready(media_: string): Promise<Media | undefined> {
    return new Promise((resolve) => {
      const stop = watch(
        () => find(media_)?.state,
        (state) => {
          if (state === 'IMPORTING') return;
          resolve(state === 'READY' ? find(media_) : undefined);
          queueMicrotask(() => stop());
        },
        { flush: 'post', immediate: true },
      );
    });
  }

  /** Makes a font known to the page, so that its name can be shown in its own face. */
  async function face(font: string) {
    if (faces.has(font)) return;
    faces.add(font);
    const loaded = await new FontFace(`aperta-${font}`, `url(/api/fonts/${font})`)
      .load()
      .catch(() => undefined);
    if (loaded) document.fonts.add(loaded);
  }

  const find = (media_: string) => media.value.find((m) => m.id === media_);

  return {
    id,
    media,
    fonts,
    shots,
    lookAtShots,
    jobs,
    busy,
    open,
    close,
    refresh,
    bring,
    ready,
    face,
    find,
  };
});

const NUMBERED = /^(.*?)(\d+)\.(png|jpe?g|tiff?|webp|exr|dpx)$/i;

/** Numbered pictures with one name are one sequence; everything else comes by itself. */
export function together(files: File[]): File[][] {
  const groups = new Map<string, File[]>();
  for (const file of files) {
    const m = NUMBERED.exec(file.name);
    const name = m ? `${m[1]}.${m[3]?.toLowerCase()}` : `one:${file.name}:${groups.size}`;
    groups.set(name, [...(groups.get(name) ?? []), file]);
  }
  return [...groups.values()];
}
