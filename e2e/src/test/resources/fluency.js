// How long the desk takes to answer, measured in its own window: from a change of the pointer until what it changes has been
// painted. A message that is sent as the page draws arrives right after (HTML standard, "update the rendering").

const painted = () =>
  new Promise((done) =>
    requestAnimationFrame(() => {
      const c = new MessageChannel();
      c.port1.onmessage = () => done(performance.now());
      c.port2.postMessage(0);
    }),
  );
const pause = (ms) => new Promise((done) => setTimeout(done, ms));
const find = (selector) => document.querySelector(selector);
const middle = (element) => {
  const r = element.getBoundingClientRect();
  return [r.x + r.width / 2, r.y + r.height / 2];
};
const point = (target, type, x, y) =>
  target.dispatchEvent(
    new PointerEvent(type, { clientX: x, clientY: y, button: 0, bubbles: true, cancelable: true }),
  );
const press = (key, more = {}) =>
  dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));

/** Several moves of the pointer with some rest between them, each until it has been painted. */
async function moves(times, x, y, by) {
  const all = [];
  for (let i = 0; i < times; i++) {
    await pause(30);
    const from = performance.now();
    point(window, 'pointermove', x + i * by, y);
    all.push((await painted()) - from);
  }
  return all;
}

/** Pictures as they are put on the canvas; the one that the pointer's move asks for is the next. */
let shown = () => undefined;
const put = CanvasRenderingContext2D.prototype.putImageData;
CanvasRenderingContext2D.prototype.putImageData = function (...all) {
  put.apply(this, all);
  shown();
};
const nextPicture = () =>
  new Promise((done) => {
    shown = () => {
      shown = () => undefined;
      void painted().then(done);
    };
  });

window.fluency = {
  /** Dragging all chosen keys: new bars. */
  async bars(times) {
    const key = find("[data-testid^='key-place.position']");
    const [x, y] = middle(key);
    point(key, 'pointerdown', x, y);
    const all = await moves(times, x + 8, y, 3);
    press('Escape');
    return [all];
  },

  /** Scrubbing along the ruler: new bars. */
  async scrub(times) {
    const ruler = find('[data-testid=ruler]');
    const r = ruler.getBoundingClientRect();
    point(ruler, 'pointerdown', r.x + 40, r.y + 20);
    const all = await moves(times, r.x + 60, r.y + 20, 11);
    point(window, 'pointerup', r.x + 60, r.y + 20);
    return [all];
  },

  /** A step of the playhead to a frame that has not been seen before: its picture. */
  async pictures(times) {
    const all = [];
    for (let i = 0; i < times; i++) {
      await pause(30);
      const from = performance.now();
      press('ArrowRight');
      all.push((await nextPicture()) - from);
    }
    return [all];
  },

  /** Dragging a mask: its line and handles where the pointer is; the picture that shows it. */
  async mask(times) {
    const hold = find('[data-testid=mask-middle]');
    const [x, y] = middle(hold);
    point(hold, 'pointerdown', x, y);
    const handles = [];
    const pictures = [];
    for (let i = 0; i < times; i++) {
      await pause(30);
      const was = hold.getAttribute('cx');
      const from = performance.now();
      const picture = nextPicture();
      point(window, 'pointermove', x + 25 + i, y);
      const at = await painted();
      if (hold.getAttribute('cx') === was) throw new Error('The handles have not followed.');
      handles.push(at - from);
      pictures.push((await picture) - from);
    }
    point(window, 'pointerup', x + 25 + times, y);
    return [handles, pictures];
  },

  /** The same without rest, one move for each picture of the screen: from one picture of the mask to the next. */
  async masks(times) {
    const hold = find('[data-testid=mask-middle]');
    const [x, y] = middle(hold);
    point(hold, 'pointerdown', x, y);
    const at = [];
    shown = () => at.push(performance.now());
    for (let i = 0; at.length <= times; i++) {
      point(window, 'pointermove', x + 25 + (i % 200), y);
      await painted();
    }
    shown = () => undefined;
    point(window, 'pointerup', x + 25, y);
    return [at.slice(1).map((t, i) => t - at[i])];
  },

  /** Drawing by hand: from each move of the pen until the line reaches there; and from its lifting to the engine's picture. */
  async pen(times) {
    const board = find('[data-testid=handles]');
    const r = board.getBoundingClientRect();
    const line = () => find('[data-testid=drawn-line]')?.getAttribute('points') ?? '';
    const moves = [];
    const pictures = [];
    for (let k = 0; k < 10; k++) {
      const y = r.y + 40 + k * 20;
      await pause(200);
      point(board, 'pointerdown', r.x + 40, y);
      for (let i = 1; i <= times / 10; i++) {
        await pause(30);
        const was = line();
        const from = performance.now();
        point(window, 'pointermove', r.x + 40 + i * 9, y + (i % 3));
        const at = await painted();
        if (line() === was) throw new Error('The line has not followed.');
        moves.push(at - from);
      }
      const from = performance.now();
      const picture = nextPicture();
      point(window, 'pointerup', r.x + 40, y);
      pictures.push((await picture) - from);
    }
    return [moves, pictures];
  },

  /** An edit: until the curve of a layer's visible share has moved, and until Proof, having begun, is done. */
  async measured(times) {
    const curve = () => find("[data-testid='reveal-Layer 5']")?.getAttribute('d');
    const busy = () => find("aside[aria-label='Proof'] [role=status]").textContent.includes('measuring');
    const field = find("input[aria-label='Opacity']");
    const curves = [];
    const proofs = [];
    for (let i = 0; i < times; i++) {
      const was = curve();
      field.focus();
      field.value = String(80 - i);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      const from = performance.now();
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', code: 'Enter', keyCode: 13, bubbles: true }));
      let moved = 0;
      let begun = false;
      while (!moved || !begun || busy()) {
        await pause(10);
        if (!moved && curve() !== was) moved = performance.now() - from;
        begun ||= busy();
      }
      curves.push(moved);
      proofs.push(performance.now() - from);
    }
    return [curves, proofs];
  },
};
