<script lang="ts">
  import Router, { link } from 'svelte-spa-router';
  import BenchScreen from '../screens/bench/BenchScreen.svelte';
  import GuideScreen from '../screens/guides/GuideScreen.svelte';
  import GuidesScreen from '../screens/guides/GuidesScreen.svelte';
  import JobScreen from '../screens/job/JobScreen.svelte';
  import JobsScreen from '../screens/jobs/JobsScreen.svelte';
  import SheetScreen from '../screens/sheets/SheetScreen.svelte';
  import SheetsScreen from '../screens/sheets/SheetsScreen.svelte';
  import SketchScreen from '../screens/sheets/SketchScreen.svelte';
  import ShopScreen from '../screens/shop/ShopScreen.svelte';
  import UnitScreen from '../screens/units/UnitScreen.svelte';
  import UnitsScreen from '../screens/units/UnitsScreen.svelte';
  import HistoryScreen from '../screens/people/HistoryScreen.svelte';
  import PeopleScreen from '../screens/people/PeopleScreen.svelte';
  import Away from '../lib/controls/Away.svelte';
  import { reason } from '../lib/api/client';
  import { outbox } from '../lib/outbox/outbox.svelte';
  import { session } from '../lib/session/session.svelte';
  import Mark from './Mark.svelte';
  import NotFound from './NotFound.svelte';
  import OutboxMenu from './OutboxMenu.svelte';
  import PersonMenu from './PersonMenu.svelte';
  import SignIn from './SignIn.svelte';
  import FactorDue from './FactorDue.svelte';

  const routes = {
    '/': JobsScreen,
    '/jobs/:id': JobScreen,
    '/units': UnitsScreen,
    '/units/:tag': UnitScreen,
    '/sheets': SheetsScreen,
    '/sheets/type': SketchScreen,
    '/sheets/:key': SheetScreen,
    '/bench': BenchScreen,
    '/bench/:key': BenchScreen,
    '/guides': GuidesScreen,
    '/guides/:key': GuideScreen,
    '/shop': ShopScreen,
    '/people': PeopleScreen,
    '/history': HistoryScreen,
    '*': NotFound
  };

  let away = $state('');

  /** Whose page this is: it stays under the door when a session ends, with all that was typed. */
  let whose = $state<string>();

  look();

  async function look() {
    try {
      away = '';
      await session.load();
    } catch (e) {
      away = reason(e);
    }
  }

  $effect(() => {
    if (!session.me) return;
    whose = session.me.login;
    // what they entered when their session had ended
    void outbox.load();
    outbox.soon(0);
  });

  let dark = $state(document.documentElement.getAttribute('theme') === 'g100');

  function switchTheme() {
    dark = !dark;
    const theme = dark ? 'g100' : 'white';
    document.documentElement.setAttribute('theme', theme);
    try {
      localStorage.setItem('theme', theme);
    } catch {
      // a device without room forgets it
    }
  }
</script>

<header>
  <a class="home" href="/" aria-label="Jolly Chain" use:link><Mark /><span>Jolly Chain</span></a>
  <nav aria-label="Main">
    <a href="/" use:link>Jobs</a>
    <a href="/units" use:link>Units</a>
    <a href="/bench" use:link>Bench</a>
    <a href="/sheets" use:link>Sheets</a>
    <a href="/guides" use:link>Guides</a>
    <a href="/shop" use:link>Shop</a>
  </nav>
  <button type="button" onclick={switchTheme}>{dark ? 'Paper' : 'Basement'}<span>&nbsp;theme</span></button>
  <OutboxMenu />
  <PersonMenu />
</header>
{#if away}
  <div class="plain-page"><Away title="Jolly Chain cannot be reached" why={away} onretry={look} /></div>
{/if}
{#if whose}
  {#key whose}
    <main hidden={!session.me || session.view?.secondFactor === 'due'}>
      {#if session.kept}
        <p class="reads" role="status">
          The server cannot be reached: what is shown was kept here, and what you enter waits for it.
        </p>
      {/if}
      {#if session.readsOnly}<p class="reads">
          You are signed in as a viewer: you read, and change nothing.
        </p>{/if}
      <Router {routes} />
    </main>
  {/key}
{/if}
{#if session.view && !session.me}<SignIn />{:else if session.view?.secondFactor === 'due'}<FactorDue />{/if}

<style>
  header {
    background: var(--frame);
    color: var(--frame-ink);
    display: flex;
    align-items: center;
    gap: 1.5rem;
    height: 44px;
    padding: 0 20px;
  }
  .home {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    font-weight: 600;
    color: inherit;
    text-decoration: none;
  }
  nav {
    flex: 1;
    display: flex;
    gap: 1.5rem;
  }
  nav a,
  button {
    color: var(--frame-ink);
    text-decoration: none;
    background: none;
    border: 0;
    font: inherit;
    font-size: 0.875rem;
    padding: 0.5rem 0;
    cursor: pointer;
  }
  button {
    color: var(--frame-ink-soft);
  }
  .reads {
    padding: 6px 20px;
    font-size: 0.875rem;
    background: var(--note-wash);
  }
  @media (max-width: 480px) {
    header {
      gap: 1rem;
      padding: 0 10px;
    }
    .home span,
    button span {
      display: none;
    }
    nav {
      gap: 0.75rem;
      min-width: 0;
      overflow-x: auto;
      scrollbar-width: none;
    }
  }
  nav a:hover,
  button:hover {
    text-decoration: underline;
  }
</style>
