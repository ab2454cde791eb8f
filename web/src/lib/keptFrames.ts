import { isPlanes, sizeOf, type Shown } from './answers';

/** Twelve seconds of 1920 × 1080 as they go by, or of half its size as they are. */
export const KEPT_BYTES = 900e6;
/** More than are ever asked for at once. */
const DRAFTS = 4;

/** Frames by the names of their content, as many as there is room for, and the newest drafts. */
export class KeptFrames {
  private readonly kept = new Map<string, Shown>();
  private readonly drafts = new Map<string, Shown>();
  private bytes = 0;

  get(key: string): Shown | undefined {
    return this.kept.get(key);
  }

  /** One that is kept, or a draft. */
  any(key: string): Shown | undefined {
    return this.kept.get(key) ?? this.drafts.get(key);
  }

  has(key: string): boolean {
    return this.kept.has(key);
  }

  clear() {
    this.kept.clear();
    this.drafts.clear();
    this.bytes = 0;
  }

  /** @param wanted the names of the frames that will be played next, in this order; what is of no use goes first */
  keep(key: string, image: Shown, wanted: () => string[]): boolean {
    const before = this.kept.get(key);
    // One that is exact stays, also where it comes once more as it goes by.
    if (before && (isPlanes(image) || !isPlanes(before))) return false;
    if (before) this.bytes -= sizeOf(before);
    this.bytes += sizeOf(image);
    this.kept.set(key, image);
    if (this.bytes > KEPT_BYTES) this.makeRoom(key, wanted());
    return true;
  }

  private makeRoom(but: string, wanted: string[]) {
    const order = new Map(wanted.map((k, i) => [k, i]));
    const all = [...this.kept.keys()].filter((k) => k !== but);
    const rank = (k: string) => order.get(k) ?? Infinity;
    all.sort((a, b) => (rank(a) === rank(b) ? 0 : rank(b) - rank(a)));
    for (const key of all) {
      if (this.bytes <= 0.97 * KEPT_BYTES) break;
      const old = this.kept.get(key);
      this.kept.delete(key);
      if (old) this.bytes -= sizeOf(old);
    }
  }

  /** Drafts come by the dozen and would push out what playback needs: only those that answers may still refer to stay. */
  keepDraft(key: string, image: Shown) {
    this.drafts.delete(key);
    this.drafts.set(key, image);
    const [oldest] = this.drafts.keys();
    if (this.drafts.size > DRAFTS && oldest !== undefined) this.drafts.delete(oldest);
  }
}
