import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import type { Change, Content, Layer } from '../api/client';
import type { Pair } from '../lib/affine';
import { freshId } from '../lib/layers';
import { resting } from '../lib/words';
import { useDesk } from './desk';
import { useProject } from './project';
import { useShot } from './shot';
import { useView } from './view';

const LOOK = 'aperta.letters';
type Text = Extract<Content, { kind: 'text' }>;
type Look = Omit<Text, 'words' | 'runs' | 'kind'>;
/** The parts of a look that are lengths of the frame. */
const LENGTHS = ['size', 'edgeWidth'] as const;

/** Words that are typed on the Picture: those of a layer, or of a new one, which is there once something was typed. */
export const useTyping = defineStore('typing', () => {
  const shot = useShot();
  const view = useView();
  const desk = useDesk();
  const project = useProject();

  const layer = ref<string>();
  const words = ref('');
  /** The chosen letters; where none are, the cursor. */
  const chosen = ref<[number, number]>([0, 0]);
  let fresh: object | undefined;
  let above: string | null = null;

  // What is chosen gives its look to the next words.
  watch(
    () => shot.find(view.layer),
    (now) => {
      if (now?.content.kind === 'text') remember(now.content);
    },
  );

  function remember(text: Text) {
    const height = shot.shot?.format.height ?? 1080;
    const look = Object.entries(text).filter(([k]) => !['words', 'runs', 'kind'].includes(k));
    const rest = Object.fromEntries(look.map(([k, v]) => [k, resting(v)]));
    for (const k of LENGTHS) rest[k] = Number(rest[k]) / height;
    localStorage.setItem(LOOK, JSON.stringify(rest));
  }

  /** The look of the letters that were chosen last, at the size that they had in their frame. */
  function look(): Partial<Look> {
    const height = shot.shot?.format.height ?? 1080;
    const plain = { font: 'anton', size: Math.round(height / 5) };
    const kept = localStorage.getItem(LOOK);
    if (!kept) return plain as Partial<Look>;
    const last = JSON.parse(kept) as Record<string, unknown>;
    for (const k of LENGTHS) last[k] = Math.round(Number(last[k]) * height * 10) / 10;
    if (!project.fonts.some((f) => f.id === last.font)) last.font = plain.font;
    return last as Partial<Look>;
  }

  /** New words at a point of the shot; in its middle where none is said. */
  function begin(at?: Pair) {
    const s = shot.shot;
    if (!s) return;
    end();
    // Where one clicks they are to be seen; else they lie above what is chosen, as all that is added.
    above = !at && shot.row(view.layer)?.depth === 0 ? (view.layer ?? null) : null;
    const id = freshId();
    view.choose(id);
    fresh = {
      id,
      span: { in: 0, length: s.length },
      place: { position: at ?? [s.format.width / 2, s.format.height / 2] },
      content: { kind: 'text', ...look() },
    };
    start(id, '', [0, 0]);
    desk.draft(change());
  }

  /** The words of a layer; all of them are chosen where no letter is said. */
  function edit(of: Layer, at?: number) {
    if (of.content.kind !== 'text' || of.locked) return;
    fresh = undefined;
    const all = of.content.words.length;
    start(of.id, of.content.words, at === undefined ? [0, all] : [at, at]);
  }

  function start(id: string, what: string, letters: [number, number]) {
    view.tool = 'choose';
    layer.value = id;
    words.value = what;
    chosen.value = letters;
    view.typing = true;
  }

  const inOneLine = (text: string) => text.replace(/\n/g, ' ').slice(0, 120);

  function change(): Change {
    if (!fresh) return { edit: { kind: 'set-words', layer: layer.value, words: words.value } };
    const { content, ...rest } = fresh as { content: object };
    const whole = {
      ...rest,
      name: inOneLine(words.value) || 'Text',
      content: { ...content, words: words.value },
    };
    return { edit: { kind: 'add', layer: whole, above } };
  }

  function typed(what: string) {
    words.value = what;
    desk.draft(change());
  }

  function choose(from: number, to: number) {
    chosen.value = [from, to];
    view.letters = from < to ? { from, to } : undefined;
  }

  /** Keeps what was typed, as one step; new words that are none are no layer. */
  function end() {
    if (!view.typing) return;
    view.typing = false;
    const id = layer.value;
    layer.value = undefined;
    const now = shot.find(id);
    if (fresh && words.value.trim()) {
      const added = change();
      fresh = undefined;
      void desk.commit(`Add ${inOneLine(words.value)}`, added);
    } else if (fresh) {
      fresh = undefined;
      if (view.layer === id) view.choose(undefined);
      desk.drop();
    } else if (now?.content.kind === 'text' && now.content.words !== words.value) {
      void desk.commit('Words', { edit: { kind: 'set-words', layer: id, words: words.value } });
    }
  }

  /** The words are as they were. */
  function takeBack() {
    const added = fresh !== undefined;
    fresh = undefined;
    view.typing = false;
    layer.value = undefined;
    if (added) view.choose(undefined);
    desk.drop();
    void message.info('Words taken back.');
  }

  return { layer, words, chosen, begin, edit, typed, choose, end, takeBack };
});
