import { describe, expect, it } from 'vitest';
import { histogram, pixelAt } from '../src/lib/measure';

const image = (pixels: number[][]) =>
  ({ width: 2, height: pixels.length / 2, data: Uint8ClampedArray.from(pixels.flat()) }) as ImageData;

describe('measures of the picture', () => {
  const four = image([
    [255, 255, 255, 255],
    [0, 0, 0, 128],
    [255, 0, 0, 255],
    [0, 255, 0, 255],
  ]);

  it('tell the pixel under the pointer, with the luma of BT.709', () => {
    expect(pixelAt(four, 0.1, 0.1)).toMatchObject({ x: 0, y: 0, rgba: [255, 255, 255, 255] });
    expect(pixelAt(four, 0.1, 0.1)?.luma).toBeCloseTo(1, 9);
    expect(pixelAt(four, 0.6, 0.4)?.rgba).toEqual([0, 0, 0, 128]);
    expect(pixelAt(four, 0.1, 0.9)?.luma).toBeCloseTo(0.2126, 6);
    expect(pixelAt(four, 0.9, 0.9)?.luma).toBeCloseTo(0.7152, 6);
    expect(pixelAt(four, 1, 0.5)).toBeUndefined();
    expect(pixelAt(four, -0.01, 0.5)).toBeUndefined();
  });

  it('count how often values occur', () => {
    const [red, green, blue, luma] = histogram(four, 1);
    expect([red?.[255], red?.[0]]).toEqual([2, 2]);
    expect([green?.[255], green?.[0]]).toEqual([2, 2]);
    expect([blue?.[255], blue?.[0]]).toEqual([1, 3]);
    expect([luma?.[0], luma?.[54], luma?.[182], luma?.[255]]).toEqual([1, 1, 1, 1]);
  });
});
