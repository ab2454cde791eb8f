import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, nextTick, ref } from 'vue';
import CutBrackets from '../src/desk/CutBrackets.vue';
import CutSection from '../src/desk/CutSection.vue';
import EaseEditor from '../src/desk/EaseEditor.vue';
import EaseField from '../src/fields/EaseField.vue';
import MediaPanel from '../src/desk/MediaPanel.vue';
import { provideOnPicture } from '../src/desk/onPicture';
import PathHandles from '../src/desk/PathHandles.vue';
import ProofPanel from '../src/desk/ProofPanel.vue';
import PropertyRow from '../src/desk/PropertyRow.vue';
import RenderPanel from '../src/desk/RenderPanel.vue';
import TimelineBar from '../src/desk/TimelineBar.vue';
import TimelineKeys from '../src/desk/TimelineKeys.vue';
import { Points } from '../src/lib/paths';
import type { PropertyNow } from '../src/lib/answers';
import type { Pair } from '../src/lib/affine';
import { useFrames } from '../src/stores/frames';
import { useProject } from '../src/stores/project';
import { useProof } from '../src/stores/proof';
import { useShot } from '../src/stores/shot';
import { useView } from '../src/stores/view';
import { answers, begin, layer, settle, view } from './fakes';

beforeEach(() => {
  begin();
  vi.stubGlobal('matchMedia', () => ({ matches: false, addListener: vi.fn(), removeListener: vi.fn() }));
});
afterEach(() => vi.unstubAllGlobals());

const moving = {
  rest: 1,
  keys: [
    { at: 6, value: 0, ease: 'hold', in: null, out: null, loose: false },
    { at: 20, value: 1, ease: 'linear', in: null, out: null, loose: false },
  ],
  before: 'hold',
  after: 'hold',
  signals: [],
};
const place = { anchor: [0, 0], position: [0, 0], scale: [1, 1], rotation: 0, opacity: moving };

function arrange(...layers: ReturnType<typeof layer>[]) {
  const shot = useShot();
  shot.view = view(layers);
  useView().choose(layers[0]?.id);
  return shot;
}

function drag(on: Element, from: number, to: number) {
  const at = (type: string, x: number, target: EventTarget) =>
    target.dispatchEvent(
      new MouseEvent(type, { clientX: x, clientY: 0, button: 0, bubbles: true, cancelable: true }),
    );
  at('pointerdown', from, on);
  at('pointermove', to, window);
  at('pointerup', to, window);
}

describe('a property', () => {
  const property = (extra: Partial<PropertyNow>): PropertyNow => ({
    name: 'place.opacity',
    label: 'Opacity',
    title: 'Opacity',
    part: '',
    section: 'whole',
    kind: 'number',
    unit: '%',
    least: 0,
    most: 1,
    neutral: false,
    keyed: false,
    keyHere: false,
    signals: 0,
    value: 0.5,
    ...extra,
  });

  it('is shown in per cent and kept as a share', async () => {
    arrange(layer('a'));
    const calls = answers(view([layer('a')], 1));
    const row = mount(PropertyRow, { props: { property: property({}), locked: false } });
    const input = row.get('input');
    expect(input.element.value).toBe('50');
    await input.trigger('focus');
    await input.setValue('20');
    await input.trigger('blur');
    await settle();
    expect(calls[0]?.body?.edit).toMatchObject({
      kind: 'set-value',
      property: 'place.opacity',
      value: 0.2,
      layer: 'a',
    });
  });

  it('keeps the proportion of a scale that is even in both directions', async () => {
    arrange(layer('a'));
    const calls = answers(view([layer('a')], 1));
    const scale = property({
      name: 'place.scale',
      label: 'Scale',
      kind: 'point',
      least: -1000,
      most: 1000,
      value: [1, 1],
    });
    const row = mount(PropertyRow, { props: { property: scale, locked: false } });
    const across = row.get('[aria-label="Scale across"]');
    await across.trigger('focus');
    await across.setValue('50');
    await across.trigger('blur');
    await settle();
    expect((calls[0]?.body?.edit as { value: number[] }).value).toEqual([0.5, 0.5]);
  });

  it('puts a key on this frame, and takes it away in the layer’s own time', async () => {
    arrange(layer('a', { span: { in: 4, length: 20, offset: 0 } }));
    useView().frame = 10;
    const calls = answers(view([layer('a')], 1), view([layer('a')], 2));
    const row = mount(PropertyRow, { props: { property: property({}), locked: false } });
    await row.get('.key').trigger('click');
    await settle();
    expect(calls[0]?.body?.edit).toMatchObject({ kind: 'add-key', frame: 10 });
    await row.setProps({ property: property({ keyed: true, keyHere: true }) });
    useShot().view = view([layer('a', { span: { in: 4, length: 20, offset: 0 } })], 1);
    await row.get('.key').trigger('click');
    await settle();
    expect(calls[1]?.body?.edit).toMatchObject({
      kind: 'remove-keys',
      keys: [{ layer: 'a', property: 'place.opacity', at: 6 }],
    });
  });

  it('of a locked layer cannot be changed', () => {
    arrange(layer('a', { locked: true }));
    const row = mount(PropertyRow, { props: { property: property({}), locked: true } });
    expect(row.get('input').element.disabled).toBe(true);
    expect((row.get('.key').element as HTMLButtonElement).disabled).toBe(true);
  });
});

