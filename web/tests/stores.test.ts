import { message } from 'ant-design-vue';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAdding } from '../src/stores/adding';
import { useDesk } from '../src/stores/desk';
import { useFrames } from '../src/stores/frames';
import { usePlayback } from '../src/stores/playback';
import { useProject } from '../src/stores/project';
import { useShot } from '../src/stores/shot';
import { useView } from '../src/stores/view';
import { answers, begin, FakeSocket, layer, settle, view } from './fakes';

const said = vi.spyOn(message, 'error').mockImplementation(() => undefined as never);

beforeEach(() => {
  begin();
  said.mockClear();
});
afterEach(() => vi.unstubAllGlobals());

describe('the shot', () => {
  it('sends changes one after the other, each to the revision before it', async () => {
    const shot = useShot();
    shot.view = view([layer('a')], 4);
    const calls = answers(view([layer('a')], 5), view([layer('a')], 6));
    await Promise.all([
      shot.edit('One', { edit: { kind: 'x' } }),
      shot.setField('a', 'blend', 'screen', 'Blend'),
    ]);
    expect(calls.map((c) => c.body?.revision)).toEqual([4, 5]);
    expect(calls[1]?.body?.patch).toEqual([{ op: 'add', path: '/blend', value: 'screen' }]);
    expect(shot.view?.revision).toBe(6);
    expect(shot.waiting).toBe(0);
  });

  it('says what was refused, and goes on from where it was', async () => {
    const shot = useShot();
    shot.view = view([layer('a')], 1);
    answers({ status: 422, detail: 'A layer lasts at least one frame, not -3.' }, view([layer('a')], 2));
    expect(await shot.edit('Bad', { patch: [] })).toBe(false);
    expect(said).toHaveBeenCalledWith('A layer lasts at least one frame, not -3.');
    expect(await shot.edit('Good', { patch: [] })).toBe(true);
  });

  it('loads anew when another window was quicker', async () => {
    const shot = useShot();
    shot.view = view([layer('a')], 1);
    const calls = answers(
      { status: 409, detail: 'The shot has gone on.' },
      view([layer('a'), layer('b')], 3),
    );
    await shot.edit('Late', { patch: [] });
    expect(calls[1]?.method).toBe('GET');
    expect(shot.view?.revision).toBe(3);
    await shot.announced(3);
    expect(calls).toHaveLength(2);
  });

  it('says plainly when nobody answers', async () => {
    const shot = useShot();
    answers();
    await shot.load('s');
    expect(shot.problem).toContain('does not answer');
  });

  it('finds layers inside groups', () => {
    const shot = useShot();
    shot.view = view([layer('g', { content: { kind: 'group', layers: [layer('in')] } }), layer('b')]);
    expect(shot.find('in')?.id).toBe('in');
    expect(shot.row('in')?.group).toBe('g');
    expect(shot.list.map((r) => r.layer.id)).toEqual(['g', 'b']);
    shot.opened = new Set(['g']);
    expect(shot.list.map((r) => r.layer.id)).toEqual(['g', 'in', 'b']);
    expect(shot.everyLayer().map((l) => l.id)).toEqual(['g', 'in', 'b']);
  });

  it('undoes and redoes only what there is', async () => {
    const shot = useShot();
    shot.view = view([], 2, { undo: 'Move' });
    const calls = answers(view([], 3, { redo: 'Move' }));
    await shot.undo();
    await shot.undo();
    expect(calls.map((c) => c.path)).toEqual(['/api/shots/s/undo']);
  });
});

