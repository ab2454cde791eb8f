import { defineStore } from 'pinia';
import { Button, notification } from 'ant-design-vue';
import { h } from 'vue';
import { api, type Layer, type Media, type Project } from '../api/client';
import type { PaintForm } from '../lib/answers';
import type { Pair } from '../lib/affine';
import { freshId } from '../lib/layers';
import { framesPerSecond } from '../lib/timecode';
import { useProject } from './project';
import { useShot } from './shot';
import { useView } from './view';

/** Where a new layer goes: from a frame, at a place of the frame, above a layer. */
export interface Where {
  frame?: number;
  at?: Pair;
  above?: string;
}

/** What is dragged from the list of media carries its id as this type. */
export const MEDIA = 'application/x-aperta-media';

/** New layers, each as one would expect it: in the middle, as long as the shot or the clip, above what is chosen. */
export const useAdding = defineStore('adding', () => {
  const shot = useShot();
  const view = useView();
  const project = useProject();

  async function add(name: string, content: object, length?: number, where: Where = {}) {
    const s = shot.shot;
    if (!s) return;
    const id = freshId();
    const layer = {
      id,
      name,
      content,
      span: { in: where.frame ?? 0, length: length ?? s.length },
      place: { position: where.at ?? [s.format.width / 2, s.format.height / 2] },
    };
    const above = where.above ?? (shot.row(view.layer)?.depth === 0 ? view.layer : undefined);
    const done = await shot.edit(`Add ${name}`, { edit: { kind: 'add', layer, above: above ?? null } });
    if (done) view.choose(id);
  }

  function fill(kind: PaintForm) {
    const { width = 1920, height = 1080 } = shot.shot?.format ?? {};
    const stops = [
      { at: 0, colour: '#ffffff' },
      { at: 1, colour: '#000000' },
    ];
    const paints = {
      solid: { kind, colour: '#2f6f62' },
      linear: { kind, from: [0, -height / 2], to: [0, height / 2], stops },
      radial: { kind, centre: [0, 0], radius: height / 2, stops },
      conic: { kind, centre: [0, 0], angle: -90, stops },
    };
    const names = {
      solid: 'Colour',
      linear: 'Linear gradient',
      radial: 'Radial gradient',
      conic: 'Conic gradient',
    };
    return add(names[kind], { kind: 'fill', size: [width, height], paint: paints[kind] });
  }

  /** What works on all that lies below it. */
  /** A layer on which frames are drawn by hand, with the pen in the hand. */
  async function drawnFrames() {
    await add('Drawings', { kind: 'drawings' });
    view.tool = 'draw';
  }

  const adjustment = () => add('Adjustment', { kind: 'adjustment' });

  function texture(kind: string, label: string) {
    const { width = 1920, height = 1080 } = shot.shot?.format ?? {};
    return add(label, { kind: 'texture', size: [width, height], texture: { kind } });
  }

  function media(m: Media, where: Where = {}) {
    const s = shot.shot;
    if (!s || m.kind === 'FONT' || m.kind === 'TABLE') return Promise.resolve();
    if (m.kind === 'SOUND') {
      const seconds = m.frames / Number(m.rate);
      const length = Math.max(1, Math.ceil(seconds * framesPerSecond(s.format.rate)));
      return add(
        m.name.replace(/\.[^.]+$/, ''),
        { kind: 'sound', media: m.id },
        Math.min(length, s.length - (where.frame ?? view.frame)),
        { ...where, frame: where.frame ?? view.frame },
      );
    }
    const still = m.kind === 'STILL';
    const name = m.name.replace(/\.[^.]+$/, '');
    const [up = '24', down = '1'] = s.format.rate.split('/');
    const [clipUp = '24', clipDown = '1'] = m.rate.split('/');
    const frames = Math.max(
      1,
      Math.floor((m.frames * Number(up) * Number(clipDown)) / Number(down) / Number(clipUp)),
    );
    const first = s.layers.length === 0 && !still;
    // What fills the frame is put into its middle, wherever it is dropped.
    const fills = m.width >= 0.9 * s.format.width && m.height >= 0.9 * s.format.height;
    const left = s.length - (where.frame ?? 0);
    const added = add(
      name,
      { kind: still ? 'still' : 'footage', media: m.id },
      still ? left : Math.min(frames, left),
      fills ? { ...where, at: undefined } : where,
    );
    return first ? added.then(() => offerLike(m, name)) : added;
  }

  const KEY = 'like-clip';
  /** The first clip of a shot may say what the shot is like. */
  function offerLike(m: Media, name: string) {
    const s = shot.shot;
    const only = s?.layers[0] as { id: string } | undefined;
    const same =
      s?.format.width === m.width &&
      s.format.height === m.height &&
      s.format.rate === m.rate &&
      s.length === m.frames;
    if (!s || !only || same) return;
    notification.open({
      key: KEY,
      placement: 'bottomRight',
      duration: 15,
      message: `Make the shot like ${m.name}?`,
      description: `${m.width} × ${m.height} · ${m.rate} · ${m.frames} frames; it is ${s.format.width} × ${s.format.height} · ${s.format.rate} · ${s.length} frames now.`,
      btn: () =>
        h(
          Button,
          {
            type: 'primary',
            size: 'small',
            onClick: () => {
              notification.close(KEY);
              void makeLike(m, name, only.id);
            },
          },
          () => 'Make it like the clip',
        ),
    });
  }

  /** The shot gets size, rate and length of a clip, and the clip fills it. */
  async function makeLike(m: Media, name: string, clip: string) {
    const s = shot.shot;
    if (!s) return;
    const layer = {
      id: freshId(),
      name,
      content: { kind: 'footage', media: m.id },
      span: { in: 0, length: m.frames },
      place: { position: [m.width / 2, m.height / 2] },
    };
    const format = { ...s.format, width: m.width, height: m.height, rate: m.rate };
    const edits = [
      { kind: 'delete', layers: [clip] },
      { kind: 'relength', length: m.frames, inside: 'stays' },
      { kind: 'settings', name: s.name, format, shutter: s.shutter },
      { kind: 'add', layer, above: null },
    ];
    if (await shot.edit(`Like ${m.name}`, { edit: { kind: 'several', edits } })) view.choose(layer.id);
  }

  /** Another shot, as long as it lasts. */
  function nested(s: Project['shots'][number]) {
    const rate = framesPerSecond(shot.shot?.format.rate ?? '24');
    const length = Math.max(1, Math.ceil((s.length * rate) / framesPerSecond(s.rate) - 1e-9));
    return add(s.name, { kind: 'shot', shot: s.id }, length);
  }

  /** Adds what is dropped: files, which are brought in first, or a medium of the project. */
  async function dropped(data: DataTransfer | null, where: Where = {}) {
    const known = project.find(data?.getData(MEDIA) ?? '');
    if (known) await media(known, where);
    const files = [...(data?.files ?? [])];
    if (files.length) await brought(files, where);
  }

  /** A drawing of paths becomes shapes; what of it can't is said. */
  async function drawing(file: File) {
    const newId = freshId();
    try {
      const { layers, left } = await api.readSvg(shot.view?.id ?? '', file, newId);
      const added = await shot.edit(`Add ${file.name}`, {
        edit: { kind: 'add', layer: layers[0] as Layer, above: view.layer ?? null },
      });
      if (added) view.choose(newId);
      if (left.length) {
        notification.info({ message: file.name, description: left.join(' '), placement: 'bottomRight' });
      }
    } catch (e) {
      notification.error({
        message: `${file.name} can't be brought in`,
        description: e instanceof Error ? e.message : String(e),
        placement: 'bottomRight',
        duration: 0,
      });
    }
  }

  const isDrawing = (f: File) => f.type === 'image/svg+xml' || /\.svg$/i.test(f.name);

  /** Adds the drawings among some files as shapes, and gives the others back. */
  async function drawings(files: File[]): Promise<File[]> {
    for (const file of files.filter(isDrawing)) await drawing(file);
    return files.filter((f) => !isDrawing(f));
  }

  async function brought(all: File[], where: Where = {}) {
    const files = await drawings(all);
    if (files.length === 0) return;
    for (const m of await project.bring(files, shot.shot?.format.rate ?? '24')) {
      const now = await project.ready(m.id);
      if (now) await media(now, where);
    }
  }

  return { drawnFrames, adjustment, texture, fill, media, nested, dropped, brought, drawings };
});
