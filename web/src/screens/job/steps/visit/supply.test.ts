import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SupplyPicture } from '../../../../lib/api/client';
import SupplyDrawing from './SupplyDrawing.svelte';

const field = (red: string, black: string, more: Partial<SupplyPicture['fields'][number]> = {}) => ({
  red,
  black,
  expected: 240,
  low: 228,
  high: 252,
  shown: '',
  fits: false,
  next: false,
  ...more
});

const picture: SupplyPicture = {
  place: 'outlet',
  title: 'At the outlet',
  reach: 'Outlet, plug out',
  situation: 'call',
  situationTitle: 'Heat called',
  function: 'volts-ac',
  range: '600 V',
  terminals: [
    { id: 'line1', point: 'PL1', title: 'L1' },
    { id: 'line2', point: 'PL2', title: 'L2' },
    { id: 'neutral', point: 'PN', title: 'N' }
  ],
  fields: [
    field('PL1', 'PL2', { shown: '3.1 V' }),
    field('PL1', 'PN', { low: 114, high: 126, next: true }),
    field('PL2', 'PN', { low: 0, high: 2 })
  ],
  source: 'ANSI C84.1'
};

beforeEach(() => vi.restoreAllMocks());

describe('the supply as it is drawn', () => {
  it('has a field between each two terminals, with what was read and what it has to be', () => {
    render(SupplyDrawing, { picture, typed: true, disabled: false, onread: vi.fn() });
    const drawing = screen.getByRole('region', { name: 'At the outlet' });
    expect(drawing).toHaveTextContent(/✗ 3.1 V 228 to 252 V/);
    expect(drawing).toHaveTextContent(/under 2.00 V/);
    expect(screen.getByLabelText('L1 to N')).toHaveAttribute('data-typed');
    expect(screen.getByLabelText('L1 to L2')).not.toHaveAttribute('data-typed');
  });

  it('logs what is typed at its terminals, and keeps it where it could not be', async () => {
    const onread = vi.fn().mockResolvedValueOnce(false).mockResolvedValueOnce(true);
    render(SupplyDrawing, { picture, disabled: false, onread });
    const input = screen.getByLabelText('L1 to N');
    await userEvent.type(input, '119.8{Enter}');
    expect(onread).toHaveBeenCalledWith('PL1', 'PN', '119.8');
    expect(input).toHaveValue('119.8');
    await userEvent.type(input, '{Enter}');
    await waitFor(() => expect(input).toHaveValue(''));
  });

  it('takes nothing without a permit', () => {
    render(SupplyDrawing, { picture, disabled: true, onread: vi.fn() });
    for (const input of screen.getAllByRole('textbox')) expect(input).toBeDisabled();
  });
});
