import type { BenchCard } from '../../lib/api/client';

/** Checks that have every word typed in their title, kinds, words or examples; a marking finds its own. */
export function found(cards: BenchCard[], typed: string): BenchCard[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return cards.filter((card) => {
    const text = [card.key, card.title, ...card.kinds, ...card.words, ...card.inputs.map((i) => i.example)]
      .join(' ')
      .toLowerCase();
    return words.every((w) => text.includes(w) || (/^[lf]\d{2,3}/.test(w) && card.key === 'marking'));
  });
}
