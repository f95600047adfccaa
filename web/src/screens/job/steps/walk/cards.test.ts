import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import Flags from '../../../../lib/assessment/Flags.svelte';
import Suspects from '../../../../lib/assessment/Suspects.svelte';
import * as fixtures from '../../../../lib/api/fixtures';
import AskCard from './AskCard.svelte';
import EvidenceDrawer from './EvidenceDrawer.svelte';
import { PLAIN, type Probe } from './probe';
import ProbeCard from './ProbeCard.svelte';
import SeenForm from './SeenForm.svelte';

const sheet = fixtures.sheet();

const probe: Probe = {
  red: 'L',
  black: 'A',
  function: 'volts-ac',
  unit: 'V',
  situation: 'call',
  across: 'limit',
  expectations: [{ reading: 'about 240 V', meaning: 'it is the open one' }]
};

function card(more: object = {}) {
  const calls = { onlog: vi.fn() };
  render(ProbeCard, {
    probe,
    sheet,
    title: 'Next probe',
    aside: '0.6 min',
    steps: ['Rear panel off'],
    why: 'It settles 0.9 bit.',
    caution: 'One hand.',
    meters: [],
    busy: false,
    error: '',
    how: { ...PLAIN },
    value: '',
    field: undefined,
    ...calls,
    ...more
  });
  return calls;
}

describe('the probe card', () => {
  it('says where red and black go and what would mean what', () => {
    card();
    expect(screen.getByText('Limit in, brown')).toBeInTheDocument();
    expect(screen.getByText('Limit out')).toBeInTheDocument();
    expect(screen.getByText('it is the open one')).toBeInTheDocument();
  });

  it('logs with Enter', async () => {
    const { onlog } = card();
    await userEvent.type(screen.getByRole('textbox', { name: 'Reading' }), '237.8{Enter}');
    expect(onlog).toHaveBeenCalledOnce();
  });

  it('says what to do first, and what to mind', () => {
    card();
    expect(screen.getByText('Rear panel off')).toBeInTheDocument();
    expect(screen.getByText('One hand.')).toBeInTheDocument();
  });

  it('says what is wrong with a reading beside it', () => {
    card({ error: '"x" is no reading' });
    expect(screen.getByRole('alert')).toHaveTextContent('is no reading');
    expect(screen.getByRole('textbox', { name: 'Reading' })).toHaveAttribute('aria-invalid', 'true');
  });
});

const assessment = fixtures.assessment({
  parts: [
    {
      id: 'limit',
      title: 'high limit',
      verdict: 'open',
      probability: 0.97,
      modes: [
        { mode: 'open', probability: 0.9 },
        { mode: 'not-made', probability: 0.07 }
      ],
      reading: '237.8 V',
      because: ['237.8 V across the high limit']
    },
    ...fixtures.assessment().parts.slice(1)
  ],
  supply: { verdict: 'sound', probability: 0.02, because: ['238 V from L1 to L2'] },
  leading: {
    part: 'limit',
    mode: 'open',
    title: 'high limit open',
    probability: 0.97,
    confirmed: false,
    alternatives: []
  },
  evidence: [
    { id: 'e1', place: 'across the high limit', shown: '237.8 V', ifSound: '0.3 V', expected: '238 V' }
  ],
  unexplained: 0.01
});

describe('the suspects', () => {
  it('stand in the order of their probability, without what is as good as excluded', () => {
    const { container } = render(Suspects, {
      assessment,
      confirmBy: 'Read ohms across it.',
      onselect: vi.fn()
    });
    const names = [...container.querySelectorAll('summary b')].map((b) => b.textContent);
    expect(names).toEqual(['high limit', 'supply', 'not on this sheet']);
    expect(screen.getByText('97 %')).toBeInTheDocument();
  });

  it('ask for one more look although a test has failed, where the plan does', async () => {
    const failed = { ...assessment, leading: { ...assessment.leading, confirmed: true } };
    const props = { assessment: failed, confirmBy: 'Read it once more.', onselect: vi.fn() };
    const { rerender } = render(Suspects, { ...props, found: false });
    expect(screen.getByText(/To be sure: Read it once more\./)).toBeInTheDocument();
    await rerender({ ...props, found: true });
    expect(screen.getByText(/confirmed by its own test/)).toBeInTheDocument();
  });

  it('say what test is still due before anything is condemned', () => {
    render(Suspects, { assessment, confirmBy: 'Read ohms across it.', onselect: vi.fn() });
    expect(screen.getByText(/To be sure: Read ohms across it\./)).toBeInTheDocument();
  });
});

