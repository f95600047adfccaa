import { fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type SheetPreview, type TradeWord } from '../../lib/api/client';
import { completion } from './completion';
import { SketchDraft } from './SketchDraft.svelte';
import SketchEditor from './SketchEditor.svelte';

const words: TradeWord[] = [
  { kind: 'limit', role: 'link', word: 'limit', synonyms: ['high limit', 'limit switch'] },
  { kind: 'limiter', role: 'link', word: 'limiter', synonyms: [] },
  { kind: 'heating-element', role: 'load', word: 'heating element', synonyms: ['element'] }
];

const offered = (text: string) => completion(text, text.length, words, ['C1', 'C2', 'D1']).words;

describe('what may be meant', () => {
  it('begins as what stands behind the last separator, the shortest first', () => {
    expect(offered('L > fuse 10A > li')).toEqual(['limit', 'limiter', 'limit switch']);
    expect(offered('L > high-l')).toEqual(['high limit']);
    expect(offered('L\n  elem')).toEqual(['element']);
  });

  it('is a point where a bracket is open', () => {
    expect(offered('L > [c')).toEqual(['C1', 'C2']);
  });

  it('is nothing where the word is whole or a rating is being typed', () => {
    expect(offered('L > element')).toEqual([]);
    expect(offered('L > element 20')).toEqual([]);
    expect(offered('L > ')).toEqual([]);
  });
});

const preview = (more: Partial<SheetPreview> = {}): SheetPreview => ({
  yaml: '',
  usable: false,
  paths: [],
  assumptions: [],
  problems: [],
  ...more
});

describe('a chain being typed', () => {
  beforeEach(() => vi.restoreAllMocks());

  it('says an assumption behind its link, or as a line of its own', () => {
    vi.spyOn(api, 'previewShorthand').mockResolvedValue(preview());
    const draft = new SketchDraft('Heater\nL > element > N\n');
    draft.say({ line: 2, column: 'L > element'.length + 1, say: '2000W' });
    expect(draft.text).toBe('Heater\nL > element 2000W > N\n');
    draft.say({ line: 0, column: 0, say: 'family: other' });
    expect(draft.text).toBe('Heater\nL > element 2000W > N\nfamily: other\n');
  });

  it('shows the answer to what was typed last, whichever comes last', async () => {
    const answers: ((p: SheetPreview) => void)[] = [];
    vi.spyOn(api, 'previewShorthand').mockImplementation(
      () => new Promise((resolve) => answers.push(resolve))
    );
    const draft = new SketchDraft('first');
    draft.text = 'second';
    const looked = draft.look();
    answers[1]?.(preview({ yaml: 'second' }));
    await looked;
    answers[0]?.(preview({ yaml: 'first' }));
    await waitFor(() => expect(draft.preview?.yaml).toBe('second'));
    expect(draft.current).toBe(true);
  });
});

describe('the keys for what is typed most', () => {
  it('put a separator on a line of its own, and the cursor between the brackets', async () => {
    const ontyped = vi.fn();
    render(SketchEditor, { text: 'L', problems: [], words, points: [], ontyped });
    const area = screen.getByLabelText('Chains') as HTMLTextAreaElement;
    area.setSelectionRange(1, 1);
    await fireEvent.click(screen.getByRole('button', { name: '>' }));
    expect(ontyped).toHaveBeenLastCalledWith('L\n> ');
    area.setSelectionRange(1, 1);
    await fireEvent.click(screen.getByRole('button', { name: 'fuse' }));
    expect(ontyped).toHaveBeenLastCalledWith('L fuse');
  });

  it('mark the line that something is wrong in', () => {
    render(SketchEditor, {
      text: 'a\nb',
      problems: [
        { line: 2, column: 1, level: 'error', message: 'no' },
        { line: 2, column: 1, level: 'note', message: 'so' }
      ],
      words,
      points: [],
      ontyped: vi.fn()
    });
    expect(screen.getByText('2').parentElement).toHaveClass('error');
  });
});