describe('the line to the frame desk', () => {
  const open = () => {
    const frames = useFrames();
    const opened = vi.fn();
    const revision = vi.fn();
    frames.connect('s', revision, opened);
    FakeSocket.last.onopen();
    return { frames, socket: FakeSocket.last, opened, revision };
  };

  it('shows the answer to the newest wish only', () => {
    const { frames, socket, opened } = open();
    expect(opened).toHaveBeenCalled();
    frames.show({ frame: 1, scale: 0.5, see: 'picture' });
    frames.show({ frame: 2, scale: 0.5, see: 'picture' });
    socket.frame({ seq: 1, frame: 1, key: 'k1', width: 2, height: 1, draft: false, ahead: false, ms: 3 }, 8);
    expect(frames.shownFrame).toBe(-1);
    socket.frame({ seq: 2, frame: 2, key: 'k2', width: 2, height: 1, draft: false, ahead: false, ms: 3 }, 8);
    expect(frames.shownFrame).toBe(2);
  });

  it('keeps frames under their names and shows them at once', async () => {
    const { frames, socket } = open();
    frames.askKeys({ scale: 0.5, see: 'picture' }, 3, 0);
    socket.tell({ type: 'keys', from: 0, seq: socket.of('keys')[0]?.seq, keys: ['k0', 'k1', 'k2'] });
    socket.frame({ seq: 0, frame: 1, key: 'k1', width: 2, height: 1, draft: false, ahead: true, ms: 3 }, 8);
    expect(frames.has(1)).toBe(true);
    await settle();
    expect([...frames.ready]).toEqual([1]);
    frames.show({ frame: 1, scale: 0.5, see: 'picture' });
    expect(frames.shownFrame).toBe(1);
    expect(socket.of('show')[0]?.have).toBe('k1');
    expect(frames.showKept(2)).toBe(false);
    frames.ahead([0, 1, 2], { scale: 0.5, see: 'picture' });
    expect(socket.of('ahead')[0]?.frames).toEqual([0, 2]);
  });

  it('shows drafts on the way, but never after what was kept', () => {
    const { frames, socket } = open();
    frames.show({ frame: 3, scale: 0.5, see: 'picture', draft: { edit: { kind: 'move' } }, revision: 7 });
    frames.show({ frame: 3, scale: 0.5, see: 'picture', draft: { edit: { kind: 'move' } }, revision: 7 });
    socket.frame({ seq: 1, frame: 3, key: 'd1', width: 2, height: 1, draft: true, ahead: false, ms: 3 }, 8);
    expect(frames.shownFrame).toBe(3);
    frames.show({ frame: 4, scale: 0.5, see: 'picture' });
    socket.frame({ seq: 2, frame: 9, key: 'd2', width: 2, height: 1, draft: true, ahead: false, ms: 3 }, 8);
    expect(frames.shownFrame).toBe(3);
    expect(socket.of('show')[0]).toMatchObject({ revision: 7, draft: { edit: { kind: 'move' } } });
  });

  it('keeps a draft that has become true, and only the last of the others', async () => {
    const { frames, socket } = open();
    const draft = { edit: { kind: 'move' } };
    const told = { frame: 3, width: 2, height: 1, ahead: false, ms: 3 };
    frames.askKeys({ scale: 0.5, see: 'picture' }, 3, 0);
    socket.tell({ type: 'keys', from: 0, seq: socket.of('keys')[0]?.seq, keys: ['d1', 'd6', 'k2'] });
    for (let n = 1; n <= 6; n++) {
      frames.show({ frame: 3, scale: 0.5, see: 'picture', draft, revision: 7 });
      const { seq } = socket.of('show').at(-1) ?? {};
      socket.frame({ ...told, seq, key: `d${n}`, draft: true }, 8);
    }
    await settle();
    expect([...frames.ready]).toEqual([]);
    // Back to what was shown a moment before: the server knows that it is here and doesn't send it again.
    const before = frames.shown;
    frames.show({ frame: 3, scale: 0.5, see: 'picture', draft, revision: 7 });
    socket.frame({ ...told, seq: socket.of('show').at(-1)?.seq, key: 'd5', draft: true }, 0);
    expect(frames.shown).not.toBe(before);
    frames.show({ frame: 1, scale: 0.5, see: 'picture' });
    socket.frame({ ...told, frame: 1, seq: socket.of('show').at(-1)?.seq, key: 'd6', draft: false }, 0);
    expect(frames.shown).toBe(before);
    await settle();
    expect([...frames.ready]).toEqual([1]);
  });

  it('asks for half the size while something is dragged, where the whole takes too long', () => {
    const { frames, socket } = open();
    let now = 0;
    const clock = vi.spyOn(performance, 'now').mockImplementation(() => now);
    const wish = { see: 'picture', scale: 0.5, hurried: true } as const;
    const answer = (seq: number, frame: number) =>
      socket.frame({ seq, frame, key: `k${seq}`, width: 2, height: 1, draft: false, ahead: false, ms: 3 }, 8);
    frames.show({ ...wish, frame: 1 });
    now += 30;
    answer(1, 1);
    frames.show({ ...wish, frame: 2 });
    now += 41;
    answer(2, 2);
    frames.show({ ...wish, frame: 3 });
    now += 5;
    answer(3, 3);
    frames.show({ ...wish, frame: 4 });
    frames.show({ ...wish, frame: 4, hurried: false });
    expect(socket.of('show').map((m) => m.scale)).toEqual([0.5, 0.5, 0.25, 0.25, 0.5]);
    expect(socket.of('show')[0]).not.toHaveProperty('hurried');
    clock.mockRestore();
  });

  it('answers picks, tells of revisions and of problems', async () => {
    const { frames, socket, revision } = open();
    const picked = frames.pick(10, 20, 3);
    socket.tell({ type: 'picked', seq: socket.of('pick')[0]?.seq, layer: 'a' });
    expect(await picked).toBe('a');
    socket.tell({ type: 'revision', revision: 9 });
    expect(revision).toHaveBeenCalledWith(9);
    socket.tell({ type: 'problem', seq: 1, detail: 'The font is missing.' });
    expect(frames.problem).toBe('The font is missing.');
  });

  it('forgets everything when the desk is left', () => {
    const { frames, socket } = open();
    socket.frame({ seq: 0, frame: 0, key: 'k', width: 2, height: 1, draft: false, ahead: true, ms: 1 }, 8);
    frames.close();
    expect(frames.connected).toBe(false);
    expect(frames.shown).toBeUndefined();
  });
});

