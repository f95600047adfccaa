import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Problem, type TextProblem } from '../../lib/api/client';
import { readFile } from '../../lib/controls/file';
import DocumentEditor from '../../lib/documents/DocumentEditor.svelte';
import { keyOf, sheetDocuments } from '../../lib/documents/documents';

const problem: TextProblem = {
  line: 2,
  column: 7,
  where: 'supply.volts',
  message: 'must be above 0'
};

describe('the text editor', () => {
  beforeEach(() => {
    vi.restoreAllMocks();
  });

  it('shows problems at their lines as one types and saves only a text without any', async () => {
    vi.spyOn(api, 'validate').mockImplementation((_, text) =>
      Promise.resolve(text.includes('bad') ? [problem] : [])
    );
    const save = vi.spyOn(api, 'saveSheet').mockResolvedValue({ key: 'k', revision: 2 } as never);
    const onsaved = vi.fn();
    const { container } = render(DocumentEditor, { documents: sheetDocuments, text: 'key: k\n', onsaved });
    const area = screen.getByLabelText('Sheet text');
    await userEvent.type(area, 'bad');
    expect(await screen.findByText('1 problem')).toBeInTheDocument();
    expect(container.querySelector('.gutter .bad')).toHaveTextContent('2');
    expect(screen.getByRole('button', { name: /Save/ })).toBeDisabled();

    await userEvent.clear(area);
    await userEvent.type(area, 'key: k2');
    await waitFor(() => expect(screen.getByRole('button', { name: /Save/ })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: /Save/ }));
    expect(save).toHaveBeenCalledWith('k2', 'key: k2', undefined);
    await waitFor(() => expect(onsaved).toHaveBeenCalled());
  });

  it('shows what another changed meanwhile, keeps what was typed, and saves over it when asked again', async () => {
    vi.spyOn(api, 'validate').mockResolvedValue([]);
    const save = vi
      .spyOn(api, 'saveSheet')
      .mockRejectedValueOnce(
        new Problem(409, 'Conflict', 'imke saved revision 3 meanwhile.', {}, [
          '@@ -1 +1 @@',
          '-volts: 240',
          '+volts: 230'
        ])
      )
      .mockResolvedValue({ key: 'k', revision: 4 } as never);
    const text = 'key: k\nvolts: 240';
    render(DocumentEditor, { documents: sheetDocuments, text, revision: 2, onsaved: vi.fn() });
    const area = screen.getByLabelText('Sheet text');
    await userEvent.type(area, '8');
    const button = screen.getByRole('button', { name: /Save/ });
    await waitFor(() => expect(button).toBeEnabled());
    await userEvent.click(button);
    expect(await screen.findByText('+ volts: 230')).toBeInTheDocument();
    expect(area).toHaveValue(`${text}8`);
    await userEvent.click(button);
    expect(save.mock.calls.map(([, , base]) => base)).toEqual([2, undefined]);
  });

  it('puts the cursor where a problem is', async () => {
    vi.spyOn(api, 'validate').mockResolvedValue([problem]);
    render(DocumentEditor, { documents: sheetDocuments, text: 'key: k\nvolts: 0\n', onsaved: vi.fn() });
    await userEvent.click(await screen.findByRole('button', { name: /must be above 0/ }));
    const area = screen.getByLabelText('Sheet text') as HTMLTextAreaElement;
    expect(area).toHaveFocus();
    expect(area.selectionStart).toBe('key: k\n'.length + 6);
  });
});

describe('a sheet from a file', () => {
  it('is refused before it is read where it cannot be one', async () => {
    await expect(readFile(new File(['x'.repeat(300_000)], 'big.yaml'))).rejects.toThrow('256 kB at most');
    await expect(readFile(new File([new Uint8Array([0xff, 0xfe, 0x41])], 'odd.yaml'))).rejects.toThrow(
      'UTF-8'
    );
  });

  it('knows the name it gives itself, in YAML and in JSON', () => {
    expect(keyOf('format: x\nkey: dryer-1\n')).toBe('dryer-1');
    expect(keyOf('{\n  "key": "dryer-2"\n}')).toBe('dryer-2');
    expect(keyOf('title: none')).toBeUndefined();
  });
});
