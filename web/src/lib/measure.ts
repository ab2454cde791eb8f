/** What is said of one pixel of a picture as it is shown. */
export interface PixelNow {
  x: number;
  y: number;
  rgba: [number, number, number, number];
  /** Of the display-encoded values, by the weights of ITU-R BT.709; 0 to 1. */
  luma: number;
}

const lumaOf = (r: number, g: number, b: number) => (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255;

/** The pixel at a place given in shares of the width and the height; nothing outside. */
export function pixelAt(image: ImageData, across: number, down: number): PixelNow | undefined {
  if (across < 0 || down < 0 || across >= 1 || down >= 1) return undefined;
  const x = Math.floor(across * image.width);
  const y = Math.floor(down * image.height);
  const i = (y * image.width + x) * 4;
  const [r = 0, g = 0, b = 0, a = 0] = image.data.subarray(i, i + 4);
  return { x, y, rgba: [r, g, b, a], luma: lumaOf(r, g, b) };
}

/** The mean colour of the pixels around a place, so that grain doesn't decide; nothing outside. */
export function meanAround(image: ImageData, across: number, down: number, reach = 2): number[] | undefined {
  const x = Math.floor(across * image.width);
  const y = Math.floor(down * image.height);
  if (x < 0 || y < 0 || x >= image.width || y >= image.height) return undefined;
  const sums = [0, 0, 0];
  let count = 0;
  for (let j = Math.max(0, y - reach); j <= Math.min(image.height - 1, y + reach); j++) {
    for (let i = Math.max(0, x - reach); i <= Math.min(image.width - 1, x + reach); i++) {
      const at = 4 * (j * image.width + i);
      for (let c = 0; c < 3; c++) sums[c] = (sums[c] ?? 0) + (image.data[at + c] ?? 0);
      count++;
    }
  }
  return sums.map((s) => s / count);
}

/** How often each value occurs: red, green, blue and luma, 256 counts each; every `step`-th pixel is counted. */
export function histogram(image: ImageData, step = 3): Uint32Array[] {
  const counts = [0, 1, 2, 3].map(() => new Uint32Array(256));
  const [red, green, blue, luma] = counts as [Uint32Array, Uint32Array, Uint32Array, Uint32Array];
  for (let i = 0; i < image.data.length; i += 4 * step) {
    const r = image.data[i] ?? 0;
    const g = image.data[i + 1] ?? 0;
    const b = image.data[i + 2] ?? 0;
    red[r] = (red[r] ?? 0) + 1;
    green[g] = (green[g] ?? 0) + 1;
    blue[b] = (blue[b] ?? 0) + 1;
    const l = Math.round(lumaOf(r, g, b) * 255);
    luma[l] = (luma[l] ?? 0) + 1;
  }
  return counts;
}
