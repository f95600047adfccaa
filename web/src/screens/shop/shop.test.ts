import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type Meter, Problem, type ShopPolicy } from '../../lib/api/client';
import MeterDialog from './MeterDialog.svelte';
import { MINUTES } from './minutes';
import ShopScreen from './ShopScreen.svelte';

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

  it('asks for every figure as a number, and takes a comma', async () => {
    const onkeep = vi.fn().mockResolvedValue(undefined);
    render(MeterDialog, { meter: field, onkeep, onclose: vi.fn() });
    const buzzer = screen.getByLabelText('Beeps below, Ω');
    await userEvent.clear(buzzer);
    await submit();
    expect(screen.getByText('Beeps below, Ω: a number is needed.')).toBeInTheDocument();
    await userEvent.type(buzzer, '32,5');
    await submit();
    expect(onkeep).toHaveBeenCalledWith(expect.objectContaining({ id: 'field', buzzerOhms: 32.5 }), 3);
  });
});

const field: Meter = {
  id: 'field',
  name: 'Field meter',
  counts: 6000,
  voltsAcShare: 0.01,
  voltsDcShare: 0.005,
  ohmsShare: 0.009,
  voltsOhms: 1e7,
  lowImpedanceOhms: 3e5,
  buzzerOhms: 30,
  leadOhms: 0.1,
  overLimitOhms: 4e7,
  category: 'CAT III 600 V',
  retired: false,
  version: 3
};

describe('the shop', () => {
  const minutes = Object.fromEntries(MINUTES.map(([key]) => [key, 1])) as ShopPolicy['policy']['minutes'];
  const policy: ShopPolicy = {
    policy: { method: 'mixed', order: 'best-value', exposureMinutes: 0.5, minutes },
    version: 7
  };

  async function open() {
    vi.spyOn(api, 'meters').mockResolvedValue([field]);
    vi.spyOn(api, 'shopPolicy').mockResolvedValue(policy);
    render(ShopScreen);
    await screen.findByText('Field meter');
  }
  afterEach(() => vi.restoreAllMocks());

  it('keeps what a new job starts with, at the version that was seen', async () => {
    const kept = vi.spyOn(api, 'keepShopPolicy').mockResolvedValue({ ...policy, version: 8 });
    await open();
    await userEvent.selectOptions(screen.getByLabelText('Method'), 'isolated-ohms');
    await submit();
    expect(kept.mock.lastCall?.[0]).toMatchObject({
      policy: { method: 'isolated-ohms', minutes },
      version: 7
    });
    expect(await screen.findByRole('status')).toHaveTextContent('Kept.');
    await submit();
    expect(kept.mock.lastCall?.[0]).toMatchObject({ version: 8 });
  });

  it('says why it could not be kept', async () => {
    vi.spyOn(api, 'keepShopPolicy').mockRejectedValue(new Problem(409, 'Changed', 'Changed meanwhile.'));
    await open();
    await submit();
    expect(await screen.findByText('Changed meanwhile.')).toBeInTheDocument();
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('takes a meter out of use and back', async () => {
    vi.spyOn(api, 'retireMeter').mockResolvedValue([{ ...field, retired: true }]);
    const back = vi.spyOn(api, 'restoreMeter').mockResolvedValue([field]);
    await open();
    await userEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    expect(await screen.findByText('Field meter, out of use')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Back in use' }));
    expect(back).toHaveBeenCalledWith('field');
  });
});
