import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import CurvesView from '../src/desk/CurvesView.vue';
import TimelineBar from '../src/desk/TimelineBar.vue';
import { drawn, nameOf } from '../src/lib/ease';
import { snapped, snappedBy } from '../src/lib/snap';
import { useCommands, written } from '../src/stores/commands';
import { useFrames } from '../src/stores/frames';
import { useShot } from '../src/stores/shot';
import { useTiming } from '../src/stores/timing';
import { useView } from '../src/stores/view';
import { answers, begin, FakeSocket, layer, settle, view } from './fakes';

beforeEach(begin);
afterEach(() => vi.unstubAllGlobals());

const key = (at: number, value: number, ease = 'ease') => ({
  at,
  value,
  ease,
  in: null,
  out: null,
  loose: false,
});
const fade = {
  rest: 1,
  keys: [key(0, 0), key(10, 1), key(30, 0.5)],
  before: 'hold',
  after: 'loop',
  signals: [{ kind: 'jitter' }],
};
const place = { anchor: [0, 0], position: [0, 0], scale: [1, 1], rotation: 0, opacity: fade };
const late = { in: 6, length: 40, offset: 2 };

function arrange(...layers: ReturnType<typeof layer>[]) {
  const shot = useShot();
  shot.view = view(layers);
  useView().choose(layers[0]?.id);
  return shot;
}
const name = (layer: string, at: number) => ({ layer, property: 'place.opacity', at });
const press = (k: string, more: KeyboardEventInit = {}) => new KeyboardEvent('keydown', { key: k, ...more });

describe('what is dragged', () => {
  it('clings to the nearest line within reach', () => {
    expect(snapped(12, [0, 10, 15], 2)).toBe(10);
    expect(snapped(12, [0, 15], 2)).toBe(12);
    expect(snappedBy(3, [0, 20], [25], 2.5)).toBe(5);
    expect(snappedBy(3, [0, 20], [], 2.5)).toBe(3);
  });

  it('finds the ends of bars, the keys, markers and the playhead', () => {
    arrange(layer('a', { place, span: late }), layer('b', { span: { in: 17, length: 9, offset: 0 } }));
    const timing = useTiming();
    expect([...timing.lines({ layers: ['a'] })].sort((x, y) => x - y)).toEqual([0, 17, 26, 48]);
    const around = timing.lines({ keys: [name('a', 10)] });
    expect(around.has(4)).toBe(true);
    expect(around.has(14)).toBe(false);
    expect(around.has(34)).toBe(true);
  });
});

describe('properties over time', () => {
  it('are found with their keys, signals and what lies beyond', () => {
    const shot = arrange(layer('a', { place }));
    expect(shot.row('a')?.moving[0]).toMatchObject({
      name: 'place.opacity',
      after: 'loop',
      signals: [{ kind: 'jitter' }],
    });
    const group = layer('g', {
      content: { kind: 'group', layers: [layer('in', { span: late })] },
      span: late,
    });
    expect(arrange(group).row('in')).toMatchObject({ group: 'g', depth: 1, start: 8 });
  });

  it('show an ease as it is', () => {
    const flat = (v: number) => v;
    expect(drawn('hold', flat, flat)).toBe('M0 0H1V1');
    expect(drawn('linear', flat, flat)).toBe('M0 0C0 0 1 1 1 1');
    expect(drawn({ spring: 2 }, flat, flat).split('L')).toHaveLength(49);
    expect(nameOf([0.16, 0.84, 0.3, 1])).toBe('soft landing');
    expect(nameOf({ spring: 2 })).toBe('spring');
  });
});

