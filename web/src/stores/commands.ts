import { defineStore } from 'pinia';
import { nextTick } from 'vue';
import { freshId } from '../lib/layers';
import { useChain } from './chain';
import { useClipboard } from './clipboard';
import { useDesk } from './desk';
import { usePicking } from './picking';
import { usePlayback } from './playback';
import { useLooking } from './looking';
import { useNesting } from './nesting';
import { useProof } from './proof';
import { useShot } from './shot';
import { useTiming } from './timing';
import { useTyping } from './typing';
import { MASK_LINES, SEES, useView, type Stance } from './view';

/** Something that can be done by a key. Keys are written as they are told: `Ctrl+Shift+Z`, `Alt+←`. */
export interface Command {
  keys: string[];
  says: string;
  run: (e: KeyboardEvent) => void;
}

const STANCES: Stance[] = ['rest', 'arrive', 'leave'];
const NAMES: Record<string, string> = {
  ' ': 'Space',
  arrowleft: '←',
  arrowright: '→',
  arrowup: '↑',
  arrowdown: '↓',
};

/** How a press of keys is written. */
export function written(e: KeyboardEvent): string {
  const key = e.key.toLowerCase();
  const name = NAMES[key] ?? (key.length > 1 ? e.key : key.toUpperCase());
  const ctrl = e.ctrlKey || e.metaKey ? 'Ctrl+' : '';
  // A sign that needs Shift on one keyboard needs none on another.
  const shift = e.shiftKey && !/^[?[\]<>]$/.test(key) ? 'Shift+' : '';
  return `${ctrl}${e.altKey ? 'Alt+' : ''}${shift}${name}`;
}

