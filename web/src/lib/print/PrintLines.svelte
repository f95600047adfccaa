<script lang="ts">
  import type { UnitPrint } from '../api/client';
  import { day } from '../format/format';

  /** What plates, parts and paper of a unit say, part by part; each is typed in seconds. */
  let {
    print,
    sheet,
    parts = print.asked.map((a) => a.part),
    onkeep,
    onstrike
  }: {
    print: UnitPrint;
    /** The key of the sheet whose parts these are. */
    sheet: string;
    /** Those that are shown; all that bear something worth reading where none are named. */
    parts?: string[];
    /** What was wrong with it, if anything was. */
    onkeep?:
      | ((
          part: string,
          said: string,
          confirmed: boolean
        ) => Promise<{ why: string; unlikely?: boolean } | undefined>)
      | undefined;
    onstrike?: ((id: string) => void) | undefined;
  } = $props();

  let typed = $state<Record<string, string>>({});
  let wrong = $state<Record<string, { why: string; unlikely: boolean } | undefined>>({});
  let fields = $state<Record<string, HTMLInputElement | undefined>>({});

  const lines = $derived(
    print.asked
      .filter((a) => parts.includes(a.part))
      .map((a) => ({
        ...a,
        known: print.facts.find((f) => f.part === a.part && f.sheetKey === sheet && !f.struckAt),
        offered: print.offered.find((f) => f.part === a.part && f.sheetKey === sheet)
      }))
  );

  /** What displayed codes mean is kept where it was asked, and seen with the rest. */
  const codes = $derived(
    print.facts.filter((f) => f.part.startsWith('code ') && f.sheetKey === sheet && !f.struckAt)
  );

  async function keep(part: string, said: string, confirmed = false): Promise<boolean> {
    if (!onkeep || said.trim() === '') return false;
    const failure = await onkeep(part, said.trim(), confirmed);
    wrong[part] = failure && { why: failure.why, unlikely: failure.unlikely ?? false };
    if (!failure) typed[part] = '';
    return !failure;
  }

  /** The next field is at hand at once; what was wrong with this one is said at it. */
  function next(part: string) {
    const after = lines.slice(lines.findIndex((l) => l.part === part) + 1).find((l) => !l.known);
    void keep(part, typed[part] ?? '');
    if (after) fields[after.part]?.focus();
  }
</script>

<ul class="print">
  {#each lines as line (line.part)}
    <li>
      {#if line.known}
        <span class="name">{line.title}</span>
        <span class="figure">{line.known.said}</span>
        {#if onstrike}
          <button
            type="button"
            class="quiet-button"
            title={`read ${day(line.known.toldAt)}${line.known.toldBy ? ` by ${line.known.toldBy}` : ''}`}
            onclick={() => line.known && onstrike(line.known.id)}>Strike</button
          >
        {/if}
      {:else if onkeep}
        <form
          onsubmit={(event) => {
            event.preventDefault();
            next(line.part);
          }}
        >
          <label
            ><span class="name">{line.title}</span>
            <input
              bind:this={fields[line.part]}
              bind:value={typed[line.part]}
              class="figure"
              autocomplete="off"
              maxlength="200"
              placeholder={line.like}
              aria-invalid={wrong[line.part] !== undefined}
            /></label
          >
          <button type="submit" class="quiet-button" disabled={!typed[line.part]?.trim()}>Keep</button>
          {#if line.offered}
            <button
              type="button"
              class="quiet-button"
              onclick={() => line.offered && keep(line.part, line.offered.said)}
              >{line.offered.said}, as on {line.offered.tag}</button
            >
          {/if}
          <button type="button" class="quiet-button" onclick={() => keep(line.part, 'not readable')}
            >Not readable</button
          >
        </form>
        {#if wrong[line.part]}
          {@const what = wrong[line.part]}
          <p class="error" role="alert">
            {what?.why}
            {#if what?.unlikely}
              <button
                type="button"
                class="quiet-button"
                onclick={() => keep(line.part, typed[line.part] ?? '', true)}>It is so: keep it</button
              >
            {/if}
          </p>
        {/if}
      {:else}
        <span class="name">{line.title}</span><span class="soft">nothing is told</span>
      {/if}
    </li>
  {/each}
  {#if parts.length === print.asked.length}
    {#each codes as code (code.id)}
      <li>
        <span class="name">{code.part}</span>
        <span class="figure">{code.said}</span>
        {#if onstrike}
          <button type="button" class="quiet-button" onclick={() => onstrike(code.id)}>Strike</button>
        {/if}
      </li>
    {/each}
  {/if}
</ul>

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    font-size: 0.875rem;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 10px;
    min-height: 44px;
    padding: 4px 0;
  }
  li + li {
    border-top: 1px solid var(--line);
  }
  li > .figure {
    margin-left: auto;
    font-weight: 600;
  }
  .name {
    flex: 0 0 9.5rem;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 10px;
    width: 100%;
  }
  label {
    display: flex;
    flex: 1 1 16rem;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 10px;
  }
  input {
    flex: 1 1 9rem;
    min-width: 0;
    min-height: 40px;
    padding: 0 10px;
    font-size: 0.9375rem;
    color: var(--ink);
    background: var(--field);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    border-radius: 0;
  }
  input::placeholder {
    font-family: 'IBM Plex Sans', sans-serif;
    color: var(--ink-soft);
  }
  input[aria-invalid='true'] {
    border-color: var(--bad);
  }
  .error {
    flex-basis: 100%;
    margin: 0;
    font-size: 0.8125rem;
    color: var(--bad);
  }
</style>
