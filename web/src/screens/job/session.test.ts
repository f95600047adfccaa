import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type JobView, Problem } from '../../lib/api/client';
import { entry, job, jobView, pathTests, plan, proposal, sheet, signedIn } from '../../lib/api/fixtures';
import { outbox } from '../../lib/outbox/outbox.svelte';
import { session as atWork } from '../../lib/session/session.svelte';
import { JobSession } from './JobSession.svelte';
import { SUPPLY } from './steps/walk/probe';

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');
const REFUSED = new Problem(422, 'Not a reading', '"abc" is no reading.');
const asking = jobView({ plan: plan('ask', [proposal(), proposal({ id: 'other', across: 'element' })]) });

async function opened(view: JobView): Promise<JobSession> {
  vi.spyOn(api, 'job').mockResolvedValue(view);
  const session = new JobSession('j');
  await session.load();
  return session;
}

beforeEach(() => {
  localStorage.clear();
  vi.spyOn(api, 'sheet').mockResolvedValue(sheet());
  vi.spyOn(api, 'tests').mockResolvedValue(pathTests);
  vi.spyOn(api, 'meters').mockResolvedValue([]);
});
afterEach(() => vi.restoreAllMocks());

describe('a session', () => {
  it('says why its job cannot be shown, and loads it when asked again', async () => {
    vi.spyOn(api, 'job').mockRejectedValueOnce(LOST).mockResolvedValue(asking);
    const session = new JobSession('j');
    await session.load();
    expect(session.missing).toBe('Jolly Chain does not answer.');
    await session.load();
    expect(session.missing).toBe('');
    expect(session.view).toBe(asking);
  });

  it('has the proposed probe, another of the proposals, or one of its own choice', async () => {
    const session = await opened(asking);
    expect(session.probe).toMatchObject({ across: 'limit', function: 'volts-ac' });
    session.propose(proposal({ id: 'other', function: 'ohms', celsius: 130 }));
    expect(session.probe).toMatchObject({ function: 'ohms', unit: 'Ω' });
    expect(session.how.celsius).toBe('130 C');
    session.select(1);
    expect(session.probe).toMatchObject({ across: 'element' });
    expect(session.how.celsius).toBe('');
    session.back();
    expect(session.probe).toMatchObject({ across: 'limit', function: 'volts-ac' });
  });

  it('keeps the meter that was chosen from probe to probe', async () => {
    const session = await opened(asking);
    session.how.meter = 'bench';
    session.select(1);
    expect(session.how.meter).toBe('bench');
  });

  it('offers the state without power to what is read so, and logs it there on the next Enter', async () => {
    const session = await opened(asking);
    const refused = new Problem(422, 'This cannot be evidence', 'is read with ohms, power off', {
      situation: 'is read with ohms, power off'
    });
    const told = vi.spyOn(outbox, 'send').mockRejectedValueOnce(refused).mockResolvedValue(asking);
    session.draft = 'element 12.8 ohm';
    expect(await session.log()).toBe(false);
    expect(session.error).toContain('power off');
    expect(session.draft).toBe('element 12.8 ohm');
    expect(session.how.situation).not.toBe('');
    expect(await session.log()).toBe(true);
    const { evidence } = told.mock.calls[1]?.[0] ?? {};
    expect(evidence).toMatchObject({ function: 'ohms', value: 'element 12.8 ohm' });
    expect(session.sheet?.situations[evidence?.situation ?? '']?.supplyOn).toBe(false);
  });

  it('moves along the chain to its ends, and to the supply with a permit alone', async () => {
    const live = await opened(asking);
    live.along(-1);
    expect(live.chosen).toBe(SUPPLY);
    live.along(-1);
    expect(live.chosen).toBe(SUPPLY);
    for (let i = 0; i < 5; i++) live.along(1);
    expect(live.chosen).toBe(1);

    const isolated = await opened(jobView({ job: job({ permit: 'isolated' }) }));
    isolated.along(-1);
    expect([isolated.chosen, isolated.probe?.function]).toEqual([0, 'ohms']);
  });

  it('shows the path on which the next probe lies', async () => {
    const view = jobView({ plan: plan('ask', [proposal({ across: 'coil' })]) });
    const [heat] = view.assessment.paths;
    if (!heat) throw new Error('the fixture has a path');
    const [riser] = heat.risers;
    if (!riser) throw new Error('the fixture has a link');
    view.assessment.paths.push({ ...heat, id: 'start', risers: [{ ...riser, part: 'coil' }] });
    expect((await opened(view)).path?.id).toBe('start');
  });

  it('keeps what is typed over a reload until it is logged', async () => {
    const first = await opened(asking);
    first.draft = '23';
    const again = await opened(asking);
    expect(again.draft).toBe('23');
    vi.spyOn(api, 'addEvidence').mockResolvedValue(asking);
    expect(await again.log()).toBe(true);
    expect(new JobSession('j').draft).toBe('');
  });

  it('logs nothing that is not typed, and says what would be', async () => {
    const sent = vi.spyOn(api, 'addEvidence');
    const session = await opened(asking);
    expect(await session.log(' ')).toBe(false);
    expect(session.error).toMatch(/Type what the meter shows, like 119\.8/);
    session.propose(proposal({ function: 'ohms' }));
    await session.log('');
    expect(session.error).toMatch(/0\.2 or OL/);
    expect(sent).not.toHaveBeenCalled();
  });

  it('asks where a bare figure was read that answers no probe', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockResolvedValue(asking);
    const look = proposal({ kind: 'check', check: 'filter', title: 'Filter and sump' });
    const session = await opened({ ...asking, plan: { ...asking.plan, next: [look] } });
    session.startTyping('10.2k');
    expect(await session.log()).toBe(false);
    expect(session.error).toMatch(/^Where was 10\.2k read\?/);
    expect(sent).not.toHaveBeenCalled();
    session.select(0);
    expect(session.draft).toBe('10.2k');
    expect(await session.log()).toBe(true);
  });

  it('keeps what was refused in its field, and sends it under a new id', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValue(REFUSED);
    const session = await opened(asking);
    session.draft = 'abc';
    await session.log();
    expect(session.error).toBe('"abc" is no reading.');
    expect(session.draft).toBe('abc');
    expect(session.waiting).toEqual([]);
    await session.log();
    const ids = sent.mock.calls.map(([, id]) => id);
    expect(ids[1]).not.toBe(ids[0]);
  });

  it('makes one change at a time', async () => {
    let answer: (view: JobView) => void = () => {};
    const sent = vi.spyOn(api, 'addEvidence').mockReturnValue(new Promise((done) => (answer = done)));
    const session = await opened(asking);
    const first = session.log('238');
    expect(session.busy).toBe(true);
    expect(await session.log('239')).toBe(false);
    expect(await session.strike(entry(1), 'slipped')).toMatchObject({ final: false });
    answer(asking);
    expect(await first).toBe(true);
    expect(sent).toHaveBeenCalledOnce();
  });

  it('asks once whether a wire that was to come off is off', async () => {
    const lifted = {
      ...asking,
      plan: plan('ask', [
        proposal({ function: 'ohms', red: 'L1', black: 'A', situation: 'isolated', liftedAt: ['A'] })
      ])
    };
    const added = vi.spyOn(api, 'addEvidence').mockResolvedValue(lifted);
    const session = await opened(lifted);
    expect(await session.log('12.1')).toBe(false);
    expect(session.error).toContain('Is the wire off at A?');
    expect(session.draft).toBe('12.1');
    session.takeOtherwise('wires');
    expect(await session.log()).toBe(true);
    expect(added.mock.lastCall?.[2]).toMatchObject({ liftedAt: ['A'], value: '12.1' });
  });

  it('takes a reading otherwise by one key, until another probe comes', async () => {
    const session = await opened(asking);
    const before = session.probe?.function;
    session.takeOtherwise('wires');
    session.takeOtherwise('function');
    session.takeOtherwise('state');
    expect(session.how.freed).toBe(true);
    expect(session.how.function).not.toBe(before);
    expect(session.how.situation).not.toBe('');
    session.back();
    expect(session.how).toMatchObject({ freed: false, function: '', situation: '' });
  });

  it('leaves what failed in a dialog to the dialog', async () => {
    vi.spyOn(api, 'strike').mockRejectedValue(REFUSED);
    const session = await opened(asking);
    expect(await session.strike(entry(1), 'slipped')).toMatchObject({
      why: '"abc" is no reading.',
      final: true
    });
    expect(session.error).toBe('');
  });

  it('adds a point out of reach to those there are, and skips no choice of its own', async () => {
    const planned = vi.spyOn(api, 'planJob').mockResolvedValue(asking);
    const session = await opened({ ...asking, policy: { unreachable: ['N'] } });
    await session.unreachable('A');
    expect(planned).toHaveBeenLastCalledWith(
      'j',
      'live',
      { unreachable: ['N', 'A'] },
      { version: 1, changes: 0 }
    );
    session.select(0);
    await session.skip();
    expect(planned).toHaveBeenCalledOnce();
  });

  it('changes nothing of a closed job', async () => {
    const sent = vi.spyOn(api, 'addEvidence');
    const planned = vi.spyOn(api, 'planJob');
    const closed = await opened({ ...asking, job: job({ closedAt: '2026-02-03T05:00:00Z' }) });
    expect(await closed.log('238')).toBe(false);
    await closed.skip();
    expect([sent.mock.calls, planned.mock.calls]).toEqual([[], []]);
  });

  it('says beside the probe why a table was not taken', async () => {
    vi.spyOn(api, 'importEvidence').mockRejectedValue(new Problem(422, 'Bad', 'line 3: no part "x"'));
    const session = await opened(asking);
    await session.importCsv('a,b');
    expect(session.error).toBe('line 3: no part "x"');
  });

  it('shows no older answer over what was sent while it loaded', async () => {
    atWork.view = signedIn();
    const newer = { ...asking, job: job({ changes: 2 }) };
    let answer: (view: JobView) => void = () => undefined;
    vi.spyOn(api, 'job').mockReturnValue(new Promise((done) => (answer = done)));
    vi.spyOn(api, 'addEvidence').mockRejectedValueOnce(LOST).mockResolvedValue(newer);
    await outbox.send({
      id: 'one',
      job: 'j',
      unit: 'LAU-2',
      by: 'runa',
      since: '2026-02-03T04:05:06Z',
      evidence: { situation: 'call', value: '1' }
    });
    const session = new JobSession('j');
    const stop = session.follow();
    const loading = session.load();
    await outbox.flush();
    expect(session.view).toBe(newer);
    answer({ ...asking, job: job({ changes: 1 }) });
    await loading;
    expect(session.view).toBe(newer);
    stop();
  });
});
