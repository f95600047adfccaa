import { svelte } from '@sveltejs/vite-plugin-svelte';
import { optimizeCss } from 'carbon-preprocess-svelte';
import type { Plugin } from 'postcss';
import type { Plugin as VitePlugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Carbon's stylesheet asks a font host for IBM Plex; ours ship with the application. */
const withoutRemoteFonts: Plugin = {
  postcssPlugin: 'without-remote-fonts',
  AtRule: {
    'font-face': (rule) => {
      if (/url\(['"]?https?:/.test(rule.toString())) rule.remove();
    }
  }
};

/** Names all files of the page, so that it can be kept whole for opening without the server. */
const fileList: VitePlugin = {
  name: 'file-list',
  generateBundle(_, bundle) {
    const files = [...Object.keys(bundle).filter((f) => f.startsWith('assets/')), 'theme.js', 'icon.svg'];
    this.emitFile({
      type: 'asset',
      fileName: 'files.json',
      source: JSON.stringify(files.map((f) => `/${f}`))
    });
  }
};

export default defineConfig(({ mode }) => ({
  plugins: [svelte(), optimizeCss({ preserveAllIBMFonts: true }), fileList],
  css: { postcss: { plugins: [withoutRemoteFonts] } },
  build: {
    outDir: 'target/classes/static',
    emptyOutDir: true,
    // fonts stay files: the content policy allows no data: fonts
    assetsInlineLimit: 0
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8420' } },
  // tests mount components, for which svelte must resolve as in a browser
  ...(mode === 'test' && { resolve: { conditions: ['browser'] } }),
  test: {
    environment: 'jsdom',
    // a fifth quicker than processes, measured on two cores
    pool: 'threads',
    globals: true,
    // how soon is no matter of a test
    testTimeout: 180_000,
    hookTimeout: 180_000,
    setupFiles: ['src/test-setup.ts']
  }
}));
