import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { UnitPrint } from '../api/client';
import PrintLines from './PrintLines.svelte';

const fact = {
  id: 'f',
  tag: 'DRY-1',
  sheetKey: 'dryer',
  part: 'element',
  said: '4500 W 240 V',
  toldAt: '2026-02-03T04:05:06Z',
  toldBy: 'imke',
  struckWhy: ''
};
const print: UnitPrint = {
  facts: [],
  offered: [{ ...fact, tag: 'DRY-9' }],
  asked: [
    { part: 'element', title: 'element', like: '4500 W 240 V, or 12.8 ohm' },
    { part: 'fuse', title: 'thermal fuse', like: 'L150-40F, or 90 C' }
  ]
};

afterEach(cleanup);

function shown(more: Partial<UnitPrint> = {}, onkeep = vi.fn().mockResolvedValue(undefined)) {
  render(PrintLines, { print: { ...print, ...more }, sheet: 'dryer', onkeep });
  return onkeep;
}

describe('what a plate says', () => {
  it('is kept with Enter, and the next part is at hand', async () => {
    const onkeep = shown();
    const field = screen.getByLabelText('element');
    await fireEvent.input(field, { target: { value: ' 12.8 ohm ' } });
    await fireEvent.submit(field.closest('form') as HTMLFormElement);
    expect(onkeep).toHaveBeenCalledWith('element', '12.8 ohm', false);
    await vi.waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('thermal fuse')));
  });

  it('is taken over from another unit of the model by one tap', async () => {
    const onkeep = shown();
    await fireEvent.click(screen.getByRole('button', { name: '4500 W 240 V, as on DRY-9' }));
    expect(onkeep).toHaveBeenCalledWith('element', '4500 W 240 V', false);
  });

  it('is kept though it is unlikely once that is confirmed, and nothing typed is lost', async () => {
    const onkeep = shown(
      {},
      vi.fn().mockResolvedValueOnce({ why: 'far from others', unlikely: true }).mockResolvedValue(undefined)
    );
    const field = screen.getByLabelText<HTMLInputElement>('element');
    await fireEvent.input(field, { target: { value: '2 ohm' } });
    await fireEvent.submit(field.closest('form') as HTMLFormElement);
    expect((await screen.findByRole('alert')).textContent).toContain('far from others');
    expect(field.value).toBe('2 ohm');
    await fireEvent.click(screen.getByRole('button', { name: 'It is so: keep it' }));
    expect(onkeep).toHaveBeenLastCalledWith('element', '2 ohm', true);
  });

  it('stands in place of its field once it is known', () => {
    shown({ facts: [fact] });
    expect(screen.getByText('4500 W 240 V')).toBeTruthy();
    expect(screen.queryByLabelText('element')).toBeNull();
  });
});
