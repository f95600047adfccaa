import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type GuideRevision, type GuideView, Problem } from '../../lib/api/client';
import GuideScreen from './GuideScreen.svelte';
import GuidesScreen from './GuidesScreen.svelte';

const summary = {
  key: 'rails',
  revision: 2,
  title: 'Towel rails',
  family: 'other',
  createdAt: '2026-02-03T04:05:06Z'
};
const revision: GuideRevision = { ...summary, createdBy: '', text: 'key: rails\n' };
const guide: GuideView = {
  key: 'rails',
  title: 'Towel rails',
  notes: '',
  causes: {
    covered: {
      id: 'covered',
      title: 'Covered with towels',
      weight: 4,
      opens: ['thermal-fuse'],
      soundCircuit: false,
      complaints: [],
      where: {},
      putRight: ['tell'],
      prevents: []
    }
  },
  checks: {
    ask: {
      id: 'ask',
      title: 'What hangs on it?',
      minutes: 0.5,
      power: 'any',
      applies: { complaints: [], where: {} },
      near: [],
      why: '',
      hazards: [],
      outcomes: { little: 'A towel', much: 'Covered' },
      given: { covered: [0.1, 0.9] },
      otherwise: [0.9, 0.1],
      shows: {}
    }
  },
  actions: { tell: { id: 'tell', title: 'Shown how it is used', minutes: 2 } },
  prevention: {}
};

beforeEach(() => {
  vi.restoreAllMocks();
  vi.spyOn(api, 'newestGuide').mockResolvedValue(revision);
  vi.spyOn(api, 'guide').mockResolvedValue(guide);
});

describe('the guides', () => {
  it('stand with their family and revision', async () => {
    vi.spyOn(api, 'guides').mockResolvedValue([summary]);
    render(GuidesScreen);
    expect(await screen.findByRole('listitem')).toHaveTextContent(/Towel rails.*Others.*revision 2/);
  });
});

describe('a guide', () => {
  it('shows how often each cause is it and how likely each outcome is with it', async () => {
    render(GuideScreen, { params: { key: 'rails' } });
    expect(await screen.findByRole('region', { name: 'Causes' })).toHaveTextContent(
      /Covered with towels.*4.*thermal fuse.*Shown how it is used/
    );
    const check = screen.getByRole('region', { name: 'What hangs on it?' });
    expect(within(check).getByText('90 %', { selector: 'tr:first-child td' })).toBeInTheDocument();
  });

  it('is edited with its problems at their lines', async () => {
    vi.spyOn(api, 'validate').mockResolvedValue([
      { line: 1, column: 1, where: '', message: 'no causes here' }
    ]);
    render(GuideScreen, { params: { key: 'rails' } });
    await userEvent.click(await screen.findByRole('tab', { name: 'Text' }));
    await userEvent.type(screen.getByLabelText('Guide text'), '# more');
    expect(await screen.findByText('no causes here')).toBeInTheDocument();
    expect(api.validate).toHaveBeenLastCalledWith('guides', 'key: rails\n# more');
  });

  it('says where there is none', async () => {
    vi.spyOn(api, 'newestGuide').mockRejectedValue(new Problem(404, 'Not found', 'There is no guide "x".'));
    render(GuideScreen, { params: { key: 'x' } });
    expect(await screen.findByText('There is no guide "x".')).toBeInTheDocument();
  });
});
