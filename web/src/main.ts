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

/** The page opens again without the server; on a first visit the worker is given what was read without it. */
function keepForLater(workers: ServiceWorkerContainer) {
  const passOn = (resources: PerformanceEntryList) =>
    workers.controller?.postMessage({
      keep: (resources as PerformanceResourceTiming[]).filter((r) => r.workerStart === 0).map((r) => r.name)
    });
  if (!workers.controller) {
    const begin = () =>
      new PerformanceObserver((list) => passOn(list.getEntries())).observe({
        type: 'resource',
        buffered: true
      });
    workers.addEventListener('controllerchange', begin, { once: true });
  }
  void workers.register('/sw.js');
}
