import type { ATitleShotOfAperta, Layer as LooseLayer } from './document';
import type { LayerAnimation } from '../lib/layers';
import type { components } from './schema';

type Schemas = components['schemas'];

/** What the server writes has every field; only what people write may leave some out. */
type Whole<T> = T extends readonly unknown[]
  ? { [K in keyof T]: Whole<T[K]> }
  : T extends object
    ? { [K in keyof T]-?: Whole<T[K]> }
    : T;

export type Shot = Whole<ATitleShotOfAperta>;
export type Layer = Whole<LooseLayer>;
export type Content = Layer['content'];
export type Mask = Layer['masks'][number];
export type Ease =
  | 'hold'
  | 'linear'
  | 'ease'
  | 'ease-in'
  | 'ease-out'
  | 'ease-in-out'
  | [number, number, number, number]
  | { spring: number };
export type Project = Schemas['ProjectView'];
export type Media = Schemas['MediaView'];
export type Room = Schemas['Room'];
export type OutputView = Schemas['OutputView'];
export type Font = Schemas['FontView'];
export type Job = Schemas['JobView'];
export type State = Schemas['State'];
export type Parameter = Required<Schemas['Parameter']>;
export type Descriptor = Required<Omit<Schemas['Descriptor'], 'parameters'>> & { parameters: Parameter[] };
/** An effect as it can be added: what it is used for, and where in the chain it goes. */
export type EffectView = Omit<Schemas['EffectView'], 'descriptor'> & { descriptor: Descriptor };
export type LayerEffect = Layer['effects'][number];
export type Passage = NonNullable<Layer['arrive']>;
export type KeptOpening = Omit<Schemas['KeptView'], 'passage'> & { passage: Passage };
export type KeptChain = Omit<Schemas['ChainView'], 'effects'> & { effects: LayerEffect[] };
export type EffectCost = Schemas['Cost'];
export type NewShot = Schemas['NewShot'];
export type ShotView = Omit<Schemas['ShotView'], 'shot' | 'animation'> & {
  shot: Shot;
  /** What moves in each layer, by its id. */
  animation: Record<string, LayerAnimation>;
};

/** A change of a shot: a JSON Patch of it, of one of its layers or of each of several, or an edit that the server knows the rules of. */
export type Change =
  | { layer?: string; patch: PatchOperation[] }
  | { layers: string[]; patch: PatchOperation[] }
  | { edit: { kind: string; [field: string]: unknown } };
export interface PatchOperation {
  op: 'add' | 'remove' | 'replace' | 'move' | 'copy' | 'test';
  path: string;
  from?: string;
  value?: unknown;
}