describe('the desk', () => {
  it('asks for what is looked at, and drafts while something is dragged', async () => {
    const desk = useDesk();
    answers(view([layer('a')], 0), view([layer('a')], 1));
    desk.open('s');
    await settle();
    FakeSocket.last.onopen();
    const socket = FakeSocket.last;
    useView().choose('a');
    await settle();
    expect(socket.of('show').at(-1)).toMatchObject({ layer: 'a', frame: 0 });
    const change = desk.setValue('place.opacity', 0.5);
    desk.draft(change);
    await settle();
    expect(socket.of('show').at(-1)).toMatchObject({ draft: change, revision: 0 });
    expect(await desk.commit('Opacity', change)).toBe(true);
    await settle();
    expect(socket.of('show').at(-1)?.draft).toBeUndefined();
    desk.close();
  });

  it('keeps the playhead inside the shot and knows the layers own time', () => {
    const desk = useDesk();
    const shot = useShot();
    const v = useView();
    shot.view = view([layer('a', { span: { in: 10, length: 5, offset: 2 } })]);
    desk.go(99);
    expect(v.frame).toBe(47);
    desk.go(-3);
    expect(v.frame).toBe(0);
    v.frame = 12;
    v.choose('a');
    expect(desk.ownFrame()).toBe(4);
  });
});

/** A desk with a shot of 48 frames, whose names are known. */
function desk() {
  const frames = useFrames();
  frames.connect(
    's',
    () => undefined,
    () => undefined,
  );
  useShot().view = view([layer('a')]);
  frames.askKeys({ scale: 0.5, see: 'picture' }, 48, 0);
  const line = FakeSocket.last;
  const keys = Array.from({ length: 48 }, (_, i) => `k${i}`);
  line.tell({ type: 'keys', from: 0, seq: line.of('keys').at(-1)?.seq, keys });
  answers({ status: 503, detail: 'no sound' });
  return { v: useView(), frames, line, playback: usePlayback() };
}