describe('chosen keys', () => {
  it('are copied with their frames and pasted on the chosen layers', async () => {
    arrange(layer('a', { place, span: late }), layer('b'));
    const v = useView();
    const timing = useTiming();
    v.keys = [name('a', 10), name('a', 30)];
    const tracks = [{ source: 0, property: 'place.opacity', keys: [{ at: 14 }, { at: 34 }] }];
    const calls = answers({ tracks }, view([], 1));
    expect(timing.copyKeys()).toBe(true);
    v.chooseAll(['b']);
    v.frame = 5;
    void timing.pasteKeys();
    await settle();
    expect(calls[0]?.body).toEqual({ keys: [name('a', 10), name('a', 30)] });
    expect(calls[1]?.body?.edit).toEqual({ kind: 'paste-keys', tracks, layers: ['b'], frame: 5 });
  });

  it('are nudged, reversed and stretched together', async () => {
    arrange(layer('a', { place, span: late }));
    const v = useView();
    const timing = useTiming();
    v.keys = [name('a', 0), name('a', 10)];
    const calls = answers(view([layer('a', { place, span: late })], 1), view([], 2));
    await timing.nudge(3);
    expect(calls[0]?.body?.edit).toMatchObject({ kind: 'move-keys', by: 3 });
    expect(v.keys.map((k) => k.at)).toEqual([3, 13]);
    v.keys = [name('a', 0), name('a', 30)];
    await timing.reverse();
    expect(calls[1]?.body?.edit).toMatchObject({ kind: 'reverse-keys' });
    expect(v.keys.map((k) => k.at)).toEqual([30, 0]);
    timing.dragged = { kind: 'stretch', pivot: 4, factor: 0.5 };
    arrange(layer('a', { place, span: late }));
    v.keys = [name('a', 30), name('a', 0)];
    expect(timing.shownAt(name('a', 30))).toBe(19);
    expect(timing.shownAt(name('a', 10))).toBe(14);
  });
});

describe('poses', () => {
  it('bring the playhead to where they are seen, and back', () => {
    const way = { length: 12, delay: 3, ease: 'ease-out', pose: {}, opening: null };
    arrange(layer('a', { span: late, arrive: way, leave: { ...way, delay: 1 } }));
    const v = useView();
    const timing = useTiming();
    v.frame = 30;
    timing.take('arrive');
    expect([v.stance, v.frame]).toEqual(['arrive', 9]);
    timing.take('leave');
    expect(v.frame).toBe(44);
    timing.take('rest');
    expect(v.frame).toBe(30);
    // Who has gone elsewhere meanwhile stays there.
    timing.take('arrive');
    v.frame = 12;
    timing.take('rest');
    expect(v.frame).toBe(12);
  });

  it('are ramps on the bar, as long as they are dragged', async () => {
    const way = { length: 12, delay: 0, ease: 'linear', pose: {}, opening: { kind: 'fade' } };
    const l = layer('a', { span: late, arrive: way });
    arrange(l);
    const calls = answers(view([l], 1));
    const row = useShot().list[0];
    const bar = mount(TimelineBar, {
      props: { row: row as never, pace: 10, pad: 12, keys: [] },
      attachTo: document.body,
    });
    const grip = bar.get('[data-testid=ramp-arrive-a]').element;
    expect((grip as HTMLElement).style.left).toBe('120px');
    grip.dispatchEvent(new MouseEvent('pointerdown', { clientX: 0, bubbles: true, cancelable: true }));
    window.dispatchEvent(new MouseEvent('pointermove', { clientX: 31 }));
    window.dispatchEvent(new MouseEvent('pointerup'));
    await settle();
    expect(calls[0]?.body).toMatchObject({
      layer: 'a',
      patch: [{ op: 'add', path: '/arrive/length', value: 15 }],
    });
    bar.unmount();
  });
});

describe('several layers', () => {
  it('slide together by the bar of one', async () => {
    const a = layer('a', { span: late });
    const b = layer('b', { span: late });
    arrange(a, b);
    useView().chooseAll(['a', 'b']);
    const calls = answers(view([a, b], 1));
    const row = useShot().list[1];
    const bar = mount(TimelineBar, {
      props: { row: row as never, pace: 10, pad: 12, keys: [] },
      attachTo: document.body,
    });
    bar.element.dispatchEvent(new MouseEvent('pointerdown', { clientX: 0, bubbles: true, cancelable: true }));
    window.dispatchEvent(new MouseEvent('pointermove', { clientX: -41, altKey: true }));
    window.dispatchEvent(new MouseEvent('pointerup'));
    await settle();
    expect(calls[0]?.body?.edit).toEqual({ kind: 'slide', layers: ['a', 'b'], by: -4 });
    bar.unmount();
  });
});