const struck = fixtures.entry(2, {
  item: { red: 'L', black: 'A', situation: 'call', value: '3' },
  struckAt: '2026-01-05T10:02:00Z',
  struckWhy: 'slipped'
});
const view = fixtures.jobView({ assessment, evidence: [fixtures.entry(1), struck] });

describe('the evidence drawer', () => {
  it('shows what was expected beside what was read, and struck ones with their reason', async () => {
    const onstrike = vi.fn();
    render(EvidenceDrawer, { view, sheet, open: true, onstrike, onimport: vi.fn(), onproblem: vi.fn() });
    expect(
      screen.getByRole('row', { name: /across the high limit .* 237\.8 V 0\.3 V 238 V/ })
    ).toBeInTheDocument();
    expect(screen.getByText('struck out: slipped')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Strike out' }));
    expect(onstrike).toHaveBeenCalledWith(view.evidence[0]);
  });
});

describe('what is asked of eyes and ears', () => {
  it('is answered by a button', async () => {
    const onanswer = vi.fn();
    const proposal = fixtures.proposal({ kind: 'runs', title: 'Does the fan run?' });
    render(AskCard, { proposal, sheet, aside: '', busy: false, error: '', caution: '', onanswer });
    await userEvent.click(screen.getByRole('button', { name: 'Does not run' }));
    expect(onanswer).toHaveBeenCalledWith({
      observation: 'load-runs',
      situation: 'call',
      value: 'no',
      part: 'limit'
    });
  });
});

describe('what is seen without being asked', () => {
  function form(more: Partial<typeof sheet> = {}) {
    const onanswer = vi.fn();
    render(SeenForm, { sheet: fixtures.sheet(more), situation: 'call', busy: false, onanswer });
    return onanswer;
  }

  it('is of a load that runs or not, in the situation at hand', async () => {
    const onanswer = form();
    await userEvent.click(screen.getByRole('button', { name: 'Weakly' }));
    expect(onanswer).toHaveBeenCalledWith({
      observation: 'load-runs',
      situation: 'call',
      value: 'weakly',
      part: 'element'
    });
  });

  it('is how any part looks, in another situation', async () => {
    const onanswer = form();
    await userEvent.selectOptions(screen.getByLabelText('What'), 'look');
    await userEvent.selectOptions(screen.getByLabelText('Part'), 'limit');
    await userEvent.selectOptions(screen.getByLabelText('In'), 'isolated');
    await userEvent.click(screen.getByRole('button', { name: 'Burnt' }));
    expect(onanswer).toHaveBeenCalledWith({
      observation: 'inspection',
      situation: 'isolated',
      value: 'burnt',
      part: 'limit'
    });
  });

  it('is a code, of no part, where the sheet knows any', async () => {
    const onanswer = form({
      codes: {
        F3: { id: 'F3', title: 'Sensor open', suspects: [], when: fixtures.complaint('cold', 'Stays cold') }
      }
    });
    await userEvent.selectOptions(screen.getByLabelText('What'), 'code');
    expect(screen.queryByLabelText('Part')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'F3 Sensor open' }));
    expect(onanswer).toHaveBeenCalledWith({ observation: 'code-shown', situation: 'call', value: 'F3' });
  });

  it('asks for no code where the sheet knows none', () => {
    form();
    expect(screen.queryByRole('option', { name: 'A code it shows' })).toBeNull();
  });
});

describe('the flags', () => {
  it('say what to mind', () => {
    render(Flags, { flags: [{ kind: 'no-current', evidence: ['e1'], text: 'Nothing is shown to flow.' }] });
    expect(screen.getByText('Nothing is shown to flow.')).toBeInTheDocument();
  });
});
