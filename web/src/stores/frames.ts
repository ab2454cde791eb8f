import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import {
  handlesNow,
  isPlanes,
  read,
  type CurveOf,
  type CuttingNow,
  FollowingNow,
  type Handles,
  type Header,
  type Proof,
  type Shown,
  type Together,
} from '../lib/answers';
import type { Pair } from '../lib/affine';
import { KEPT_BYTES, KeptFrames } from '../lib/keptFrames';
import type { Change } from '../api/client';
import type { Look, Peek } from './view';

export interface Wish extends Look {
  frame: number;
  layer?: string;
  /** All chosen layers, where they are several. */
  layers?: string[];
  /** The group that is worked in. */
  group?: string;
  draft?: Change;
  /** Of which revision the draft is one. */
  revision?: number;
  /** Without an effect, or only as far as one. */
  chain?: Peek;
  /** Asked for while something is dragged: the next wish follows at once. */
  hurried?: boolean;
}

/** How many names of frames are asked for at once, and of how many at most. */
const NAMES = 1000;
const MOST_NAMES = 20_000;
/** What takes longer, in milliseconds, is asked for at half its size while something is dragged. */
const FLUENT = 40;

/** Whether the browser can paint such frames. */
const paintsPlanes = typeof VideoFrame !== 'undefined';

