/** Works out a typed sum of numbers with + − * / and brackets; nothing where it isn't one. */
export function sum(text: string): number | undefined {
  const tokens = text
    .replace(/−/g, '-')
    .replace(/,/g, '.')
    .match(/\d*\.?\d+|[-+*/()]/g);
  if (!tokens || tokens.join('') !== text.replace(/−/g, '-').replace(/,/g, '.').replace(/\s/g, '')) {
    return undefined;
  }
  let at = 0;
  function term(): number {
    let value = factor();
    while (tokens?.[at] === '*' || tokens?.[at] === '/') {
      value = tokens[at++] === '*' ? value * factor() : value / factor();
    }
    return value;
  }
  function factor(): number {
    const token = tokens?.[at++];
    if (token === '-') return -factor();
    if (token === '+') return factor();
    if (token === '(') {
      const inside = all();
      return tokens?.[at++] === ')' ? inside : NaN;
    }
    return token === undefined ? NaN : Number(token);
  }
  function all(): number {
    let value = term();
    while (tokens?.[at] === '+' || tokens?.[at] === '-') {
      value = tokens[at++] === '+' ? value + term() : value - term();
    }
    return value;
  }
  const value = all();
  return at === tokens.length && Number.isFinite(value) ? value : undefined;
}
