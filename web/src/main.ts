import 'carbon-components-svelte/css/all.css';
import './theme/fonts.css';
import './theme/tokens.css';
import './theme/base.css';
import { mount } from 'svelte';
import Frame from './shell/Frame.svelte';

const target = document.getElementById('app');
if (!target) throw new Error('the page has no #app');
if ('serviceWorker' in navigator && import.meta.env.PROD) void navigator.serviceWorker.register('/sw.js');
mount(Frame, { target });
