import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Problem } from '../api/client';
import * as fixtures from '../api/fixtures';
import { session } from '../session/session.svelte';
import { outbox, type Waiting } from './outbox.svelte';

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');

const reading = (id: string, value: string): Waiting => ({
  id,
  job: 'j',
  unit: 'LAU-2',
  by: session.me?.login ?? '',
  since: '2026-02-03T04:05:06Z',
  evidence: { situation: 'call', value }
});

const device = () => openDB('jolly-chain', 1);

async function kept(): Promise<Record<string, unknown>[]> {
  const db = await device();
  const all = (await db.getAll('outbox')) as Record<string, unknown>[];
  db.close();
  return all;
}

beforeEach(async () => {
  session.view = fixtures.signedIn();
  await outbox.load();
  const db = await device();
  await db.clear('outbox');
  db.close();
  await outbox.load();
});

afterEach(() => {
  vi.restoreAllMocks();
  outbox.full = false;
});

describe('what waits on a device', () => {
  it('cannot be read by who opens its storage, nor by another person', async () => {
    vi.spyOn(api, 'addEvidence').mockRejectedValue(LOST);
    await outbox.send(reading('one', '238.4'));
    expect(outbox.waiting).toMatchObject([{ id: 'one', evidence: { value: '238.4' } }]);
    const [lies] = await kept();
    expect(Object.keys(lies ?? {}).sort()).toEqual(['by', 'id', 'sealed', 'seq', 'since']);
    const { data } = (lies as { sealed: { data: ArrayBuffer } }).sealed;
    expect(new TextDecoder().decode(data)).not.toMatch(/238|LAU|call/);

    session.view = fixtures.signedIn('ottar', 'b');
    await outbox.load();
    expect(outbox.waiting).toEqual([]);
    expect(outbox.others).toEqual({ runa: 1 });
    session.view = fixtures.signedIn();
    await outbox.load();
    expect(outbox.waiting).toHaveLength(1);
  });

  it('goes out in the order it was made, whatever page made it', async () => {
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValue(LOST);
    await outbox.send(reading('one', '1'));
    await outbox.send(reading('two', '2'));
    await outbox.send(reading('three', '3'));
    expect(outbox.waiting.map((w) => w.id)).toEqual(['one', 'two', 'three']);
    sent.mockReset();
    sent.mockResolvedValue(fixtures.jobView());
    await outbox.flush();
    expect(sent.mock.calls.map(([, id]) => id)).toEqual(['one', 'two', 'three']);
    expect(await kept()).toEqual([]);
  });

  it('says which entry is damaged, and lets it be dropped', async () => {
    const db = await device();
    await db.add('outbox', { id: 'x', by: 'runa', since: '2026-02-03T04:05:06Z', sealed: 'nonsense' });
    db.close();
    await outbox.load();
    expect(outbox.waiting).toMatchObject([{ id: 'x', refused: expect.stringMatching(/damaged/) as string }]);
    const sent = vi.spyOn(api, 'addEvidence').mockResolvedValue(fixtures.jobView());
    await outbox.send(reading('two', '2'));
    expect(sent).toHaveBeenCalledTimes(1);
    await outbox.drop('x');
    expect(outbox.waiting).toEqual([]);
  });

  it('does not stand in the way where the device has no room', async () => {
    session.view = { ...fixtures.signedIn(), deviceKey: '' };
    const sent = vi.spyOn(api, 'addEvidence').mockRejectedValueOnce(LOST);
    await outbox.send(reading('one', '1'));
    expect(outbox.full).toBe(true);
    expect(outbox.waiting).toMatchObject([{ id: 'one' }]);
    sent.mockResolvedValue(fixtures.jobView());
    expect(await outbox.send(reading('two', '2'))).toBeDefined();
    expect(sent.mock.calls.map(([, id]) => id)).toEqual(['one', 'one', 'two']);
    expect(outbox.waiting).toEqual([]);
  });
});
