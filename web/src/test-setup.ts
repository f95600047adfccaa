import '@testing-library/jest-dom/vitest';

// the tests' page has no layout to observe
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
