/** Whole frames that timecode counts in a second: 30 for 30000/1001. */
export function nominal(rate: string): number {
  const [up, down] = parts(rate);
  return Math.ceil(up / down);
}

export function framesPerSecond(rate: string): number {
  const [up, down] = parts(rate);
  return up / down;
}

function parts(rate: string): [number, number] {
  const [up = '24', down = '1'] = rate.split('/');
  return [Number(up), Number(down)];
}

/** A frame number as non-drop timecode, as it is shown beside the frame number itself. */
export function timecode(frame: number, rate: string): string {
  const fps = nominal(rate);
  const two = (n: number) => String(Math.floor(n)).padStart(2, '0');
  const n = Math.abs(frame);
  const sign = frame < 0 ? '-' : '';
  return `${sign}${two(n / fps / 3600)}:${two((n / fps / 60) % 60)}:${two((n / fps) % 60)}:${two(n % fps)}`;
}

/**
 * How many numbers drop-frame timecode has left out at the beginning of a minute (SMPTE ST 12-1): two of 30 a second, four
 * of 60, each minute but the tenths; none at other rates.
 */
function dropped(minutes: number, rate: string): number {
  const [, down] = parts(rate);
  const each = down === 1001 && nominal(rate) % 30 === 0 ? nominal(rate) / 15 : 0;
  return each * (minutes - Math.floor(minutes / 10));
}

/**
 * Reads a typed time: `36`, `1.5s`, `00:00:01:12` (`;` before the frames is drop frame), and with a sign, from `here`. Nothing where it can't be read.
 */
export function typedTime(text: string, rate: string, here: number): number | undefined {
  const t = text.trim();
  const sign = t.startsWith('+') ? 1 : t.startsWith('-') ? -1 : 0;
  const plain = sign === 0 ? t : t.slice(1);
  let frames: number;
  if (/^\d+$/.test(plain)) {
    frames = Number(plain);
  } else if (/^\d*\.?\d+s$/.test(plain)) {
    frames = Math.round(Number(plain.slice(0, -1)) * framesPerSecond(rate));
  } else if (/^\d{1,3}:\d{2}:\d{2}[:;]\d{2,3}$/.test(plain)) {
    const [h = 0, m = 0, s = 0, f = 0] = plain.split(/[:;]/).map(Number);
    frames = ((h * 60 + m) * 60 + s) * nominal(rate) + f;
    if (plain.includes(';')) frames -= dropped(h * 60 + m, rate);
  } else {
    return undefined;
  }
  return sign === 0 ? frames : here + sign * frames;
}
