import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Problem } from '../api/client';
import * as fixtures from '../api/fixtures';
import { typed } from '../device/typed';
import { session } from './session.svelte';

const LOST = new Problem(0, 'No answer', 'Jolly Chain does not answer.');

beforeEach(() => {
  localStorage.clear();
  session.view = fixtures.signedIn();
});
afterEach(() => vi.restoreAllMocks());

describe('signing out', () => {
  it('leaves nothing typed behind, and tells the server once it is back', async () => {
    typed.set('draft j', '238');
    const told = vi.spyOn(api, 'signOut').mockRejectedValue(LOST);
    const asked = vi.spyOn(api, 'session').mockResolvedValue(fixtures.signedIn());
    await session.signOut(false);
    expect(session.me).toBeUndefined();
    expect(session.left).toBe(true);
    expect(typed.get('draft j')).toBe('');
    // a page that is opened meanwhile lets nobody in, though the cookie would
    await session.load();
    expect(session.me).toBeUndefined();
    expect(asked).not.toHaveBeenCalled();

    told.mockResolvedValue(new Response());
    asked.mockResolvedValue({ byClick: [], needsLead: false, secondFactor: 'none' });
    await session.load();
    expect(session.left).toBe(false);
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('is over too where the server knew nobody any more', async () => {
    vi.spyOn(api, 'signOut').mockRejectedValue(new Problem(401, 'No', 'Sign in first.'));
    vi.spyOn(api, 'session').mockResolvedValue({ byClick: [], needsLead: false, secondFactor: 'none' });
    await session.signOut(false);
    expect(session.left).toBe(false);
  });
});

describe('what is typed', () => {
  it('is no matter of a storage that is full', () => {
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    typed.set('draft j', '238');
    expect(typed.get('draft j')).toBe('');
  });
});
