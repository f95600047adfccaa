import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Problem, type Unit, type UnitHistory } from '../../lib/api/client';
import { job } from '../../lib/api/fixtures';
import UnitScreen from './UnitScreen.svelte';
import UnitsScreen from './UnitsScreen.svelte';

const unit: Unit = {
  id: 'u1',
  tag: 'LAU-2',
  title: 'Bunkhouse dryer',
  model: 'D-54',
  serial: 'TS-7',
  place: 'Cellar',
  version: 3
};
const history: UnitHistory = {
  unit,
  sheetKey: 'dryer',
  visits: [
    {
      job: job({ id: 'a', outcome: 'Fuse renewed' }),
      complaintTitle: 'Stays cold',
      readings: 4,
      step: '',
      next: ''
    }
  ],
  fitted: [
    { jobId: 'a', part: 'thermal fuse', printed: '91 C', on: '2026-02-03T04:05:06Z' },
    { jobId: 'b', part: 'thermal fuse', printed: '', on: '2025-11-03T04:05:06Z' }
  ],
  repeated: [{ part: 'thermal fuse', times: 2 }],
  due: [],
  print: { facts: [], offered: [], asked: [] }
};

beforeEach(() => {
  vi.restoreAllMocks();
  vi.spyOn(api, 'units').mockResolvedValue([
    unit,
    { ...unit, id: 'u2', tag: 'GAL-1', title: 'Range', place: '' }
  ]);
  vi.spyOn(api, 'unit').mockResolvedValue(history);
});

describe('the units', () => {
  it('are found by any of their words', async () => {
    render(UnitsScreen);
    await userEvent.type(await screen.findByRole('searchbox'), 'cellar');
    await waitFor(() => expect(screen.getAllByRole('listitem')).toHaveLength(1));
    expect(screen.getByRole('listitem')).toHaveTextContent(/LAU-2.*Bunkhouse dryer.*D-54.*TS-7/);
  });

  it('say of a table each row that is wrong, and keep the list', async () => {
    vi.spyOn(api, 'importUnits').mockRejectedValue(
      new Problem(422, 'Refused', 'Nothing was taken. line 3: "a b" is no tag')
    );
    render(UnitsScreen);
    await userEvent.upload(
      await screen.findByLabelText('Import a table', { selector: 'input' }),
      new File(['tag\na b'], 'units.csv')
    );
    expect(await screen.findByText(/line 3: "a b" is no tag/)).toBeInTheDocument();
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
  });
});

describe('a unit', () => {
  it('shows its visits, what was fitted, and what was renewed again and again', async () => {
    render(UnitScreen, { params: { tag: 'LAU-2' } });
    expect(await screen.findByRole('note')).toHaveTextContent(/thermal fuse renewed 2 times/);
    expect(screen.getByRole('region', { name: 'Visits' })).toHaveTextContent(/Stays cold.*Fuse renewed/);
    expect(screen.getByRole('region', { name: 'Parts fitted' })).toHaveTextContent(
      /thermal fuse.*91 C.*not readable/
    );
  });

  it('is changed by the version that was seen', async () => {
    const keep = vi.spyOn(api, 'keepUnit').mockResolvedValue(unit);
    render(UnitScreen, { params: { tag: 'LAU-2' } });
    await userEvent.click(await screen.findByRole('button', { name: 'Change' }));
    await userEvent.type(screen.getByLabelText('Where it stands'), ', west');
    await userEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect(keep).toHaveBeenCalledWith('LAU-2', {
      title: 'Bunkhouse dryer',
      model: 'D-54',
      serial: 'TS-7',
      place: 'Cellar, west',
      version: 3
    });
  });
});
