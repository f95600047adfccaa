<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';
  import RenewedParts from './RenewedParts.svelte';

  type PartSet = JobView['visit']['sets'][number];

  /** Parts that are renewed together: each is renewed, or stays in for a reason. */
  let {
    set,
    keyed,
    busy,
    onrenew,
    onkeepin
  }: {
    set: PartSet;
    keyed: boolean;
    busy: boolean;
    onrenew: (part: string, printed: string) => Promise<boolean>;
    onkeepin: (part: string, why: string) => Promise<boolean>;
  } = $props();

  let why = $state('');
  /** The part of which it is being said why it stays in. */
  let staying = $state('');

  const open = $derived(set.members.filter((m) => !m.renewed && !m.kept));

  async function keepIn(event: Event) {
    event.preventDefault();
    if (why.trim() === '' || !(await onkeepin(staying, why.trim()))) return;
    staying = '';
    why = '';
  }
</script>

<div role="group" aria-label={`Renewed with the ${set.title}`}>
  <h3>{set.members.map((m) => m.title).join(', with the ')}</h3>
  <p class="soft">{set.why}</p>
  {#each set.members.filter((m) => m.kept && !m.renewed) as m (m.part)}
    <p><b>{m.title}</b> stays in: {m.kept}</p>
  {/each}
  {#if staying !== ''}
    <form class="field-row" onsubmit={keepIn}>
      <label class="grow"
        >Why the {set.members.find((m) => m.part === staying)?.title} stays in
        <input
          bind:value={why}
          data-typed
          maxlength="200"
          placeholder="Tested warm, it opens and closes"
        /></label
      >
      <button type="submit" class="main-button" disabled={busy || why.trim() === ''}>It stays in</button>
      <button type="button" class="quiet-button" onclick={() => (staying = '')}>Back</button>
    </form>
  {:else if open.length > 0}
    <RenewedParts parts={open} {keyed} {busy} {onrenew} />
    {#each open.filter((m) => m !== set.members[0]) as m (m.part)}
      <button type="button" class="quiet-button" onclick={() => (staying = m.part)}
        >The {m.title} stays in</button
      >
    {/each}
  {/if}
</div>

<style>
  div {
    padding: 10px 0 2px;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
  }
  h3::first-letter {
    text-transform: uppercase;
  }
  p,
  .quiet-button {
    font-size: 0.8125rem;
  }
  p {
    padding-top: 2px;
  }
</style>