describe('a bar', () => {
  const bar = (l: ReturnType<typeof layer>) => {
    arrange(l);
    const row = useShot().list[0];
    return mount(TimelineBar, {
      props: { row: row as never, pace: 10, pad: 12, keys: [] },
      attachTo: document.body,
    });
  };

  it('slides by its middle and is trimmed by its ends', async () => {
    const calls = answers(view([layer('a')], 1), view([layer('a')], 2), view([layer('a')], 3));
    const wrapper = bar(layer('a', { span: { in: 5, length: 20, offset: 2 } }));
    drag(wrapper.element, 100, 130);
    await settle();
    drag(wrapper.get('.edge.out').element, 100, 60);
    await settle();
    drag(wrapper.get('.edge.in').element, 100, 140);
    await settle();
    expect(calls[0]?.body?.edit).toEqual({ kind: 'slide', layers: ['a'], by: 3 });
    const spans = calls.slice(1).map((c) => (c.body?.patch as { value: object }[])[0]?.value);
    expect(spans).toEqual([
      { in: 5, length: 16, offset: 2 },
      { in: 9, length: 16, offset: 6 },
    ]);
    wrapper.unmount();
  });

  it('of a locked layer stays', async () => {
    const calls = answers();
    const wrapper = bar(layer('a', { locked: true }));
    drag(wrapper.element, 100, 130);
    await settle();
    expect(calls).toHaveLength(0);
    wrapper.unmount();
  });
});

describe('keys', () => {
  it('are dragged together when they are chosen together', async () => {
    const l = layer('a', { place });
    arrange(l);
    const calls = answers(view([l], 1));
    const row = useShot().list[0];
    const wrapper = mount(TimelineKeys, {
      props: {
        row: row as never,
        property: { ...moving, name: 'place.opacity', label: 'opacity' } as never,
        pace: 10,
        pad: 12,
      },
      attachTo: document.body,
    });
    const [first, second] = wrapper.findAll('button.key');
    expect(first?.classes()).toContain('hold');
    expect(second?.classes()).toContain('linear');
    drag(first?.element as Element, 0, 0);
    second?.element.dispatchEvent(new MouseEvent('pointerdown', { shiftKey: true, cancelable: true }));
    expect(useView().keys.map((k) => k.at)).toEqual([6, 20]);
    drag(first?.element as Element, 0, 40);
    await settle();
    expect(calls[0]?.body?.edit).toMatchObject({ kind: 'move-keys', by: 4 });
    expect(useView().keys.map((k) => k.at)).toEqual([10, 24]);
    wrapper.unmount();
  });

  it('show how they go on as a curve, or a step', async () => {
    arrange(layer('a', { place }));
    useView().keys = [{ layer: 'a', property: 'place.opacity', at: 6 }];
    const editor = mount(EaseEditor);
    expect(editor.text()).toContain('Key of opacity');
    expect(editor.get('.way').attributes('d')).toContain('V');
    useView().keys = [{ layer: 'a', property: 'place.opacity', at: 20 }];
    await nextTick();
    // The last key has an arriving side only: the ease before it.
    expect(editor.text()).toContain('Arrives from the one before');
    expect(editor.text()).not.toContain('Goes on');
    expect(editor.get('.way').attributes('d')).toContain('V');
    const calls = answers(view([layer('a', { place })], 1));
    editor.findComponent(EaseField).vm.$emit('commit', 'ease-out', 'both');
    await settle();
    expect(calls[0]?.body?.edit).toEqual({
      kind: 'set-ease',
      keys: [{ layer: 'a', property: 'place.opacity', at: 20 }],
      ease: 'ease-out',
      side: 'arriving',
      half: 'both',
    });
  });
});