/** The line to the frame service: asks for frames, keeps those that are still true, and says what arrived. */
export const useFrames = defineStore('frames', () => {
  const shown = shallowRef<Shown>();
  const shownFrame = ref(-1);
  const handles = shallowRef<Handles>();
  const together = shallowRef<Together>();
  const group = shallowRef<Pair[]>();
  const snap = shallowRef<{ x?: number; y?: number }>();
  /** The title-safe frame: left, top, right, bottom, in pixels of the shot. */
  const safe = shallowRef<Header['safe']>();
  const problem = ref('');
  const connected = ref(false);
  const keys = shallowRef<string[]>([]);
  const ready = shallowRef<Set<number>>(new Set());
  const lastMs = ref(0);
  const proof = shallowRef<Proof>();
  /** The visible share of each layer on each frame, as measured last: in thousandths, −1 where it doesn't exist. */
  const reveal = shallowRef<Record<string, number[]>>({});
  const proofProblem = ref('');

  const kept = new KeptFrames();
  let socket: WebSocket | undefined;
  let seq = 0;
  /** The newest wish for a picture, and whether its answer is still to come. */
  let newest = 0;
  const awaited = ref(false);
  /** Which share of a text's strokes has been found, where that takes long and is waited for. */
  const finding = ref<number>();
  /** A track that is being followed. */
  const following = shallowRef<FollowingNow>();
  /** A figure that is being carried. */
  const cutting = shallowRef<CuttingNow>();
  let keysSeq = 0;
  /** Names of frames as far as they have come. */
  let asNamed: string[] = [];
  let questions = 0;
  let shownKey = '';
  /** The frames that will be played next, in this order. */
  let wanted: number[] = [];
  let onRevision: (revision: number) => void = () => undefined;
  let onOpen: () => void = () => undefined;
  const picks = new Map<number, (layers: string[]) => void>();
  const curveAnswers = new Map<number, (curves: CurveOf[]) => void>();
  let closing = false;
  let drafting = false;
  /** When the last wish of full size went out, and how long the last such answer took. */
  let asked = { seq: 0, at: 0 };
  let took = 0;

  function connect(shot: string, revision: (r: number) => void, open: () => void) {
    closing = false;
    onRevision = revision;
    onOpen = open;
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    const line = new WebSocket(`${scheme}://${location.host}/ws/frames/${shot}`);
    socket = line;
    line.binaryType = 'arraybuffer';
    line.onopen = () => {
      connected.value = true;
      onOpen();
    };
    line.onmessage = (e: MessageEvent<string | ArrayBuffer>) => {
      // What an older line still brings is about another shot.
      if (socket !== line) return;
      if (typeof e.data === 'string') told(JSON.parse(e.data) as Record<string, unknown>);
      else arrived(e.data);
    };
    line.onclose = () => {
      if (socket !== line) return;
      connected.value = false;
      awaited.value = false;
      settleAll();
      if (!closing) setTimeout(() => connect(shot, revision, open), 800);
    };
  }

  function close() {
    closing = true;
    socket?.close();
    socket = undefined;
    connected.value = false;
    awaited.value = false;
    settleAll();
    kept.clear();
    shown.value = undefined;
    handles.value = undefined;
    proof.value = undefined;
    reveal.value = {};
    keys.value = [];
    ready.value = new Set();
  }

  function send(message: object) {
    if (socket?.readyState !== WebSocket.OPEN) return false;
    socket.send(JSON.stringify(message));
    return true;
  }

  /** Wishes for a frame; a newer wish takes the place of this one. A frame that is known is shown at once. */
  function show({ hurried, ...wish }: Wish) {
    drafting = wish.draft !== undefined;
    const key = wish.draft || wish.chain ? undefined : keys.value[wish.frame];
    const known = key === undefined ? undefined : kept.get(key);
    if (known && key !== undefined) paint(known, key, wish.frame);
    // Where one stops to look, the exact picture comes.
    const exact = known && !isPlanes(known);
    newest = ++seq;
    const coarse = hurried && !known && took > FLUENT;
    if (!coarse) asked = { seq, at: performance.now() };
    const scale = coarse ? wish.scale / 2 : wish.scale;
    awaited.value = send({ type: 'show', seq, ...wish, scale, have: exact ? key : known ? '' : shownKey });
  }

  /** Shows a frame that is kept, without asking. */
  function showKept(frame: number): boolean {
    const key = keys.value[frame];
    const known = key === undefined ? undefined : kept.get(key);
    if (!known || key === undefined) return false;
    paint(known, key, frame);
    return true;
  }

  let asking: { look: Look; stretches: [number, number][] } | undefined;

  /** Asks for the names of the shot's frames, those round the one that is looked at first. */
  function askKeys(look: Look, length: number, frame: number) {
    keysSeq = ++seq;
    const from = Math.max(0, Math.min(length - MOST_NAMES, frame - MOST_NAMES / 2));
    const to = Math.min(length, from + MOST_NAMES);
    const first = from + Math.floor((frame - from) / NAMES) * NAMES;
    const begins = [first];
    for (let i = from; i < to; i += NAMES) if (i !== first) begins.push(i);
    asking = { look, stretches: begins.map((i) => [i, Math.min(to, i + NAMES)]) };
    asNamed = [];
    askOn();
  }

  function askOn() {
    const next = asking?.stretches.shift();
    if (next && asking) send({ type: 'keys', seq: keysSeq, from: next[0], to: next[1], ...asking.look });
  }

  /** Asks for those of the frames that are not kept, in this order. */
  function ahead(frames: number[], look: Look) {
    wanted = frames;
    const missing = frames.filter((f) => !kept.has(keys.value[f] ?? ''));
    const planes = paintsPlanes && look.see === 'picture' && look.scale > 0.5;
    send({ type: 'ahead', seq: 0, frames: missing, planes, ...look });
  }

  /** Curves of properties; those of a newer question take their place. */
  function askCurves(of: { layer: string; property: string }[], draft?: Change): Promise<CurveOf[]> {
    return new Promise((resolve) => {
      questions++;
      curveAnswers.set(questions, resolve);
      if (!send({ type: 'curves', seq: questions, of, draft })) settle('curves', questions);
    });
  }

  /** Asks for what can be measured of the newest revision. */
  const askProof = () => send({ type: 'proof' });

  function askPick(wish: object): Promise<string[]> {
    return new Promise((resolve) => {
      seq++;
      picks.set(seq, resolve);
      if (!send({ ...wish, seq })) settle('pick', seq);
    });
  }

  /** The uppermost layer at a point. */
  const pick = async (x: number, y: number, frame: number, inside?: string) =>
    (await askPick({ type: 'pick', x, y, frame, group: inside }))[0];

  /** The layers that a rectangle touches. */
  const pickWithin = ([x0, y0]: Pair, [x1, y1]: Pair, frame: number, inside?: string) =>
    askPick({ type: 'pick-within', x0, y0, x1, y1, frame, group: inside });

  function paint(image: Shown, key: string, frame: number) {
    shown.value = image;
    shownKey = key;
    shownFrame.value = frame;
  }

  /** A question that can't be answered has no answer, rather than never one. */
  function settle(of: string, number: number) {
    if (of === 'pick' || of === 'pick-within') {
      picks.get(number)?.([]);
      picks.delete(number);
    } else if (of === 'curves') {
      curveAnswers.get(number)?.([]);
      curveAnswers.delete(number);
    }
  }

  function settleAll() {
    [...picks.keys()].forEach((n) => settle('pick', n));
    [...curveAnswers.keys()].forEach((n) => settle('curves', n));
  }

  function told(m: Record<string, unknown>) {
    if (m.type === 'revision') {
      onRevision(m.revision as number);
    } else if (m.type === 'inside') {
      // A shot that is shown in this one has changed: all is asked for anew.
      onOpen();
    } else if (m.type === 'keys' && m.seq === keysSeq) {
      (m.keys as string[]).forEach((k, i) => (asNamed[(m.from as number) + i] = k));
      keys.value = [...asNamed];
      count();
      askOn();
    } else if (m.type === 'picked') {
      const found = m.layers ?? (m.layer === undefined ? [] : [m.layer]);
      picks.get(m.seq as number)?.(found as string[]);
      picks.delete(m.seq as number);
    } else if (m.type === 'curves') {
      curveAnswers.get(m.seq as number)?.(m.curves as CurveOf[]);
      curveAnswers.delete(m.seq as number);
    } else if (m.type === 'proof') {
      proofProblem.value = '';
      proof.value = m as unknown as Proof;
    } else if (m.type === 'reveal') {
      reveal.value = m.shares as Record<string, number[]>;
    } else if (m.type === 'proof-problem') {
      proofProblem.value = m.detail as string;
    } else if (m.type === 'following') {
      following.value = m.ended ? undefined : (m as unknown as FollowingNow);
    } else if (m.type === 'cutting') {
      cutting.value = m.ended ? undefined : (m as unknown as CuttingNow);
    } else if (m.type === 'finding') {
      finding.value = (m.share as number) < 1 ? (m.share as number) : undefined;
    } else if (m.type === 'problem') {
      problem.value = m.detail as string;
      if (m.seq === newest) awaited.value = false;
      finding.value = undefined;
      settle(m.of as string, m.seq as number);
    }
  }

  function arrived(data: ArrayBuffer) {
    const { header, numbers, picture } = read(data);
    const image = picture ?? kept.any(header.key);
    if (image && header.draft) kept.keepDraft(header.key, image);
    else if (image && kept.keep(header.key, image, namesWanted)) count();
    if (header.ahead) return;
    if (header.seq === asked.seq && picture) took = performance.now() - asked.at;
    // A late draft may be shown on the way to a newer one, but never after what was kept.
    if (header.seq !== newest && !(header.draft && drafting)) return;
    if (header.seq === newest) awaited.value = false;
    finding.value = undefined;
    problem.value = '';
    lastMs.value = header.ms;
    snap.value = header.snap;
    together.value = header.together;
    group.value = header.group;
    safe.value = header.safe;
    handles.value = handlesNow(header, numbers, handles.value);
    if (image) paint(image, header.key, header.frame);
  }

  const namesWanted = () => wanted.map((f) => keys.value[f] ?? '');

  let counting = false;
  /** Which frames are there; worked out at most once a tick, since frames come in quick succession. */
  function count() {
    if (counting) return;
    counting = true;
    requestAnimationFrame(() => {
      counting = false;
      ready.value = new Set(keys.value.flatMap((k, i) => (k && kept.has(k) ? [i] : [])));
    });
  }

  /** How many frames of a size can be kept, with some left for those that were played. */
  function room(width: number, height: number, scale: number) {
    const pixels = Math.round(width * scale) * Math.round(height * scale);
    const each = pixels * (paintsPlanes && scale > 0.5 ? 1.5 : 4);
    return Math.max(1, Math.floor((0.95 * KEPT_BYTES) / each));
  }

  const has = (frame: number) => kept.has(keys.value[frame] ?? '');

  return {
    shown,
    shownFrame,
    handles,
    awaited,
    finding,
    following,
    cutting,
    snap,
    together,
    group,
    safe,
    problem,
    connected,
    keys,
    ready,
    lastMs,
    proof,
    reveal,
    proofProblem,
    connect,
    close,
    show,
    showKept,
    askKeys,
    askProof,
    ahead,
    pick,
    pickWithin,
    askCurves,
    room,
    has,
  };
});
