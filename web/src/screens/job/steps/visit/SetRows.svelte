<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';

  type PartSet = JobView['visit']['sets'][number];

  /** Parts that are renewed together: each is renewed, or stays in for a reason. */
  let {
    set,
    busy,
    onrenew,
    onkeepin
  }: {
    set: PartSet;
    busy: boolean;
    onrenew: (part: string, printed: string) => Promise<boolean>;
    onkeepin: (part: string, why: string) => Promise<boolean>;
  } = $props();

  let printed = $state<Record<string, string>>({});
  let why = $state('');
  /** The part of which it is being said why it stays in. */
  let staying = $state('');
  let fields = $state<Record<string, HTMLInputElement | undefined>>({});

  const open = $derived(set.members.filter((m) => !m.renewed && !m.kept));

  /** One after the other; what is refused stays typed, with those behind it. */
  async function renew(event: Event) {
    event.preventDefault();
    for (const { part } of [...open]) {
      if (!(await onrenew(part, printed[part] ?? ''))) return;
      printed[part] = '';
    }
  }

  /** From field to field; at the last one the set is renewed. */
  function next(event: KeyboardEvent, i: number) {
    const after = open[i + 1];
    if (event.key !== 'Enter' || !after) return;
    event.preventDefault();
    fields[after.part]?.focus();
  }

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
    <form onsubmit={keepIn}>
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
    <form onsubmit={renew}>
      {#each open as m, i (m.part)}
        <label class="grow"
          >Printed on the new {m.title}
          <input
            bind:value={printed[m.part]}
            bind:this={fields[m.part]}
            data-typed
            maxlength="120"
            placeholder="Its marking; empty where none is readable"
            onkeydown={(event) => next(event, i)}
          /></label
        >
      {/each}
      <button type="submit" class="main-button" disabled={busy}
        >{open.length > 1 ? 'All renewed' : 'Renewed'}</button
      >
    </form>
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
  p {
    font-size: 0.8125rem;
    padding-top: 2px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 10px;
    padding-top: 10px;
  }
  label {
    display: grid;
    gap: 3px;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  .grow {
    flex: 1 1 14rem;
  }
  input {
    min-height: 40px;
    font: inherit;
    font-size: 0.9375rem;
    padding: 0 10px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    width: 100%;
  }
  form .main-button {
    min-height: 40px;
  }
</style>
