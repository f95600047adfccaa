import { beforeEach, describe, expect, it } from 'vitest';
import { Pending } from './pending';

describe('what is sent and not acknowledged', () => {
  beforeEach(() => localStorage.clear());

  it('goes out again under the same id, also after a reload', () => {
    const id = new Pending('reading').idOf({ across: 'limit', value: '0.1' });
    expect(new Pending('reading').idOf({ across: 'limit', value: '0.1' })).toBe(id);
    expect(new Pending('reading').get()).toEqual({ id, content: { across: 'limit', value: '0.1' } });
  });

  it('is another one where anything in it differs, and once it is settled', () => {
    const pending = new Pending('reading');
    const id = pending.idOf({ across: 'limit', value: '0.1' });
    expect(pending.idOf({ across: 'fuse', value: '0.1' })).not.toBe(id);
    const second = pending.idOf({ across: 'fuse', value: '0.1' });
    pending.settled();
    expect(pending.get()).toBeUndefined();
    expect(pending.idOf({ across: 'fuse', value: '0.1' })).not.toBe(second);
  });
});
