import { render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Answer, Problem, type SheetRevision } from '../../lib/api/client';
import { drawing, sheet } from '../../lib/api/fixtures';
import CircuitTab from './CircuitTab.svelte';

const revision: SheetRevision = {
  createdBy: '',
  key: 'heater',
  revision: 2,
  title: 'A heater',
  family: 'other',
  text: '',
  createdAt: '2026-02-03T05:00:00Z'
};
const answer: Answer = {
  points: [],
  parts: [{ part: 'limit', volts: 240, amperes: 0, watts: 0, ohms: 1e9, soundAmperes: 15 }],
  paths: [],
  readings: [{ function: 'volts-ac', red: 'L', black: 'A', sound: '0.3 V', now: '240.1 V', ghost: true }],
  notes: ['Nothing flows.'],
  situation: 'call',
  reference: 'N'
};

beforeEach(() => {
  vi.spyOn(api, 'meters').mockResolvedValue([]);
});
afterEach(() => vi.restoreAllMocks());

function open() {
  const solved = vi.spyOn(api, 'solve').mockResolvedValue(answer);
  render(CircuitTab, { sheet: sheet(), drawings: [drawing], revision });
  const last = () => solved.mock.calls.at(-1)?.[0];
  return last;
}

describe('the circuit of a sheet', () => {
  it('is solved in its first situation, sound', async () => {
    const last = open();
    await waitFor(() => expect(last()).toMatchObject({ sheet: 'heater', situation: 'call', faults: [] }));
  });

  it('is probed at any two points, and the ghost is named', async () => {
    const last = open();
    await userEvent.selectOptions(screen.getByLabelText('Red probe'), 'L');
    await userEvent.selectOptions(screen.getByLabelText('Black probe'), 'A');
    await waitFor(() =>
      expect(last()).toMatchObject({ probes: [{ function: 'volts-ac', red: 'L', black: 'A' }] })
    );
    const meter = within(screen.getByLabelText('Meter', { selector: 'section' }));
    expect(await meter.findByText('240.1 V')).toBeInTheDocument();
    expect(meter.getByText(/A ghost: the wire floats/)).toBeInTheDocument();
  });

  it('measures ohms alone once it is isolated', async () => {
    const last = open();
    await userEvent.selectOptions(screen.getByLabelText('Situation'), 'isolated');
    await waitFor(() => expect(last()).toMatchObject({ situation: 'isolated' }));
    const functions = within(screen.getByLabelText('Function')).getAllByRole('option');
    expect(functions.map((o) => o.textContent)).toEqual(['Ohms', 'Continuity']);
    expect(screen.getByText(/ohms, never volts/)).toBeInTheDocument();
  });

  it('has a part opened, its wire taken off instead, and forgotten', async () => {
    const last = open();
    await userEvent.click(screen.getByRole('button', { name: /high limit/ }));
    const chosen = within(screen.getByLabelText('Chosen part'));
    await userEvent.click(chosen.getByRole('button', { name: 'Open it' }));
    await waitFor(() => expect(last()).toMatchObject({ faults: [{ part: 'limit', mode: 'open' }] }));
    await userEvent.click(chosen.getByRole('button', { name: 'Lift a wire' }));
    await waitFor(() => expect(last()).toMatchObject({ faults: [], lifted: ['limit'] }));
    await userEvent.click(screen.getByRole('button', { name: 'Forget it' }));
    await waitFor(() => expect(last()).toMatchObject({ faults: [], lifted: [] }));
  });

  it('has a load doubled, and grounded at a place', async () => {
    const last = open();
    await userEvent.click(screen.getByRole('button', { name: /element/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Double its ohms' }));
    await waitFor(() =>
      expect(last()).toMatchObject({ faults: [{ part: 'element', mode: 'off-value-high', factor: 2 }] })
    );
    await userEvent.click(screen.getByRole('button', { name: 'Ground at' }));
    await waitFor(() =>
      expect(last()).toMatchObject({
        faults: [{ part: 'element', mode: 'case-leak', ohms: 10, position: 0.5 }]
      })
    );
    expect(screen.getByText(/case leak, 10.* Ω at 50 %/)).toBeInTheDocument();
  });

  it('says why it could not be solved, and what is noted', async () => {
    const last = open();
    expect(await screen.findByText('Nothing flows.')).toBeInTheDocument();
    expect(last()).toBeDefined();
    vi.spyOn(api, 'solve').mockRejectedValue(new Problem(422, 'Not solvable', 'No such point.'));
    await userEvent.selectOptions(screen.getByLabelText('Situation'), 'isolated');
    expect(await screen.findByRole('alert')).toHaveTextContent('No such point.');
  });
});
