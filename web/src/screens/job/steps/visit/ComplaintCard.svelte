<script lang="ts">
  import { untrack } from 'svelte';
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import InTheirWords from '../../../../lib/input/InTheirWords.svelte';

  /** What the customer sees, and what else: a second complaint bears on what is suspected. */
  let {
    view,
    sheet,
    busy,
    error,
    refused = $bindable(false),
    ontell
  }: {
    view: JobView;
    sheet: Sheet;
    busy: boolean;
    /** Why the last thing told was not taken. */
    error: string;
    /** Whether that is the last thing that was refused. */
    refused?: boolean;
    ontell?: ((complaint: string, situation: string) => Promise<boolean>) | undefined;
  } = $props();

  const told = $derived([
    ...(view.job.complaint ? [view.job.complaint] : []),
    ...view.evidence.filter((e) => !e.struckAt && e.item.observation === 'complaint').map((e) => e.item.value)
  ]);
  const left = $derived(Object.values(sheet.complaints).filter((c) => !told.includes(c.id)));

  let words = $state('');
  let also = $state('');
  let open = $state(untrack(() => told.length === 0));

  async function tell() {
    const complaint = sheet.complaints[also];
    if (!complaint || !ontell) return;
    refused = !(await ontell(complaint.id, complaint.situation));
    if (refused) return;
    words = '';
    also = '';
  }
</script>

<section class="card" aria-label="Complaint">
  <h2>What the customer sees</h2>
  {#each told as id (id)}
    <p>{sheet.complaints[id]?.title ?? id}</p>
  {:else}
    <p class="soft">Nothing was told yet.</p>
  {/each}
  {#if view.job.customerWords}<p class="soft">“{view.job.customerWords}”</p>{/if}
  {#if ontell && left.length > 0}
    <details bind:open>
      <summary>{told.length === 0 ? 'Tell it' : 'And something else'}</summary>
      <div class="more">
        <InTheirWords
          labelText="In the customer's words"
          sheet={{ key: view.job.sheetKey, revision: view.job.sheetRevision }}
          without={told}
          bind:words
          onread={(complaint) => (also = complaint)}
        />
        <label
          >Complaint <select aria-label="Also complained of" bind:value={also}>
            <option value="">Choose</option>
            {#each left as c (c.id)}<option value={c.id}>{c.title}</option>{/each}
          </select></label
        >
        <button type="button" class="quiet-button" disabled={busy || also === ''} onclick={tell}
          >Tell it</button
        >
        {#if refused && error}<p class="error" role="alert">{error}</p>{/if}
      </div>
    </details>
  {/if}
</section>

<style>
  section {
    padding: 12px 16px;
    font-size: 0.875rem;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  p,
  summary {
    padding-top: 6px;
  }
  summary {
    cursor: pointer;
    font-size: 0.8125rem;
  }
  .more {
    display: grid;
    gap: 10px;
    padding-top: 8px;
  }
  label {
    display: grid;
    gap: 4px;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  select {
    font: inherit;
    min-height: 40px;
    background: var(--field);
    color: var(--ink);
    border: 0;
    padding: 5px 6px;
  }
  .error {
    color: var(--bad);
  }
  button {
    justify-self: start;
  }
</style>