describe('cuts', () => {
  const word = layer('word');
  const rain = layer('rain', { cut: { by: 'word', with: 'shape', keep: 'inside' } });

  it('are tied to their cutter by a bracket', () => {
    arrange(word, rain, layer('plate', { cut: { by: 'word', with: 'brightness', keep: 'outside' } }));
    const lines = useShot().list.map((row) => ({ row }));
    const brackets = mount(CutBrackets, { props: { lines } });
    expect(brackets.findAll('path')).toHaveLength(2);
    expect(brackets.findAll('circle').map((c) => c.classes().includes('inside'))).toEqual([true, false]);
  });

  it('say what a layer cuts, and let it be shown by itself too', async () => {
    arrange(word, rain);
    const calls = answers(view([word, rain], 1));
    const section = mount(CutSection, { props: { layer: word, properties: [], locked: false } });
    expect(section.text()).toContain('Cuts rain.');
    await section.get('input[type=checkbox]').setValue(true);
    await settle();
    expect(calls[0]?.body?.patch).toEqual([{ op: 'add', path: '/alsoShown', value: true }]);
  });

  it('and masks are drawn with a tool that is shown as chosen', async () => {
    arrange(word, rain);
    const section = mount(CutSection, { props: { layer: word, properties: [], locked: false } });
    await section.findAll('.draw button')[0]?.trigger('click');
    expect(useView().tool).toBe('pen');
    expect(section.text()).toContain('The first point or Enter closes it.');
    await section.findAll('.draw button')[1]?.trigger('click');
    expect(useView().tool).toBe('rectangle');
    expect(section.text()).toContain('Drag over the Picture.');
  });
});

describe('Proof', () => {
  const finding = {
    check: 'title-safe',
    label: 'Inside title safe',
    layers: ['word'],
    from: 3,
    to: 9,
    place: [10, 20, 30, 40] as [number, number, number, number],
    says: 'It reaches 12 px beyond title safe.',
  };

  it('lists what was found, goes there, and accepts it with a note', async () => {
    const word = layer('word');
    arrange(word);
    const calls = answers(view([word], 1));
    useFrames().proof = { revision: 1, findings: [finding] };
    const panel = mount(ProofPanel);
    expect(panel.text()).toContain('It reaches 12 px beyond title safe.');
    expect(panel.text()).toContain('frames 3 to 9');
    useView().drawer = 'proof';
    await panel.get('.what').trigger('click');
    expect(useView().layer).toBe('word');
    expect(useProof().marked?.place).toEqual([10, 20, 30, 40]);
    await panel.get('.accept').trigger('click');
    await panel.get('input').setValue('it is a ticker');
    await panel.get('.note .link').trigger('click');
    await settle();
    expect(calls[0]?.body?.patch).toEqual([
      {
        op: 'add',
        path: '/accepted/-',
        value: { check: 'title-safe', layer: 'word', note: 'it is a ticker' },
      },
    ]);
  });
});

describe('renders', () => {
  it('show their progress, their failure and their file', async () => {
    arrange(layer('a'));
    const job = {
      kind: 'RENDER',
      title: 'Opening',
      total: 120,
      message: '',
      hasFile: false,
      createdAt: '',
      output: 'H264',
    };
    useProject().jobs = [
      { ...job, id: '1', state: 'RUNNING', done: 60, secondsLeft: 7 },
      { ...job, id: '2', state: 'FAILED', done: 3, message: 'Frame 3: the disk is full.' },
      { ...job, id: '3', state: 'DONE', done: 120, hasFile: true },
    ] as never;
    mount(RenderPanel, { attachTo: document.body });
    await nextTick();
    const text = document.body.textContent ?? '';
    expect(text).toContain('frame 60 of 120, 7 s left');
    expect(text).toContain('Frame 3: the disk is full.');
    expect(document.querySelector('[data-testid=download]')?.getAttribute('href')).toBe('/api/jobs/3/file');
  });
});

describe('media', () => {
  it('are added once they are ready, and until then cancelled or tried again', async () => {
    arrange(layer('a'));
    const clip = {
      kind: 'VIDEO',
      width: 160,
      height: 90,
      rate: '24',
      frames: 48,
      alpha: false,
      message: '',
      used: true,
    };
    const project = useProject();
    project.media = [
      { ...clip, id: '1', name: 'rain.mov', state: 'READY' },
      { ...clip, id: '2', name: 'tram.mov', state: 'IMPORTING' },
      { ...clip, id: '3', name: 'hill.mov', state: 'FAILED' },
    ] as never;
    // The job of what is ready has yet to say that it is done.
    project.jobs = [
      { id: 'a', kind: 'IMPORT', mediaId: '1', state: 'RUNNING', done: 48, total: 48 },
      { id: 'b', kind: 'IMPORT', mediaId: '2', state: 'RUNNING', done: 12, total: 48 },
      { id: 'c', kind: 'IMPORT', mediaId: '3', state: 'FAILED', done: 0, total: 48 },
    ] as never;
    const wrapper = mount(MediaPanel, { attachTo: document.body });
    await nextTick();
    const row = (name: string) => document.querySelector(`[data-testid="media-${name}"]`);
    const buttons = (name: string) =>
      [...(row(name)?.querySelectorAll('button') ?? [])].map((b) => b.textContent?.trim());
    expect(buttons('rain.mov')).toEqual(['Add']);
    expect(buttons('tram.mov')).toEqual(['Cancel']);
    expect(row('tram.mov')?.textContent).toContain('25 %');
    expect(buttons('hill.mov')).toEqual(['Try again']);
    wrapper.unmount();
  });
});