/** All that the keyboard does on the desk, in groups as the list of keys shows them. */
export const useCommands = defineStore('commands', () => {
  const shot = useShot();
  const picking = usePicking();
  const view = useView();
  const desk = useDesk();
  const playback = usePlayback();
  const typing = useTyping();
  const clipboard = useClipboard();
  const nesting = useNesting();
  const timing = useTiming();
  const chain = useChain();

  function neighbour(by: number, too: boolean) {
    const list = shot.list;
    const at = list.findIndex((r) => r.layer.id === view.layer);
    const next = list[Math.min(list.length - 1, Math.max(0, at + by))];
    if (!next) return;
    if (too && !view.layers.includes(next.layer.id)) view.chooseAll([...view.layers, next.layer.id]);
    else if (!too) view.choose(next.layer.id);
  }

  /** The chosen path, as changes of paths name it. */
  const path = () => ({ layer: view.layer, property: view.path, frame: view.frame });

  function smooth(on: boolean) {
    if (view.path)
      void shot.edit(on ? 'Smooth' : 'Corner', {
        edit: { kind: 'set-smooth', ...path(), points: view.points, smooth: on },
      });
  }

  function remove() {
    if (view.path && view.points.length) {
      void shot.edit('Remove points', {
        edit: { kind: 'remove-points', ...path(), points: view.points },
      });
      view.points = [];
    } else if (view.keys.length) {
      void shot.edit('Remove keys', { edit: { kind: 'remove-keys', keys: view.keys } });
      view.keys = [];
    } else if (timing.free.length) {
      void shot.edit('Delete', { edit: { kind: 'delete', layers: timing.free } });
      view.choose(undefined);
    }
  }

  async function duplicate() {
    const layers = timing.free;
    const newIds = layers.map(freshId);
    const edits = layers.map((layer, i) => ({ kind: 'duplicate', layer, newId: newIds[i] }));
    if (layers.length && (await shot.edit('Duplicate', { edit: { kind: 'several', edits } }))) {
      view.chooseAll(newIds);
    }
  }

  function allKeys() {
    const ids = view.layers.length ? view.layers : shot.list.map((r) => r.layer.id);
    view.keys = ids.flatMap((id) => {
      const row = shot.row(id);
      return row ? timing.keysOf(row) : [];
    });
    view.unfolded = new Set([...view.unfolded, ...ids]);
  }

  function escape() {
    if (view.tool === 'pick') picking.end();
    else if (view.tool !== 'choose') view.tool = 'choose';
    else if (view.points.length) view.points = [];
    else if (view.path) view.choosePath(undefined);
    else if (view.keys.length) view.keys = [];
    else if (view.group) desk.leave();
    else if (view.drawer) view.drawer = undefined;
    else nesting.back();
  }

  function enter() {
    const layer = shot.find(view.layer);
    if (layer?.content.kind === 'text') typing.edit(layer);
    if (layer?.content.kind === 'shot') nesting.into(layer);
    if (layer?.content.kind !== 'group') return;
    desk.enter(layer.id);
    const [first] = layer.content.layers as { id: string }[];
    if (first) view.choose(first.id);
  }

  /** Where any of the chosen is seen, all are hidden; else all are shown. */
  function hide() {
    const seen = view.layers.some((id) => !shot.find(id)?.hidden);
    if (view.layers.length) void shot.setFields(view.layers, 'hidden', seen, seen ? 'Hide' : 'Show');
  }

  async function stagger() {
    view.part = 'Time';
    await nextTick();
    focusIn('[aria-label="Stagger by"]');
  }

  function stance(by: number) {
    timing.take(STANCES[(STANCES.indexOf(view.stance) + by + 3) % 3] ?? 'rest');
  }

  /** To the first of these that is there. */
  function focusIn(...where: string[]) {
    const there = where.map((w) => document.querySelector<HTMLElement>(w));
    there.find((e) => e !== null)?.focus();
  }

  /** Into the Sheet; where the focus is in it already, on to its next section. */
  function focusSheet() {
    const sheet = document.querySelector('.sheet[aria-label="Sheet of the layer"]');
    const sections = [...(sheet?.querySelectorAll<HTMLInputElement>('.sections input') ?? [])];
    const now = sections.findIndex((s) => s.checked);
    if (sheet?.contains(document.activeElement)) sections[(now + 1) % sections.length]?.click();
    const next = sheet?.querySelectorAll<HTMLInputElement>('.sections input:checked')[0];
    (next ?? sheet?.querySelector<HTMLElement>('input, button, textarea'))?.focus();
  }

  const say = (keys: string, says: string, run: (e: KeyboardEvent) => void): Command => ({
    keys: keys.split(' '),
    says,
    run,
  });

  const groups: { title: string; commands: Command[] }[] = [
    {
      title: 'Time',
      commands: [
        say('Space', 'play and pause', playback.toggle),
        say('← →', 'one frame back, on', (e) => desk.go(view.frame + (e.key === 'ArrowLeft' ? -1 : 1))),
        say('Shift+← Shift+→', 'ten frames', (e) => desk.go(view.frame + (e.key === 'ArrowLeft' ? -10 : 10))),
        say('Z', 'type a time to go to, or the name of a marker', () => (view.typingTime = true)),
        say('Home End', 'first and last frame', (e) => desk.go(e.key === 'Home' ? 0 : 1e9)),
        say(', .', 'the key, end or marker before, after', (e) => timing.step(e.key === '.')),
        say('L', 'loop', () => (view.loop = !view.loop)),
        say('Q W', 'the work range begins, ends here', (e) =>
          e.key.toLowerCase() === 'q' ? timing.workFrom() : timing.workTo(),
        ),
        say('Shift+Q', 'no work range', () => timing.setWork(null)),
        say('M', 'put a marker here', () => timing.mark()),
      ],
    },
    {
      title: 'Layers',
      commands: [
        say('↑ ↓', 'the layer above, below', (e) => neighbour(e.key === 'ArrowUp' ? -1 : 1, false)),
        say('Shift+↑ Shift+↓', 'choose one more', (e) => neighbour(e.key === 'ArrowUp' ? -1 : 1, true)),
        say('A', 'type new words in the middle of the Picture', () => typing.begin()),
        say('Shift+A', 'type new words where you click', () => (view.tool = 'text')),
        say('Ctrl+D', 'duplicate', () => void duplicate()),
        say('G', 'group', () => void timing.group()),
        say('Enter', 'into the chosen group, the words, the shot that is shown; Escape leads out', enter),
        say('Shift+G', 'dissolve the group', timing.ungroup),
        say('[ ]', 'begin here, end here', (e) => timing.trim(e.key === '[' ? 'start' : 'end')),
        say('D', 'split here', () => void timing.split()),
        say(
          'Shift+D',
          'pass from the layer before to the chosen one',
          () => view.layer && void timing.pass(view.layer),
        ),
        say('F', 'freeze on this frame', () => timing.freeze()),
        say('E Shift+E', 'the next pose: rest, arrive, leave; the one before', (e) =>
          stance(e.shiftKey ? -1 : 1),
        ),
        say('O', 'openings', () => view.toggle('openings')),
        say('Shift+O', 'effects', () => view.toggle('effects')),
        say('Shift+V', 'hide what is chosen, or show it', hide),
        say('Shift+L', 'copy a look to other layers', timing.copyLook),
        say('H', 'into the Sheet; again, on to its next section', focusSheet),
        say('Shift+H', 'to the rows of the layers', () =>
          focusIn('.timeline .line.chosen button', '.timeline button'),
        ),
        say('Shift+S', 'stagger the chosen layers', stagger),
        say('Delete Backspace', 'delete the chosen points, keys, or layers', remove),
      ],
    },
    {
      title: 'Masks',
      commands: [
        say('P', 'draw point by point: a mask, a path of a shape, a shape', () =>
          view.draw(
            'pen',
            shot.find(view.layer)?.content.kind === 'shape' ? 'path' : view.layer ? 'mask' : 'shape',
          ),
        ),
        say('K Shift+K', 'make the chosen points smooth, or corners', (e) => smooth(!e.shiftKey)),
        say(
          'Y',
          'outlines of masks: clear, warm, faded, hidden',
          () =>
            (view.maskLines =
              MASK_LINES[(MASK_LINES.indexOf(view.maskLines) + 1) % MASK_LINES.length] ?? 'clear'),
        ),
      ],
    },
    {
      title: 'Keys in time',
      commands: [
        say('Alt+← Alt+→', 'move chosen keys, or layers, one frame', (e) =>
          timing.nudge(e.key === 'ArrowLeft' ? -1 : 1),
        ),
        say('Alt+Shift+← Alt+Shift+→', 'ten frames', (e) => timing.nudge(e.key === 'ArrowLeft' ? -10 : 10)),
        say('Ctrl+A', 'choose all keys of the chosen layers', allKeys),
        say('Ctrl+C Ctrl+X', 'copy, cut the chosen keys; where none are, the chosen layers', (e) =>
          e.key.toLowerCase() === 'c' ? void clipboard.copy() : void clipboard.cut(),
        ),
        say(
          'Ctrl+V',
          'paste keys on the chosen layers, from this frame; layers into this shot',
          () => void clipboard.paste(),
        ),
        say('R', 'reverse the chosen keys', () => void timing.reverse()),
        say('V', 'auto-key: changes set keys', () => (view.autoKey = !view.autoKey)),
        say('C', 'curves in the place of the bars', () => (view.curves = !view.curves)),
        say('X', 'open and close the rows of the chosen layers', () => view.layers.forEach(view.unfold)),
      ],
    },
    {
      title: 'Looking',
      commands: [
        say('1 2 4', 'quality full, ½, ¼', (e) => (view.scale = 1 / Number(e.key))),
        say(
          'S',
          'see as: the next way',
          () => (view.see = SEES[(SEES.indexOf(view.see) + 1) % SEES.length] ?? 'picture'),
        ),
        say('I', 'the chosen layer alone', () => (view.alone = !view.alone)),
        say('0 9', 'while held: without the chosen effect, only as far as it', (e) =>
          chain.peek(e.key === '9'),
        ),
        say('J', 'Proof: what can be measured wrong', () => view.toggle('proof')),
        say('N', 'the next finding', () => useProof().next()),
        say('B', 'this picture as “before”, with a split', () => useLooking().putAside()),
        say('T', 'title safe', () => (view.safe = !view.safe)),
        say('Escape', 'no tool, no keys, out of the group, no drawer, out to the shot around', escape),
      ],
    },
    {
      title: 'Steps',
      commands: [
        say('Ctrl+Z', 'undo', () => void shot.undo()),
        say('Ctrl+Shift+Z Ctrl+Y', 'redo', () => void shot.redo()),
        say('U', 'undo list', () => view.toggle('states')),
      ],
    },
  ];

  const byKeys = new Map(
    groups.flatMap((g) => g.commands.flatMap((c) => c.keys.map((k) => [k, c] as const))),
  );

  /** Whether a press of keys was one of ours. */
  function press(e: KeyboardEvent): boolean {
    const command = byKeys.get(written(e));
    command?.run(e);
    return command !== undefined;
  }

  /** What is only seen while its key is held. */
  function release(e: KeyboardEvent) {
    if (e.key === '0' || e.key === '9') chain.peek(undefined);
  }

  return { groups, press, release };
});
