<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { reason } from '../api/client';
  import { ago } from '../format/format';
  import Changes from './Changes.svelte';
  import type { Documents } from './documents';

  /** All revisions of a document, and what one changed against another. */
  let {
    documents,
    key,
    newest,
    withdrawn = false,
    onwithdraw
  }: {
    documents: Documents<unknown>;
    key: string;
    newest: number;
    withdrawn?: boolean;
    /** Where it can be taken out of the library. */
    onwithdraw?: () => void;
  } = $props();

  const CONTEXT = 3;

  let revisions = $state.raw<{ revision: number; createdAt: string }[]>();
  let from = $state(untrack(() => Math.max(1, newest - 1)));
  let to = $state(untrack(() => newest));
  let lines = $state.raw<string[]>();
  let error = $state('');
  let sure = $state(false);

  $effect(() => {
    documents.revisions(key).then(
      (r) => (revisions = r),
      (e: unknown) => (error = reason(e))
    );
  });
  $effect(() => {
    if (from !== to) void compare(from, to);
    else lines = [];
  });

  async function compare(a: number, b: number) {
    try {
      const [{ structuredPatch }, before, after] = await Promise.all([
        import('diff'),
        documents.text(key, a),
        documents.text(key, b)
      ]);
      const { hunks } = structuredPatch('', '', before, after, '', '', { context: CONTEXT });
      lines = hunks
        .flatMap((hunk, i) => (i > 0 ? ['@', ...hunk.lines] : hunk.lines))
        .filter((line) => !line.startsWith('\\'));
      error = '';
    } catch (e) {
      error = e instanceof Error ? e.message : String(e);
    }
  }
</script>

<div class="revisions">
  <section class="card">
    <h2>Revisions</h2>
    {#if error}<p role="alert">{error}</p>{/if}
    {#if !revisions}
      <InlineLoading description="Looking for revisions" />
    {:else}
      <ul>
        {#each revisions as r (r.revision)}
          <li>
            <label
              ><input type="radio" name="from" value={r.revision} bind:group={from} /><span class="out"
                >from</span
              ></label
            >
            <label
              ><input type="radio" name="to" value={r.revision} bind:group={to} /><span class="out">to</span
              ></label
            >
            <span><b>{r.revision}</b> <span class="soft">{ago(r.createdAt)}</span></span>
          </li>
        {/each}
      </ul>
    {/if}
    {#if onwithdraw && !withdrawn}
      {#if sure}
        <p class="soft">Out of the library? Revisions and jobs stay, and it can be put back.</p>
        <button type="button" class="quiet-button" onclick={onwithdraw}>Yes, withdraw it</button>
        <button type="button" class="quiet-button" onclick={() => (sure = false)}>Keep it</button>
      {:else}
        <button type="button" class="quiet-button" onclick={() => (sure = true)}
          >Withdraw this {documents.name.toLowerCase()}</button
        >
      {/if}
    {/if}
  </section>
  <section class="card" aria-label="Differences">
    <h2>{from === to ? 'Choose two revisions' : `Revision ${from} to ${to}`}</h2>
    {#if lines?.length}
      <Changes {lines} />
    {:else}
      <p class="soft">{newest === 1 ? 'There is only one revision yet.' : 'No differences.'}</p>
    {/if}
  </section>
</div>

<style>
  .revisions {
    display: grid;
    grid-template-columns: 260px minmax(0, 1fr);
    gap: 14px;
    align-items: start;
  }
  section {
    padding: 12px 14px;
    font-size: 0.875rem;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    margin-bottom: 8px;
  }
  ul {
    list-style: none;
    margin: 0 0 12px;
    padding: 0;
  }
  li {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 5px 0;
  }
  label {
    display: inline-flex;
    gap: 4px;
    align-items: center;
  }
  .out {
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  @media (max-width: 800px) {
    .revisions {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
