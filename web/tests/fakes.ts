import { createPinia, setActivePinia } from 'pinia';
import { vi } from 'vitest';
import type { Layer, Shot, ShotView } from '../src/api/client';
import type { LayerAnimation, MovingProperty } from '../src/lib/layers';

/** A socket whose other end is the test. */
export class FakeSocket {
  static last: FakeSocket;
  static readonly OPEN = 1;
  readonly OPEN = 1;
  readyState = 1;
  binaryType = '';
  sent: Record<string, unknown>[] = [];
  onopen: () => void = () => undefined;
  onclose: () => void = () => undefined;
  onmessage: (e: { data: string | ArrayBuffer }) => void = () => undefined;

  constructor(readonly url: string) {
    FakeSocket.last = this;
  }
  send(text: string) {
    this.sent.push(JSON.parse(text) as Record<string, unknown>);
  }
  close() {
    this.readyState = 3;
    this.onclose();
  }
  tell(message: object) {
    this.onmessage({ data: JSON.stringify(message) });
  }
  /** A frame as the server sends it: the header's length, the header, the numbers of paths, rows of RGBA. */
  frame(header: object, bytes: number, numbers: number[] = []) {
    const head = new TextEncoder().encode(JSON.stringify({ ...header, numbers: numbers.length }));
    const all = new Uint8Array(4 + head.length + 4 * numbers.length + bytes);
    const view = new DataView(all.buffer);
    view.setUint32(0, head.length);
    all.set(head, 4);
    numbers.forEach((n, i) => view.setInt32(4 + head.length + 4 * i, n, true));
    this.onmessage({ data: all.buffer });
  }
  of(type: string) {
    return this.sent.filter((m) => m.type === type);
  }
}

class FakeImage {
  constructor(
    readonly data: Uint8ClampedArray,
    readonly width: number,
    readonly height: number,
  ) {}
}

export function begin() {
  setActivePinia(createPinia());
  vi.stubGlobal('WebSocket', FakeSocket);
  vi.stubGlobal('ImageData', FakeImage);
  vi.stubGlobal('requestAnimationFrame', (f: (t: number) => void) =>
    setTimeout(() => f(performance.now()), 0),
  );
}

export function layer(id: string, extra: object = {}): Layer {
  return {
    id,
    name: id,
    content: { kind: 'footage', media: 'm' },
    span: { in: 0, length: 48, offset: 0 },
    place: { anchor: [0, 0], position: [0, 0], scale: [1, 1], rotation: 0, opacity: 1 },
    pace: { speed: 1, reversed: false, hold: 1, freeze: null, mixed: false },
    arrive: null,
    leave: null,
    motionBlur: false,
    parent: null,
    masks: [],
    windows: [],
    cut: null,
    alsoShown: false,
    blend: 'normal',
    hidden: false,
    solo: false,
    locked: false,
    ...extra,
  } as unknown as Layer;
}

export function view(layers: Layer[], revision = 0, more: Partial<ShotView> = {}): ShotView {
  const shot = {
    name: 'Line 9',
    format: { width: 160, height: 90, rate: '24' },
    length: 48,
    layers,
    markers: [],
    work: null,
    shutter: { angle: 180, phase: 0 },
  } as unknown as Shot;
  const animation = moves(layers, 0);
  return { id: 's', projectId: 'p', projectName: 'Last Tram', revision, shot, animation, ...more };
}

/** What the server says of the layers' places and times, where groups run at their own speed. */
function moves(layers: Layer[], shift: number): Record<string, LayerAnimation> {
  let all: Record<string, LayerAnimation> = {};
  for (const l of layers) {
    const start = shift + l.span.in - l.span.offset;
    const properties = Object.entries(l.place as object).flatMap(([name, value]: [string, unknown]) =>
      typeof value === 'object' && value !== null && 'rest' in value
        ? [{ ...value, name: `place.${name}`, label: name, kind: 'number' } as unknown as MovingProperty]
        : [],
    );
    all[l.id] = { start, step: 1, properties };
    if (l.content.kind === 'group') all = { ...all, ...moves(l.content.layers as Layer[], start) };
  }
  return all;
}

/** Answers requests in turn; each answer is a body, or a status with a problem's detail. */
export function answers(...all: (object | { status: number; detail: string })[]) {
  const calls: { method: string; path: string; body?: Record<string, unknown> }[] = [];
  vi.stubGlobal('fetch', (path: string, options: { method: string; body?: string }) => {
    calls.push({
      method: options.method,
      path,
      body:
        typeof options.body === 'string' ? (JSON.parse(options.body) as Record<string, unknown>) : undefined,
    });
    const next = all.shift();
    if (next === undefined) return Promise.reject(new TypeError('down'));
    const status = 'status' in next && 'detail' in next ? (next.status as number) : 200;
    return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(next) });
  });
  return calls;
}

export const settle = () => new Promise((r) => setTimeout(r, 5));