describe('playback', () => {
  it('asks ahead from the playhead on, waits for what is missing, and stops at the end when it does not loop', async () => {
    const { v, line, playback } = desk();
    v.frame = 46;
    v.loop = false;
    playback.toggle();
    await settle();
    expect((line.of('ahead')[0]?.frames as number[]).slice(0, 4)).toEqual([46, 47, 0, 1]);
    await new Promise((r) => setTimeout(r, 120));
    expect(v.frame).toBe(46);
    // What doesn't come is asked for again.
    const asked = line.of('ahead').length;
    await vi.waitFor(() => expect(line.of('ahead').length).toBeGreaterThan(asked), 3000);
    expect(line.of('ahead').at(-1)?.frames).toContain(47);
    line.frame({ seq: 0, frame: 47, key: 'k47', width: 2, height: 1, draft: false, ahead: true, ms: 1 }, 8);
    await vi.waitFor(() => expect(v.playing).toBe(false), 2000);
    expect(v.frame).toBe(47);
  });

  it('shows frames as they come until there is a head start', async () => {
    const { v, line, playback } = desk();
    const comes = (frame: number, bytes = 8) =>
      line.frame(
        { seq: 0, frame, key: `k${frame}`, width: 2, height: 1, draft: false, ahead: true, ms: 1 },
        bytes,
      );
    for (const f of [0, 1, 2]) comes(f);
    const began = performance.now();
    playback.toggle();
    await vi.waitFor(() => expect(v.frame).toBe(2), 2000);
    // No faster than in real time: the second frame comes 1/24 s after the first.
    expect(performance.now() - began).toBeGreaterThan(80);
    await new Promise((r) => setTimeout(r, 150));
    expect(v.frame).toBe(2);
    for (let f = 3; f < 16; f++) comes(f);
    await vi.waitFor(() => expect(v.frame).toBeGreaterThan(8), 2000);
    playback.toggle();
    await settle();
  });

  it('plays at the best quality at which all that is played fits, and says so', async () => {
    const { v, frames, line, playback } = desk();
    expect(playback.fits).toEqual({ all: true, says: 'all 48 frames fit' });
    const shot = useShot();
    const long = view([layer('a')]);
    const format = { ...long.shot.format, width: 1920, height: 1080 };
    shot.view = { ...long, shot: { ...long.shot, length: 1000, format } };
    v.scale = 1;
    await settle();
    expect(frames.room(1920, 1080, 1)).toBe(103);
    expect(playback.fits.says).toBe('103 of 1000 frames fit; plays at ¼');
    playback.toggle();
    await settle();
    expect(line.of('ahead').at(-1)?.scale).toBe(0.25);
    playback.toggle();
  });

  it('keeps what will be played next when there is no more room', async () => {
    const { frames, line } = desk();
    const look = { scale: 1, see: 'picture' as const };
    frames.ahead([40, 41], look);
    const size = 60e6;
    for (let frame = 0; frame < 16; frame++) {
      line.frame(
        { seq: 0, frame, key: `k${frame}`, width: 5000, height: 3000, draft: false, ahead: true, ms: 3 },
        size,
      );
      if (frame === 3) {
        line.frame(
          { seq: 0, frame: 40, key: 'k40', width: 5000, height: 3000, draft: false, ahead: true, ms: 3 },
          size,
        );
      }
    }
    await settle();
    expect(frames.has(40)).toBe(true);
    expect(frames.has(0)).toBe(false);
  });
});

describe('new layers', () => {
  it('lie in the middle, as long as the shot or the clip, above what is chosen', async () => {
    const shot = useShot();
    const adding = useAdding();
    shot.view = view([layer('a')]);
    useView().choose('a');
    const calls = answers(view([layer('a')], 1), view([layer('a')], 2), view([layer('a')], 3));
    await adding.fill('conic');
    const media = {
      id: 'm',
      name: 'rain.mp4',
      kind: 'VIDEO',
      state: 'READY',
      message: '',
      width: 160,
      height: 90,
    };
    await adding.media({ ...media, rate: '12', frames: 10, alpha: false } as never);
    useView().choose('a');
    await adding.fill('radial');
    const added = calls.map((c) => c.body?.edit as { above: string | null; layer: Record<string, never> });
    expect(added[0]).toMatchObject({
      above: 'a',
      layer: { place: { position: [80, 45] }, span: { length: 48 } },
    });
    expect(added[1]?.layer).toMatchObject({ name: 'rain', span: { length: 20 } });
    expect(added[2]?.layer).toMatchObject({ content: { paint: { kind: 'radial', radius: 45 } } });
  });
});

describe('the project', () => {
  it('brings files in, says what was refused, and looks again while something is at work', async () => {
    const project = useProject();
    const importing = { id: 'm', name: 'a.mp4', kind: 'VIDEO', state: 'IMPORTING' };
    answers(
      [],
      [],
      [],
      { status: 422, detail: 'This is not a video.' },
      [],
      [],
      [],
      importing,
      [importing],
      [],
      [],
    );
    await project.open('p');
    await project.bring([new File(['x'], 'bad.mp4')], '24');
    expect(said).toHaveBeenCalledWith('This is not a video.', 8);
    const brought = await project.bring([new File(['x'], 'a.mp4')], '24');
    expect(brought).toHaveLength(1);
    expect(project.find('m')?.state).toBe('IMPORTING');
    project.close();
  });
});
