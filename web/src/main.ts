import 'carbon-components-svelte/css/all.css';
import './theme/fonts.css';
import './theme/tokens.css';
import './theme/base.css';
import { mount } from 'svelte';
import Frame from './shell/Frame.svelte';

const target = document.getElementById('app');
if (!target) throw new Error('the page has no #app');
if ('serviceWorker' in navigator && import.meta.env.PROD) keepForLater(navigator.serviceWorker);
mount(Frame, { target });

/** The page opens again without the server; on a first visit the worker is given what was read before it was there. */
function keepForLater(workers: ServiceWorkerContainer) {
  if (!workers.controller) {
    workers.addEventListener(
      'controllerchange',
      () =>
        workers.controller?.postMessage({
          keep: performance.getEntriesByType('resource').map((r) => r.name)
        }),
      { once: true }
    );
  }
  void workers.register('/sw.js');
}
