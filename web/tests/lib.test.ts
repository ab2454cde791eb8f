import { describe, expect, it } from 'vitest';
import type { Shot } from '../src/api/client';
import { ends, frameOf, ownFrame, rows, unfolded } from '../src/lib/layers';
import { sum } from '../src/lib/sum';
import { timecode, typedTime } from '../src/lib/timecode';
import { together } from '../src/stores/project';

describe('typed sums', () => {
  it.each([
    ['1920/2', 960],
    ['1920/2 - 20', 940],
    ['-(3+4)*2', -14],
    ['12,5', 12.5],
    ['2−5', -3],
    ['.5', 0.5],
  ])('%s', (text, value) => expect(sum(text)).toBe(value));

  it.each(['', 'abc', '1/0', '2+', '(1', '1 2 3x', '1)'])('%s is none', (text) =>
    expect(sum(text)).toBeUndefined(),
  );
});

describe('typed times', () => {
  it('are frames, seconds or timecode, from here with a sign', () => {
    expect(typedTime('36', '24', 10)).toBe(36);
    expect(typedTime('1.5s', '24', 10)).toBe(36);
    expect(typedTime('00:00:01:12', '24', 10)).toBe(36);
    expect(typedTime('+12', '24', 10)).toBe(22);
    expect(typedTime('-0.5s', '24', 36)).toBe(24);
    expect(typedTime('soon', '24', 0)).toBeUndefined();
    // One hour of drop frame is 107 892 frames of 30000/1001 (common practice; by the rule of SMPTE ST 12-1).
    expect(typedTime('01:00:00;00', '30000/1001', 0)).toBe(107_892);
    expect(typedTime('00:01:00;02', '30000/1001', 0)).toBe(1800);
    expect(typedTime('00:10:00;00', '60000/1001', 0)).toBe(35_964);
    expect(typedTime('00:00:01;12', '24', 0)).toBe(36);
  });

  it('show hours, minutes, seconds and frames', () => {
    expect(timecode(36, '24')).toBe('00:00:01:12');
    expect(timecode(90_000, '25')).toBe('01:00:00:00');
    expect(timecode(30, '30000/1001')).toBe('00:00:01:00');
    expect(timecode(-1, '24')).toBe('-00:00:00:01');
  });
});

const layer = (id: string, content: object, extra: object = {}) => ({
  id,
  name: id,
  content,
  span: { in: 0, length: 10, offset: 0 },
  place: { anchor: [0, 0], position: [0, 0], scale: [1, 1], rotation: 0, opacity: 1 },
  masks: [],
  ...extra,
});

describe('rows', () => {
  const shot = {
    layers: [
      layer(
        'g',
        { kind: 'group', layers: [layer('a', { kind: 'footage', media: 'm' })] },
        { span: { in: 5, length: 9, offset: 2 } },
      ),
      layer('b', { kind: 'footage', media: 'm' }),
    ],
  } as unknown as Shot;

  const animation = {
    g: { start: 3, step: 1, properties: [] },
    a: { start: 3, step: 2, properties: [] },
    b: { start: 0, step: 1, properties: [] },
  };

  it('show the layers of opened groups below their group', () => {
    const all = rows(shot, animation);
    const ids = (opened: boolean) => unfolded(all, () => opened).map((r) => r.layer.id);
    expect(ids(false)).toEqual(['g', 'b']);
    expect(ids(true)).toEqual(['g', 'a', 'b']);
    expect(all[1]).toMatchObject({ depth: 1, group: 'g', index: 0, siblings: 1 });
  });

  it('tell frames of a layer from those of the shot', () => {
    const slow = rows(shot, animation)[1];
    if (!slow) throw new Error('There is no such row.');
    expect(frameOf(slow, 4)).toBe(11);
    expect(ownFrame(slow, 12)).toBe(4);
    expect(ends(slow)).toEqual([3, 23]);
    // Frame 0 lies on 20, frame 9 on 11: the bar lies from 11 to the end of frame 20.
    expect(ends({ ...slow, start: 20, step: -1 })).toEqual([11, 21]);
  });
});

describe('dropped files', () => {
  it('with numbers in one name are a sequence', () => {
    const file = (name: string) => new File(['x'], name);
    const parts = together([
      file('smoke.0001.png'),
      file('smoke.0002.png'),
      file('clip.mp4'),
      file('clip2.mp4'),
    ]);
    expect(parts.map((p) => p.length)).toEqual([2, 1, 1]);
  });
});
