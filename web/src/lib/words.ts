import type { Change, Layer } from '../api/client';

/** The change that gives a text other words; a name that says its words goes on saying them. */
export function reworded(layer: Layer, words: string): Change {
  const change = {
    layer: layer.id,
    patch: [{ op: 'add' as const, path: '/content/words', value: words }],
  };
  const before = layer.content.kind === 'text' ? layer.content.words : '';
  if (layer.name === inOneLine(before) && words.trim()) {
    change.patch.push({ op: 'add', path: '/name', value: inOneLine(words) });
  }
  return change;
}

const inOneLine = (words: string) => words.replace(/\n/g, ' ');
