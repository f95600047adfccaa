import { describe, expect, it, vi } from 'vitest';
import { HeldKey, keyMeaning } from './shortcuts';

function press(key: string, target: HTMLElement = document.body, more: KeyboardEventInit = {}) {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, ...more });
  target.dispatchEvent(event);
  return keyMeaning(event);
}

describe('keys pressed anywhere', () => {
  it('put digits and the names of points into the reading field', () => {
    expect(press('2')).toEqual({ text: '2' });
    expect(press('.')).toEqual({ text: '.' });
    expect(press('L')).toEqual({ text: 'L' });
  });

  it('know their shortcuts', () => {
    expect(press('o')).toEqual({ shortcut: 'over-limit' });
    expect(press('u')).toEqual({ shortcut: 'strike-last' });
    expect(press('ArrowRight')).toEqual({ shortcut: 'next' });
    expect(press('w')).toEqual({ shortcut: 'wires' });
    expect(press('T')).toEqual({ text: 'T' });
  });

  it('leave fields, dialogs and the browser alone', () => {
    const input = document.body.appendChild(document.createElement('input'));
    expect(press('2', input)).toBeUndefined();
    expect(press('o', document.body, { ctrlKey: true })).toBeUndefined();
    const button = document.body.appendChild(document.createElement('button'));
    expect(press('Enter', button)).toBeUndefined();
    expect(press('7', button)).toEqual({ text: '7' });
  });
});

describe('a letter that is a shortcut', () => {
  const key = (name: string, init: KeyboardEventInit = {}) =>
    new KeyboardEvent('keydown', { key: name, ...init });

  it('acts once no other follows, and begins a word where one does', () => {
    vi.useFakeTimers();
    const acted: string[] = [];
    const letter = new HeldKey();
    letter.hold('o', () => acted.push('o'));
    expect(letter.word(key('u'))).toBe('ou');
    vi.runAllTimers();
    expect(acted).toEqual([]);
    letter.hold('o', () => acted.push('o'));
    vi.runAllTimers();
    expect(acted).toEqual(['o']);
    expect(letter.word(key('t'))).toBeUndefined();
    // Enter is no part of a word: what was held comes first
    letter.hold('w', () => acted.push('w'));
    expect(letter.word(key('Enter'))).toBeUndefined();
    expect(acted).toEqual(['o', 'w']);
    // nor is the reading that follows a tick, unless it is a point's name
    letter.hold('w', () => acted.push('again'));
    expect(letter.word(key('1'), ['L1', 'M1'])).toBeUndefined();
    letter.hold('w', () => acted.push('OL'));
    expect(letter.word(key('O'))).toBeUndefined();
    expect(acted).toEqual(['o', 'w', 'again', 'OL']);
    letter.hold('m', () => acted.push('m'));
    expect(letter.word(key('1'), ['L1', 'M1'])).toBe('m1');
    // a digit answers, unless it begins a figure
    letter.hold('2', () => acted.push('2'));
    expect(letter.word(key('3'))).toBe('23');
    letter.hold('2', () => acted.push('2'));
    vi.runAllTimers();
    expect(acted.at(-1)).toBe('2');
    vi.useRealTimers();
  });
});