describe('the points of a path', () => {
  const numbers = [
    [100, 100],
    [300, 100],
    [300, 200],
    [100, 200],
  ].flatMap(([x, y]) => [(x ?? 0) * 100, (y ?? 0) * 100, 0, 0, 0, 0, 0]);
  const handles = (draft: boolean, by = 0, closed = true) => ({
    draft,
    layer: 'a',
    exists: true,
    ownFrame: 0,
    corners: [],
    resting: [],
    anchor: [0, 0] as Pair,
    paths: [
      {
        property: 'mask.m.path',
        mask: true,
        closed,
        scale: 1,
        points: new Points(Int32Array.from(numbers, (n, i) => (i % 7 === 0 ? n + by * 100 : n))),
      },
    ],
    properties: [],
    curve: [],
    path: { dots: [], keys: [] },
  });

  /** Above a Picture whose pixels are those of the screen. */
  function above() {
    arrange(layer('a'));
    useView().choosePath('mask.m.path');
    const over = defineComponent({
      components: { PathHandles },
      props: { handles: { type: Object, required: true } },
      setup() {
        const svg = ref<SVGSVGElement>();
        provideOnPicture(
          svg,
          () => 1,
          () => undefined,
        );
        return { svg };
      },
      template: '<svg ref="svg"><PathHandles :handles="handles" :locked="false" /></svg>',
    });
    return mount(over, { props: { handles: handles(false) }, attachTo: document.body });
  }

  it('follow the pointer at once, whatever is still on its way from the engine, which has the last word', async () => {
    const wrapper = above();
    const calls = answers(view([layer('a')], 1));
    const middle = () => Number(wrapper.get('[data-testid=mask-middle]').attributes('cx'));
    const line = () => wrapper.get('[data-testid="path-mask.m.path"]').attributes();
    const move = async (type: string, x: number, target: EventTarget = window) => {
      target.dispatchEvent(
        new MouseEvent(type, { clientX: x, clientY: 150, bubbles: true, cancelable: true }),
      );
      await nextTick();
    };
    const drawn = line().d;
    expect(middle()).toBe(200);
    await move('pointerdown', 200, wrapper.get('[data-testid=mask-middle]').element);
    await move('pointermove', 240);
    expect(middle()).toBe(240);
    expect(line()).toMatchObject({ d: drawn, transform: 'matrix(1 0 0 1 40 0)' });
    await move('pointermove', 260);
    await wrapper.setProps({ handles: handles(true, 40) });
    expect(middle()).toBe(260);
    await move('pointerup', 260);
    await settle();
    expect(calls[0]?.body?.edit).toMatchObject({ kind: 'move-points', points: [], by: [60, 0] });
    expect(middle()).toBe(260);
    await wrapper.setProps({ handles: handles(false, 61) });
    expect(middle()).toBe(261);
    expect(line().transform).toBeUndefined();
    wrapper.unmount();
  });

  it('are drawn anew where nothing but the path’s end has changed', async () => {
    const wrapper = above();
    const line = () => wrapper.get('[data-testid="path-mask.m.path"]').attributes('d');
    expect(line()).toMatch(/Z$/);
    const open = handles(false, 0, false);
    const [now] = open.paths;
    const [before] = (wrapper.props() as { handles: typeof open }).handles.paths;
    if (now && before) now.points = before.points;
    await wrapper.setProps({ handles: open });
    expect(line()).not.toMatch(/Z$/);
    wrapper.unmount();
  });

  it('go back where Escape ends it, once the engine has answered', async () => {
    const wrapper = above();
    const knot = wrapper.get('[data-testid=knot-1]');
    const x = () => Number(wrapper.get('[data-testid=knot-1]').attributes('cx'));
    knot.element.dispatchEvent(new MouseEvent('pointerdown', { clientX: 302, clientY: 101, bubbles: true }));
    dispatchEvent(new MouseEvent('pointermove', { clientX: 352, clientY: 131 }));
    await nextTick();
    expect(x()).toBe(352);
    expect(wrapper.get('[data-testid="path-mask.m.path"]').attributes('d')).toContain('L352 131');
    dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await wrapper.setProps({ handles: handles(false) });
    expect(x()).toBe(300);
    wrapper.unmount();
  });
});
