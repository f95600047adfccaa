<script lang="ts">
  import type { Snippet } from 'svelte';

  /** What is printed on new parts, or how else it is known that they are the right ones. */
  let {
    parts,
    keyed = false,
    busy,
    onrenew,
    children
  }: {
    parts: { part: string; title: string }[];
    /** Whether a key says that the prints are the same. */
    keyed?: boolean;
    busy: boolean;
    onrenew: (part: string, printed: string) => Promise<boolean>;
    /** What stands before the fields. */
    children?: Snippet;
  } = $props();

  const SAME = 'same as the old one';
  const LIST = "by the maker's list";

  let printed = $state<Record<string, string>>({});
  let fields = $state<Record<string, HTMLInputElement | undefined>>({});

  const typed = (part: string) => (printed[part] ?? '').trim();

  /** One after the other; what is refused stays typed, with those behind it. */
  async function renew(said: (typed: string) => string) {
    for (const { part } of [...parts]) {
      if (!(await onrenew(part, said(typed(part))))) return;
      printed[part] = '';
    }
  }

  /** From field to field; at the last one all are renewed. */
  function next(event: KeyboardEvent, i: number) {
    const after = parts[i + 1];
    if (event.key !== 'Enter' || !after) return;
    event.preventDefault();
    fields[after.part]?.focus();
  }
</script>

<form
  class="field-row"
  onsubmit={(e) => {
    e.preventDefault();
    void renew((text) => text);
  }}
>
  {@render children?.()}
  {#each parts as p, i (p.part)}
    <label class="grow"
      >Printed on the new {p.title}
      <input
        bind:value={printed[p.part]}
        bind:this={fields[p.part]}
        data-typed
        maxlength="120"
        placeholder="L245-35F, 178 C, 5200 W 240 V, 16 A"
        onkeydown={(event) => next(event, i)}
      /></label
    >
  {/each}
  <button type="submit" class="main-button" disabled={busy}
    >{parts.length > 1 ? 'All renewed' : 'Renewed'}</button
  >
  <p>
    <button
      type="button"
      class="quiet-button"
      data-key={keyed ? '=' : undefined}
      disabled={busy}
      onclick={() => renew((text) => text || SAME)}
      >{#if keyed}<kbd>=</kbd>{/if}{parts.length > 1
        ? 'Same prints as on the old ones'
        : 'Same print as on the old one'}</button
    >
    <button
      type="button"
      class="quiet-button"
      disabled={busy}
      onclick={() => renew((text) => (text ? `${text} ${LIST}` : LIST))}>Named in the maker's list</button
    >
  </p>
</form>

<style>
  p {
    flex-basis: 100%;
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    font-size: 0.8125rem;
  }
  kbd {
    font-family: 'IBM Plex Mono', monospace;
    font-size: 0.75rem;
    padding-right: 8px;
    color: var(--ink-soft);
  }
</style>
