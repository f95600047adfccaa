import type { TradeWord } from '../../lib/api/client';

const MOST = 5;
const SEPARATOR = /[>→\n[]/;

/** What may be meant by the word that is being typed, and what it would replace. */
export interface Completion {
  from: number;
  to: number;
  words: string[];
}

/** Words of the trade, or points where a bracket is open, that begin as what stands before the cursor. */
export function completion(text: string, cursor: number, words: TradeWord[], points: string[]): Completion {
  let from = cursor;
  while (from > 0 && !SEPARATOR.test(text[from - 1] ?? '')) from--;
  const point = text[from - 1] === '[';
  while (from < cursor && /\s/.test(text[from] ?? '')) from++;
  const typed = text.slice(from, cursor).toLowerCase();
  const begun = typed.replace(/[\s-]/g, '');
  const none = { from, to: cursor, words: [] };
  if (begun === '' || /[\]"@=]|\d/.test(typed)) return none;
  const all = point ? points : words.flatMap((w) => [w.word, ...w.synonyms]);
  const found = all.filter((w) => {
    const plain = w.toLowerCase().replace(/[\s-]/g, '');
    return plain.startsWith(begun) && plain !== begun;
  });
  // the shortest is the one that is said most
  return { from, to: cursor, words: [...new Set(found)].sort((a, b) => a.length - b.length).slice(0, MOST) };
}
