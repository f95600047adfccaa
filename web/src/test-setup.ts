import '@testing-library/jest-dom/vitest';
import 'fake-indexeddb/auto';
import { webcrypto } from 'node:crypto';

// the tests' page has no encryption
Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });

// the tests' page has no layout to observe
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
