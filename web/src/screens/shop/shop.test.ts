import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import MeterDialog from './MeterDialog.svelte';

const submit = () => userEvent.click(screen.getByRole('button', { name: 'Keep' }));

describe('a new meter', () => {
  it('is not kept without a name and an id, and is with them', async () => {
    const onkeep = vi.fn().mockResolvedValue(undefined);
    render(MeterDialog, { meter: undefined, onkeep, onclose: vi.fn() });
    await submit();
    expect(screen.getByText(/Give it a name, and an id/)).toBeInTheDocument();
    expect(onkeep).not.toHaveBeenCalled();
    await userEvent.type(screen.getByLabelText('Name'), 'Bench meter 2');
    await userEvent.type(screen.getByLabelText('Id, as readings name it'), ' bench-2 ');
    await submit();
    expect(onkeep).toHaveBeenCalledWith(
      expect.objectContaining({ id: 'bench-2', name: 'Bench meter 2', counts: 6000 }),
      undefined
    );
  });
});