/** An error answer: problem details after RFC 9457. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail);
  }
}

async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    const form = body instanceof FormData;
    response = await fetch(path, {
      method,
      body: body === undefined ? undefined : form ? body : JSON.stringify(body),
      headers: body === undefined || form ? {} : { 'content-type': 'application/json' },
    });
  } catch {
    throw new Problem(0, 'Aperta does not answer. Is it still running?');
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string };
    throw new Problem(response.status, problem.detail ?? `The server answered ${response.status}.`);
  }
  return response;
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await ask(method, path, body);
  return response.status === 204 ? (undefined as T) : ((await response.json()) as T);
}

export const api = {
  projects: () => call<Project[]>('GET', '/api/projects'),
  createProject: (name: string) => call<Project>('POST', '/api/projects', { name }),
  renameProject: (id: string, name: string) => call<Project>('PUT', `/api/projects/${id}`, { name }),
  deleteProject: (id: string) => call<undefined>('DELETE', `/api/projects/${id}`),
  createShot: (project: string, shot: NewShot) =>
    call<ShotView>('POST', `/api/projects/${project}/shots`, shot),
  project: (id: string) => call<Project>('GET', `/api/projects/${id}`),
  deleteShot: (id: string) => call<undefined>('DELETE', `/api/shots/${id}`),
  restoreShot: (id: string) => call<ShotView>('POST', `/api/shots/${id}/restore`),
  copyShot: (id: string) => call<ShotView>('POST', `/api/shots/${id}/copy`),
  moveShot: (id: string, project: string) => call<ShotView>('POST', `/api/shots/${id}/move`, { project }),
  /** Layers with those that they name. */
  copiedLayers: (id: string, layers: string[]) =>
    call<Layer[]>('POST', `/api/shots/${id}/copied-layers`, { layers }),
  paste: (id: string, revision: number, label: string, paste: object) =>
    call<ShotView>('POST', `/api/shots/${id}/paste`, { revision, label, paste }),
  shot: (id: string) => call<ShotView>('GET', `/api/shots/${id}`),
  edit: (id: string, revision: number, label: string, change: Change) =>
    call<ShotView>('POST', `/api/shots/${id}/edits`, { revision, label, ...change }),
  undo: (id: string, revision: number) => call<ShotView>('POST', `/api/shots/${id}/undo`, { revision }),
  redo: (id: string, revision: number) => call<ShotView>('POST', `/api/shots/${id}/redo`, { revision }),
  states: (id: string) => call<State[]>('GET', `/api/shots/${id}/states`),
  /** The properties of a layer that can be followed. */
  numbers: (id: string, layer: string) =>
    call<Schemas['PropertyView'][]>('GET', `/api/shots/${id}/layers/${encodeURIComponent(layer)}/numbers`),
  /** Keys with their values, as they are pasted. */
  copiedKeys: (id: string, keys: { layer: string; property: string; at: number }[]) =>
    call<{ tracks: object[] }>('POST', `/api/shots/${id}/copied-keys`, { keys }),
  jump: (id: string, revision: number, edit: number | null) =>
    call<ShotView>('POST', `/api/shots/${id}/jump`, { revision, edit }),
  /** What a shot sounds like, as the bytes of a WAV file; nothing where it is silent. */
  sound: async (id: string) => {
    const response = await ask('GET', `/api/shots/${id}/sound.wav`);
    return response.status === 204 ? undefined : response.arrayBuffer();
  },
  peaks: (media: string) => call<number[]>('GET', `/api/media/${media}/peaks?count=2000`),
  recipes: () =>
    call<{
      openings: Descriptor[];
      signals: Descriptor[];
      windows: Descriptor[];
      effects: EffectView[];
      textures: Descriptor[];
      pose: Descriptor;
    }>('GET', '/api/recipes'),
  media: (project: string) => call<Media[]>('GET', `/api/projects/${project}/media`),
  bring: (project: string, files: File[], rate: string) => {
    const form = new FormData();
    files.forEach((f) => form.append('file', f, f.name));
    form.append('rate', rate);
    return call<Media>('POST', `/api/projects/${project}/media`, form);
  },
  /** An SVG file as a group of shapes, and a sentence for each kind of thing that wasn't taken over. */
  readSvg: (shot: string, file: File, layer: string) => {
    const form = new FormData();
    form.append('file', file, file.name);
    form.append('name', file.name.replace(/\.[^.]+$/, ''));
    form.append('layer', layer);
    return call<{ layers: Layer[]; left: string[] }>('POST', `/api/shots/${shot}/read-svg`, form);
  },
  svgUrl: (shot: string, layer: string, frame: number) =>
    `/api/shots/${shot}/layers/${encodeURIComponent(layer)}/shape.svg?frame=${frame}`,
  removeMedia: (id: string) => call<undefined>('DELETE', `/api/media/${id}`),
  /** How many bytes files take. */
  room: () => call<Room>('GET', '/api/room'),
  fonts: (project: string) => call<Font[]>('GET', `/api/projects/${project}/fonts`),
  /** Arrivals and departures that are kept by name in a project. */
  keptOpenings: (project: string) => call<KeptOpening[]>('GET', `/api/projects/${project}/openings`),
  keepOpening: (project: string, name: string, passage: object) =>
    call<KeptOpening>('POST', `/api/projects/${project}/openings`, { name, passage }),
  renameOpening: (id: string, name: string) => call<KeptOpening>('PUT', `/api/openings/${id}`, { name }),
  removeOpening: (id: string) => call<undefined>('DELETE', `/api/openings/${id}`),
  chains: (project: string) => call<KeptChain[]>('GET', `/api/projects/${project}/chains`),
  keepChain: (project: string, name: string, effects: LayerEffect[]) =>
    call<KeptChain>('POST', `/api/projects/${project}/chains`, { name, effects }),
  removeChain: (id: string) => call<undefined>('DELETE', `/api/chains/${id}`),
  costs: (shot: string, layer: string, frame: number, scale: number) =>
    call<EffectCost[]>('GET', `/api/shots/${shot}/costs?layer=${layer}&frame=${frame}&scale=${scale}`),
  outputs: () => call<OutputView[]>('GET', '/api/outputs'),
  render: (shot: string, output: string, workRange: boolean) =>
    call<{ job: string }>('POST', `/api/shots/${shot}/renders`, { output, workRange }),
  follow: (
    shot: string,
    layer: string,
    track: string,
    wish: { from?: number; to?: number; quick?: boolean },
  ) => call<{ job: string }>('POST', `/api/shots/${shot}/layers/${layer}/tracks/${track}/follow`, wish),
  carry: (shot: string, layer: string, wish: { from?: number; to?: number }) =>
    call<{ job: string }>('POST', `/api/shots/${shot}/layers/${layer}/cut-out/carry`, wish),
  /** What the strokes on a frame of a clip find of a figure, in pixels of the clip. */
  figureOn: (shot: string, layer: string, frame: number) =>
    call<{ frame: number; outlines: number[][][] }>(
      'GET',
      `/api/shots/${shot}/layers/${layer}/cut-out/frames/${frame}`,
    ),
  jobs: (project: string) => call<Job[]>('GET', `/api/projects/${project}/jobs`),
  cancel: (job: string) => call<Job>('POST', `/api/jobs/${job}/cancel`),
  retry: (job: string) => call<Job>('POST', `/api/jobs/${job}/retry`),
};
