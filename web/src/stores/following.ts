import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, type Content } from '../api/client';
import type { Pair } from '../lib/affine';
import { freshId } from '../lib/layers';
import { useFrames } from './frames';
import { useProject } from './project';
import { useShot } from './shot';
import { useView } from './view';

export type Track = Extract<Content, { kind: 'footage' }>['tracks'][number];
export type TrackKind = Track['kind'];

export const MARKS: Record<TrackKind, number> = { point: 1, pair: 2, corners: 4, region: 4 };

/** Marks in clips: setting them, having them followed, and what is seen of that as it goes. */
export const useFollowing = defineStore('following', () => {
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  const project = useProject();

  /** The track that is worked on. */
  const chosen = ref<string>();
  /** What is being marked, and the marks that have been set so far, in pixels of the shot. */
  const kind = ref<TrackKind>('point');
  const placed = ref<Pair[]>([]);
  /** The job that follows a track, by the track. */
  const jobs = ref<Record<string, string>>({});

  /** Takes up marking: each press on the Picture sets a mark. */
  function mark(what: TrackKind) {
    kind.value = what;
    placed.value = [];
    view.tool = 'mark';
  }

  async function place(at: Pair) {
    placed.value = [...placed.value, at];
    if (placed.value.length === MARKS[kind.value]) {
      const marks = placed.value;
      placed.value = [];
      view.tool = 'choose';
      await add(marks);
    }
  }

  async function add(marks: Pair[]) {
    const newId = freshId();
    const edit = { kind: 'add-track', layer: view.layer, newId, what: kind.value, marks, frame: view.frame };
    if (await shot.edit('Mark', { edit })) chosen.value = newId;
  }

  /** Marks in the middle of the Picture, for whoever has no pointer: they are moved by the arrow keys then. */
  function markMiddle(what: TrackKind) {
    kind.value = what;
    const f = shot.shot?.format;
    if (!f) return;
    const [x, y] = [f.width / 2, f.height / 2];
    const d = Math.min(f.width, f.height) / 8;
    const all: Pair[] =
      MARKS[what] === 1
        ? [[x, y]]
        : MARKS[what] === 2
          ? [
              [x - d, y],
              [x + d, y],
            ]
          : [
              [x - d, y - d],
              [x + d, y - d],
              [x + d, y + d],
              [x - d, y + d],
            ];
    void add(all);
  }

  async function start(layer: string, track: string, range: { from?: number; to?: number }, quick = false) {
    try {
      const { job } = await api.follow(shot.view?.id ?? '', layer, track, { ...range, quick });
      jobs.value = { ...jobs.value, [track]: job };
      await project.refresh();
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e), 6);
    }
  }

  async function stop(track: string) {
    const job = jobs.value[track];
    if (job) await api.cancel(job);
    await project.refresh();
  }

  /** The state of the job that follows a track, while it does. */
  function working(track: string) {
    const job = project.jobs.find((j) => j.id === jobs.value[track]);
    return job && (job.state === 'WAITING' || job.state === 'RUNNING') ? job : undefined;
  }

  /** Why the last following of a track came to no good end. */
  function why(track: string) {
    const job = project.jobs.find((j) => j.id === jobs.value[track]);
    return job?.state === 'FAILED' ? job.message : '';
  }

  /** Every track of the shot, with the clip that has it. */
  const all = computed(() =>
    shot
      .everyLayer()
      .flatMap((l) =>
        l.content.kind === 'footage' ? l.content.tracks.map((track) => ({ layer: l, track })) : [],
      ),
  );

  /** What is being followed, as far as it has come. */
  const live = computed(() => frames.following);

  function reveal(layer: string, clip: string, track: string, hides: boolean) {
    const edit = { kind: 'reveal-behind', layer, clip, track, hides };
    return shot.edit(hides ? 'Hidden by a mark' : 'Uncovered by a mark', { edit });
  }

  function pin(layer: string, clip: string | null, track: string | null) {
    const edit = { kind: 'set-pin', layer, clip, track, frame: view.frame };
    return shot.edit(track ? 'Pin to a mark' : 'Free from the mark', { edit });
  }

  return {
    chosen,
    kind,
    placed,
    mark,
    markMiddle,
    place,
    start,
    stop,
    working,
    why,
    all,
    live,
    reveal,
    pin,
  };
});
