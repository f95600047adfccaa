<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { api, type ComplaintMeant, reason } from '../api/client';

  /** What the customer says, word for word, and which complaints of the sheet that may mean. */
  let {
    sheet,
    words = $bindable(''),
    labelText,
    without = [],
    onread
  }: {
    sheet: { key: string; revision: number } | undefined;
    words?: string;
    labelText: string;
    /** Complaints that were told already. */
    without?: string[];
    /** One of them was taken, by a tap or by Enter: nothing is chosen for who types. */
    onread: (complaint: string) => void;
  } = $props();

  /** So long nothing was typed, then it is read (ms). */
  const PAUSE = 250;

  let meant = $state.raw<ComplaintMeant[]>();
  let error = $state('');

  // a job that is read anew is still on the same sheet: nothing is chosen again
  const key = $derived(sheet?.key);
  const revision = $derived(sheet?.revision);

  $effect(() => {
    const said = words.trim();
    const of = key;
    const at = revision;
    meant = undefined;
    error = '';
    if (said === '' || of === undefined || at === undefined) return;
    let typedOn = false;
    const wait = setTimeout(async () => {
      try {
        const all = await api.complaintsMeant(of, at, said);
        if (typedOn) return;
        meant = all.filter((m) => !without.includes(m.complaint));
      } catch (e) {
        if (!typedOn) error = reason(e);
      }
    }, PAUSE);
    return () => {
      typedOn = true;
      clearTimeout(wait);
    };
  });
</script>

<div>
  <TextInput
    on:keydown={(event) => {
      if (event.key !== 'Enter' || !meant?.[0]) return;
      event.preventDefault();
      event.stopPropagation();
      onread(meant[0].complaint);
    }}
    {labelText}
    placeholder="Word for word, like: spins but no heat"
    disabled={!sheet}
    bind:value={words}
    maxlength={300}
    autocomplete="off"
  />
  {#if error}
    <p class="soft" role="status">{error}</p>
  {:else if meant?.length === 0}
    <p class="soft" role="status">No complaint on this sheet matches these words. Choose one if it fits.</p>
  {:else if meant}
    <p role="status">
      <span class="soft">Read as (tap the right one):</span>
      {#each meant as m, i (m.complaint)}
        <span class="one"
          >{#if i > 0}<span class="soft">or</span>{/if}
          <button type="button" class="quiet-button" onclick={() => onread(m.complaint)}>{m.title}</button
          ></span
        >
      {/each}
    </p>
  {/if}
</div>

<style>
  p {
    padding-top: 6px;
    font-size: 0.8125rem;
  }
  .one {
    display: inline-block;
  }
  button {
    min-height: 32px;
    padding: 0 4px;
    font-size: inherit;
  }
</style>
