import '@testing-library/jest-dom/vitest';
import { configure } from '@testing-library/svelte';
import 'fake-indexeddb/auto';
import { vi } from 'vitest';

// the tests' page has no layout to observe
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

// a machine that does other work beside it may take long; a test that hangs ends all the same
const PATIENCE_MS = 60_000;
configure({ asyncUtilTimeout: PATIENCE_MS });
const { waitFor } = vi;
vi.waitFor = (done, options) =>
  waitFor(done, { timeout: PATIENCE_MS, ...(typeof options === 'object' ? options : {}) });
