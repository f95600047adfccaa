/** What a key means while nothing is being typed. */
export type Shortcut =
  'over-limit' | 'strike-last' | 'help' | 'previous' | 'next' | 'log' | 'skip' | 'proposed' | Taken;

/** How a reading is taken, each by one key. */
export type Taken = 'wires' | 'function' | 'state' | 'meter';

const KEYS: Record<string, Shortcut> = {
  o: 'over-limit',
  u: 'strike-last',
  '?': 'help',
  ArrowLeft: 'previous',
  ArrowUp: 'previous',
  ArrowRight: 'next',
  ArrowDown: 'next',
  Enter: 'log',
  s: 'skip',
  p: 'proposed',
  w: 'wires',
  f: 'function',
  t: 'state',
  m: 'meter'
};

export const SHORTCUT_HELP: [keys: string, meaning: string][] = [
  ['0 – 9', 'type a reading, anywhere'],
  ['L1-L2 238', 'points in front of the reading'],
  ['Enter', 'log it'],
  ['o', 'log OL'],
  ['u', 'strike the last one out'],
  ['← →', 'choose a link yourself'],
  ['p', 'back to what is proposed'],
  ['w', 'its own plug or wire is off, or on'],
  ['f t m', 'the next function, state of the unit, meter'],
  ['s', 'skip what is proposed'],
  ['Esc', 'empty the field'],
  ['1 – 6', 'an answer, in the steps where nothing is read'],
  ['Page ↓ ↑', 'the next step, the step before'],
  ['?', 'this list']
];

/** Whether a key pressed there is meant for it. */
export function isField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('textarea, select, input:not([type="radio"]), [contenteditable], [role="dialog"]') !== null
  );
}

/** Who types a word goes on sooner. */
const WORD_MS = 300;

/** A key that is a shortcut waits a moment: with another behind it, a letter begins a word and a digit a figure. */
export class HeldKey {
  #held: { key: string; act: () => void; timer: ReturnType<typeof setTimeout> } | undefined;

  /** Holds a key, and acts by it unless a word follows. */
  hold(key: string, act: () => void) {
    const timer = setTimeout(() => this.release(), WORD_MS);
    this.#held = { key, act, timer };
  }

  /**
   * The beginning of a word, if this key continues one: a small letter does, and so does the digit of a point's name.
   * With any other key the held shortcut acts.
   */
  word(event: KeyboardEvent, points: string[] = []): string | undefined {
    if (!this.#held) return undefined;
    const plain = !event.ctrlKey && !event.altKey && !event.metaKey;
    const begun = (this.#held.key + event.key).toLowerCase();
    const ofPoint = /^\d$/.test(event.key) && points.some((p) => p.toLowerCase().startsWith(begun));
    const figure = /^\d/.test(begun) && /^[\d.,]$/.test(event.key);
    if (!plain || !(ofPoint || figure || /^[a-z]$/.test(event.key))) {
      this.release();
      return undefined;
    }
    clearTimeout(this.#held.timer);
    const word = this.#held.key + event.key;
    this.#held = undefined;
    return word;
  }

  /** Acts at once by what is held. */
  release() {
    const held = this.#held;
    if (!held) return;
    clearTimeout(held.timer);
    this.#held = undefined;
    held.act();
  }
}

/**
 * Sorts a key pressed anywhere on the page: a shortcut, text for the reading field, or neither.
 * Keys with Ctrl, Alt or Meta and keys meant for a control stay the browser's.
 */
export function keyMeaning(event: KeyboardEvent): { shortcut: Shortcut } | { text: string } | undefined {
  if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing) return undefined;
  const target = event.target instanceof HTMLElement ? event.target : undefined;
  if (target?.closest('input, textarea, select, [contenteditable], [role="dialog"]')) return undefined;
  const onControl = target?.closest('button, a, summary') !== null && target !== undefined;
  const shortcut = KEYS[event.key];
  if (shortcut) return onControl && event.key === 'Enter' ? undefined : { shortcut };
  if (event.key.length === 1 && /[\dA-Za-z.+-]/.test(event.key)) return { text: event.key };
  return undefined;
}