describe('the keyboard', () => {
  it('writes presses as they are told', () => {
    expect(written(press('z', { ctrlKey: true, shiftKey: true }))).toBe('Ctrl+Shift+Z');
    expect(written(press('ArrowLeft', { altKey: true }))).toBe('Alt+←');
    expect(written(press(' '))).toBe('Space');
    expect(written(press('?', { shiftKey: true }))).toBe('?');
  });

  it('has no two commands on one key', () => {
    arrange(layer('a'));
    const all = useCommands().groups.flatMap((g) => g.commands.flatMap((c) => c.keys));
    expect(new Set(all).size).toBe(all.length);
  });

  it('does what is done by hand', async () => {
    arrange(layer('a', { span: late }));
    const v = useView();
    const commands = useCommands();
    v.frame = 12;
    const calls = answers(
      view([layer('a', { span: late })], 1),
      view([layer('a')], 2),
      view([layer('a')], 3),
    );
    expect(commands.press(press('m'))).toBe(true);
    await settle();
    expect(calls[0]?.body?.patch).toEqual([
      { op: 'add', path: '/markers', value: [{ at: 12, name: 'Marker 1' }] },
    ]);
    commands.press(press('['));
    await settle();
    expect(calls[1]?.body?.edit).toEqual({ kind: 'trim', layers: ['a'], frame: 12, end: 'start' });
    commands.press(press('q'));
    await settle();
    expect(calls[2]?.body?.patch).toEqual([{ op: 'add', path: '/work', value: { from: 12, to: 48 } }]);
    commands.press(press('v'));
    commands.press(press('c'));
    expect([v.autoKey, v.curves]).toEqual([true, true]);
    commands.press(press('z'));
    expect(useView().typingTime).toBe(true);
    expect(commands.press(press('7'))).toBe(false);
  });
});

describe('curves', () => {
  it('are drawn in step with the bars, and their keys are dragged in time and value', async () => {
    arrange(layer('a', { place: { ...place, opacity: { ...fade, signals: [] } } }));
    const frames = useFrames();
    frames.connect(
      's',
      () => undefined,
      () => undefined,
    );
    FakeSocket.last.onopen();
    const view_ = mount(CurvesView, { props: { pace: 10, pad: 12, names: 304 }, attachTo: document.body });
    await settle();
    const asked = FakeSocket.last.of('curves').at(-1);
    expect(asked?.of).toEqual([{ layer: 'a', property: 'place.opacity' }]);
    const values = Array.from({ length: 48 }, (_, i) => Math.min(1, i / 10));
    FakeSocket.last.tell({
      type: 'curves',
      seq: asked?.seq,
      curves: [
        { layer: 'a', property: 'place.opacity', channels: [{ values, speeds: values.map(() => 2.4) }] },
      ],
    });
    await settle();
    const curve = view_.get('[data-testid="curve-place.opacity-0"]').attributes('d') ?? '';
    expect(curve.startsWith('M12.0 186.0')).toBe(true);
    expect(curve).toContain('L112.0 14.0');
    const key = view_.get('[data-testid="curve-key-place.opacity-0-10"]');
    expect(key.attributes('cx')).toBe('112');
    const calls = answers(view([], 1));
    key.element.dispatchEvent(
      new MouseEvent('pointerdown', {
        clientX: 112,
        clientY: 14,
        button: 0,
        bubbles: true,
        cancelable: true,
      }),
    );
    window.dispatchEvent(new MouseEvent('pointermove', { clientX: 142, clientY: 100 }));
    window.dispatchEvent(new MouseEvent('pointerup'));
    await settle();
    const edit = calls[0]?.body?.edit as { edits: { kind: string; value?: number; by?: number }[] };
    expect(edit.edits.map((e) => e.kind)).toEqual(['set-value', 'move-keys']);
    expect(edit.edits[0]?.value).toBeCloseTo(0.5, 2);
    expect(edit.edits[1]?.by).toBe(3);
    view_.unmount();
  });
});

describe('an opening', () => {
  it('is set on all chosen layers that are not locked', async () => {
    arrange(layer('a'), layer('b', { locked: true }), layer('c'));
    const v = useView();
    v.chooseAll(['a', 'b', 'c']);
    v.stance = 'leave';
    const calls = answers(view([], 1));
    await useTiming().setOpening('iris');
    expect(calls[0]?.body?.edit).toEqual({
      kind: 'set-opening',
      layers: ['a', 'c'],
      arriving: false,
      opening: { kind: 'iris' },
    });
  });
});
