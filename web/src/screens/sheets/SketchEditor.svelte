<script lang="ts">
  import { tick } from 'svelte';
  import type { Noted, TradeWord } from '../../lib/api/client';
  import { completion } from './completion';

  /** Where a chain is typed: its lines with what is wrong in them, and big keys for what is typed most. */
  let {
    text,
    problems,
    words,
    points,
    ontyped
  }: {
    text: string;
    problems: Noted[];
    words: TradeWord[];
    points: string[];
    ontyped: (text: string) => void;
  } = $props();

  const KEYS = [
    '>',
    '[ ]',
    'fuse',
    'limit',
    'stat',
    'door',
    'switch',
    'relay',
    'element',
    'motor',
    'N',
    'L2'
  ];

  const EXAMPLE = 'Store-room heater\nsupply 230 V 50 Hz\nL > fuse 10A > limit 90C > element 2000W > N';

  let area = $state<HTMLTextAreaElement>();
  let cursor = $state(0);

  /** How bad the worst in a line is; errors stand over questions, those over notes. */
  const worst = $derived(
    Object.fromEntries(
      (['note', 'question', 'error'] as const).flatMap((level) =>
        problems.filter((p) => p.level === level).map((p) => [p.line, level])
      )
    ) as Record<number, string>
  );
  const offered = $derived(completion(text, cursor, words, points));

  async function put(from: number, to: number, what: string, back = 0) {
    ontyped(text.slice(0, from) + what + text.slice(to));
    await tick();
    const at = from + what.length - back;
    area?.focus();
    area?.setSelectionRange(at, at);
    cursor = at;
  }

  function key(what: string) {
    const at = area?.selectionStart ?? text.length;
    const before = text.slice(0, at);
    // one link a line: a narrow screen shows it whole
    const gap = before === '' || /\s$/.test(before) ? '' : ' ';
    if (what === '>') return put(at, at, before.endsWith('\n') || before === '' ? '> ' : '\n> ');
    if (what === '[ ]') return put(at, at, `${gap}[] `, 2);
    return put(at, at, gap + what);
  }

  function onkeydown(event: KeyboardEvent) {
    const first = offered.words[0];
    if (event.key === 'Tab' && !event.shiftKey && first) {
      event.preventDefault();
      void put(offered.from, offered.to, first);
    }
  }

  /** Puts the cursor where a problem is. */
  export function go(line: number, column: number) {
    const before = text
      .split('\n')
      .slice(0, line - 1)
      .join('\n');
    const at = Math.min(text.length, before.length + (line > 1 ? 1 : 0) + column - 1);
    area?.focus();
    area?.setSelectionRange(at, at);
  }
</script>

<div class="paper card">
  <div class="sheet">
    <!-- the same lines under the field, so that a long one is numbered and marked where it begins -->
    <div class="figure lines" aria-hidden="true">
      {#each text.split('\n') as line, i (i)}
        <div class={worst[i + 1] ?? ''}><span>{i + 1}</span>{line || ' '}</div>
      {/each}
    </div>
    <textarea
      class="figure"
      bind:this={area}
      value={text}
      spellcheck="false"
      autocapitalize="off"
      autocomplete="off"
      aria-label="Chains"
      placeholder={EXAMPLE}
      oninput={(e) => ontyped(e.currentTarget.value)}
      onkeyup={() => (cursor = area?.selectionStart ?? 0)}
      onclick={() => (cursor = area?.selectionStart ?? 0)}
      {onkeydown}></textarea>
  </div>
</div>
<div class="offered" aria-label="What may be meant">
  {#each offered.words as word, i (word)}
    <button type="button" onclick={() => put(offered.from, offered.to, word)}
      >{word}{#if i === 0}<kbd>Tab</kbd>{/if}</button
    >
  {/each}
</div>
<div class="keys" role="group" aria-label="Typed most">
  {#each KEYS as what (what)}
    <button type="button" class="figure" onclick={() => key(what)}>{what}</button>
  {/each}
</div>

<style>
  .paper {
    height: clamp(220px, 42vh, 420px);
    overflow: auto;
  }
  .sheet {
    position: relative;
    min-height: 100%;
  }
  .lines,
  textarea {
    box-sizing: border-box;
    padding: 10px 12px 10px 0;
    font-size: 0.875rem;
    line-height: 1.6;
    letter-spacing: normal;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  .lines {
    color: transparent;
  }
  .lines div {
    position: relative;
    padding-left: 44px;
  }
  .lines span {
    position: absolute;
    left: 0;
    width: 32px;
    text-align: right;
    padding-right: 6px;
    color: var(--ink-soft);
    user-select: none;
  }
  .lines .error {
    background: var(--bad-wash);
  }
  .lines .error span {
    background: var(--bad);
    color: var(--card);
    font-weight: 600;
  }
  .lines .question span {
    background: var(--band);
    color: var(--ink);
  }
  textarea {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    padding-left: 44px;
    border: 0;
    color: var(--ink);
    background: transparent;
    resize: none;
    overflow: hidden;
  }
  .offered {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    min-height: 40px;
    padding: 6px 0 4px;
  }
  .offered button {
    font: inherit;
    font-size: 0.8125rem;
    padding: 3px 10px;
    background: none;
    color: var(--good);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  kbd {
    margin-left: 8px;
    font-size: 0.6875rem;
    color: var(--ink-soft);
  }
  .keys {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
  .keys button {
    min-height: 36px;
    min-width: 44px;
    padding: 2px 10px;
    font-size: 0.8125rem;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  @media (max-width: 672px) {
    .keys button {
      min-height: 48px;
      flex: 1 1 22%;
      font-size: 0.9375rem;
    }
    .paper {
      height: 38vh;
    }
  }
</style>
