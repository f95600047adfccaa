<script lang="ts">
  import type { Sheet, UnitPrint } from '../../../../lib/api/client';

  /**
   * A code as this unit displays it. Where its sheet has another one, it is asked once what it
   * means; that is kept for the model.
   */
  let {
    sheet,
    print,
    busy,
    onkeep,
    oncode
  }: {
    sheet: Sheet;
    print: UnitPrint;
    busy: boolean;
    /** Keeps what a code means; what was wrong, if anything was. */
    onkeep: (about: string, said: string, confirmed: boolean) => Promise<{ why: string } | undefined>;
    oncode: (shown: string) => void;
  } = $props();

  const CODE = 'code ';

  let typed = $state('');
  let asked = $state('');
  let words = $state('');
  let wrong = $state('');

  const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
  const kept = $derived([...print.facts.filter((f) => !f.struckAt), ...print.offered]);
  const meaning = $derived(kept.find((f) => same(f.part, CODE + asked))?.said);

  function isKnown(code: string): boolean {
    const said = kept.find((f) => same(f.part, CODE + code))?.said.split(/[\s,:]/)[0] ?? code;
    return same(code, 'none') || Object.keys(sheet.codes).some((c) => same(c, said));
  }

  function log(event: Event) {
    event.preventDefault();
    const code = typed.trim();
    wrong = '';
    asked = '';
    if (code === '') return;
    if (isKnown(code)) {
      typed = '';
      oncode(code);
    } else asked = code;
  }

  async function means(said: string, ofSheet: boolean) {
    const code = asked;
    const failure = await onkeep(CODE + code, said, false);
    wrong = failure?.why ?? '';
    if (failure) return;
    typed = '';
    words = '';
    asked = '';
    if (ofSheet) oncode(code);
  }
</script>

<form onsubmit={log}>
  <label
    >Code as displayed
    <input
      class="figure"
      bind:value={typed}
      autocomplete="off"
      maxlength="20"
      aria-label="Code as displayed"
    /></label
  >
  <button type="submit" class="quiet-button" disabled={busy || typed.trim() === ''}>Log</button>
</form>
{#if asked}
  <div role="group" aria-label="What the code means">
    <p>
      <b class="figure">{asked}</b> is not on this sheet{meaning ? `; kept as “${meaning}”` : ''}. What does
      the unit's own list of codes say? It is kept for every unit of the model.
    </p>
    <div class="codes">
      {#each Object.values(sheet.codes) as c (c.id)}
        <button type="button" class="quiet-button" disabled={busy} onclick={() => means(c.id, true)}
          >{c.title}</button
        >
      {/each}
    </div>
    <form
      onsubmit={(event) => {
        event.preventDefault();
        if (words.trim()) void means(words.trim(), false);
      }}
    >
      <label
        >Something else <input
          bind:value={words}
          autocomplete="off"
          maxlength="150"
          aria-label="Something else"
        /></label
      >
      <button type="submit" class="quiet-button" disabled={busy || words.trim() === ''}>Keep</button>
    </form>
  </div>
{/if}
{#if wrong}<p class="error" role="alert">{wrong}</p>{/if}

<style>
  form,
  label,
  .codes {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
  }
  form,
  p {
    padding-top: 8px;
    font-size: 0.875rem;
  }
  input {
    min-height: 40px;
    width: 9rem;
    padding: 0 10px;
    font-size: 0.9375rem;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    border-radius: 0;
  }
  .error {
    color: var(--bad);
  }
</style>
