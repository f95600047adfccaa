<script lang="ts">
  import { typed } from '../../lib/device/typed';
  import { InlineLoading, InlineNotification } from 'carbon-components-svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api/client';
  import { Loaded } from '../../lib/api/loaded.svelte';
  import Away from '../../lib/controls/Away.svelte';
  import FileButton from '../../lib/controls/FileButton.svelte';
  import { ago, familyWords } from '../../lib/format/format';
  import { DRAFT_KEY } from './draft';

  /** One guide a family: why its links open, and what puts that right. */
  const list = new Loaded(() => api.guides());
  let error = $state('');

  async function take(text: string) {
    typed.set(DRAFT_KEY, text);
    await push('/guides/new');
  }
</script>

<svelte:head><title>Guides · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <header>
    <h1>Guides</h1>
    <p class="soft">
      What a family of units needs beside its circuit. A job keeps the revision it was opened with.
    </p>
    <FileButton label="Import a file" ontext={take} onerror={(m) => (error = m)} />
  </header>
  {#if error}
    <InlineNotification kind="error" title="Not taken" subtitle={error} lowContrast />
  {/if}
  {#if list.away}
    <Away title="The guides cannot be shown" why={list.away} onretry={() => list.load()} />
  {:else if !list.value}
    <InlineLoading description="Looking for guides" />
  {:else}
    <ul class="card rows">
      {#each list.value as guide (guide.key)}
        <li>
          <a href={`/guides/${guide.key}`} use:link>
            <span>{guide.title}</span>
            <span class="soft">{familyWords(guide.family)}</span>
            <span class="soft">revision {guide.revision}, {ago(guide.createdAt)}</span>
          </a>
        </li>
      {/each}
    </ul>
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 1.5rem;
    margin-bottom: 1.25rem;
  }
  header p {
    flex: 1 1 20rem;
    font-size: 0.875rem;
  }
  a {
    display: grid;
    grid-template-columns: 1fr 1fr 16rem;
    gap: 1rem;
    padding: 12px 16px;
    font-size: 0.9375rem;
  }
  @media (max-width: 672px) {
    a {
      grid-template-columns: 1fr;
      gap: 2px;
    }
  }
</style>
