<script lang="ts">
  import FileButton from '../controls/FileButton.svelte';
  import { isField } from '../input/shortcuts';

  /** A log of lines: typed, pasted or brought from a file; an event's button writes its line with the time. */
  let {
    title,
    example,
    text = $bindable()
  }: { title: string; example: string; text?: string | undefined } = $props();

  const MS_PER_MINUTE = 60_000;

  let since = $state<number>();
  let error = $state('');

  const lines = $derived(example.split('\n').map((l) => l.trim().split(/\s+/)));
  const withTemperature = $derived((lines[0]?.length ?? 0) > 2);
  const events = $derived([...new Set(lines.map((l) => l.at(-1) ?? ''))]);
  let temperature = $state('');

  /** One key an event: its time is the page's. Minutes where a temperature goes with it, seconds else. */
  function event(name: string) {
    const now = Date.now();
    since ??= now;
    const passed = withTemperature ? (now - since) / MS_PER_MINUTE : (now - since) / 1000;
    const line = [passed.toFixed(1), ...(withTemperature ? [temperature || '?'] : []), name].join(' ');
    text = text ? `${text.trimEnd()}\n${line}` : line;
  }

  /** One key an event, while nothing is being typed. */
  function onkeydown(pressed: KeyboardEvent) {
    if (pressed.ctrlKey || pressed.metaKey || pressed.altKey || isField(pressed.target)) return;
    const name = events[Number(pressed.key) - 1];
    if (name === undefined) return;
    pressed.preventDefault();
    event(name);
  }
</script>

<svelte:window {onkeydown} />
<div class="pad">
  <div class="events">
    {#if withTemperature}
      <input
        class="figure"
        placeholder="Temperature, like 118C"
        aria-label="Temperature now"
        bind:value={temperature}
      />
    {/if}
    {#each events as name, i (name)}
      <button type="button" onclick={() => event(name)}><kbd>{i + 1}</kbd>{name}</button>
    {/each}
    <FileButton
      label="Read a CSV"
      accept=".csv,.txt"
      ontext={(read) => (text = read.trim())}
      onerror={(m) => (error = m)}
    />
  </div>
  <textarea
    aria-label={title}
    class="figure"
    rows="6"
    placeholder={example}
    spellcheck="false"
    bind:value={text}></textarea>
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
</div>

<style>
  kbd {
    margin-right: 8px;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  .events {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding-bottom: 6px;
  }
  button {
    min-height: 44px;
    padding: 0 16px;
    font: inherit;
    font-size: 0.9375rem;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  input {
    width: 14rem;
    min-height: 44px;
    padding: 0 10px;
    font-size: 0.9375rem;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  textarea {
    width: 100%;
    padding: 8px 10px;
    font-size: 0.9375rem;
    line-height: 1.45;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
</style>
