<script lang="ts">
  import { untrack } from 'svelte';
  import { api, type Assessed, type Sheet, reason } from '../../lib/api/client';
  import Flags from '../../lib/assessment/Flags.svelte';
  import Suspects from '../../lib/assessment/Suspects.svelte';
  import ChainStrip from '../../lib/chain/ChainStrip.svelte';
  import StaircaseChart from '../../lib/chain/StaircaseChart.svelte';
  import { contactOf } from '../../lib/circuit/behaviour';
  import Choices from '../../lib/controls/Choices.svelte';
  import { download } from '../../lib/controls/file';
  import FileButton from '../../lib/controls/FileButton.svelte';

  /** A case on this sheet, weighed as it is typed; nothing of it is kept. */
  let { sheet }: { sheet: Sheet } = $props();

  const PAUSE = 400;

  let text = $state(untrack(() => starter(sheet)));
  let assessment = $state.raw<Assessed>();
  let error = $state('');
  let pathIndex = $state(0);
  let width = $state(700);
  let asked = 0;

  const path = $derived(assessment?.paths[pathIndex] ?? assessment?.paths[0]);
  const parts = $derived(new Map(assessment?.parts.map((p) => [p.id, p]) ?? []));

  $effect(() => {
    const now = text;
    const waiting = setTimeout(() => void assess(now), PAUSE);
    return () => clearTimeout(waiting);
  });

  /** The supply and the first chain's first link, for a start. */
  function starter(of: Sheet): string {
    const situation = Object.values(of.situations).find((s) => s.supplyOn)?.id ?? '';
    const [from, to] = Object.values(of.supply.terminals);
    const volts = of.supply.system === 'dc' ? 'volts-dc' : 'volts-ac';
    const complaint = Object.keys(of.complaints)[0];
    const link = Object.values(of.parts).find(contactOf)?.id ?? '';
    return `sheet: ${of.key}
${complaint ? `complaint: ${complaint}\n` : ''}evidence:
  - {id: r1, function: ${volts}, red: ${from}, black: ${to}, situation: ${situation}, value: "${of.supply.volts}"}
  - {id: r2, function: ${volts}, across: ${link}, situation: ${situation}, value: "0.0"}
`;
  }

  async function assess(now: string) {
    const mine = ++asked;
    try {
      const answer = await api.assess(now);
      if (mine !== asked) return;
      assessment = answer;
      error = '';
    } catch (e) {
      if (mine === asked) error = reason(e);
    }
  }
</script>

<div class="bench">
  <section class="card text" aria-label="Case">
    <header>
      <h2>Case</h2>
      <FileButton label="From a file" ontext={(given) => (text = given)} onerror={(m) => (error = m)} />
      <button
        type="button"
        class="quiet-button"
        onclick={() => download(`case-${sheet.key}.yaml`, 'application/yaml', text)}>Save it</button
      >
    </header>
    <textarea class="figure" bind:value={text} spellcheck="false" aria-label="Case text"></textarea>
    {#if error}<p class="error" role="alert">{error}</p>{/if}
  </section>
  <div class="answer">
    {#if assessment && path}
      <section class="card" aria-label="Staircase">
        <Choices
          label="Path"
          options={assessment.paths.map((other) => other.title)}
          chosen={assessment.paths.indexOf(path)}
          onchoose={(i) => (pathIndex = i)}
        />
        <div class="stairs" bind:clientWidth={width}>
          <StaircaseChart
            {path}
            {parts}
            selected={-1}
            width={Math.max(420, width)}
            height={210}
            onselect={() => undefined}
          />
          <ChainStrip {path} {parts} selected={-1} onselect={() => undefined} />
        </div>
        {#if assessment.account}<p class="soft">Account: {assessment.account.text}</p>{/if}
      </section>
      <Flags flags={assessment.flags} />
      <Suspects {assessment} confirmBy={assessment.confirmBy} onselect={() => undefined} />
    {/if}
  </div>
</div>

<style>
  .bench {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
    gap: 14px;
    align-items: start;
  }
  .text {
    padding: 10px 14px 12px;
  }
  header {
    display: flex;
    gap: 1.25rem;
    align-items: baseline;
    margin-bottom: 8px;
    font-size: 0.875rem;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    margin-right: auto;
  }
  textarea {
    width: 100%;
    height: max(320px, calc(100vh - 260px));
    border: 0;
    padding: 10px 12px;
    font-size: 0.75rem;
    line-height: 1.6;
    color: var(--ink);
    background: var(--field);
    resize: vertical;
    white-space: pre;
    overflow: auto;
  }
  .answer {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .answer > section {
    padding: 10px 14px;
  }
  .stairs {
    margin-top: 8px;
    overflow-x: auto;
  }
  p {
    font-size: 0.8125rem;
    margin-top: 6px;
  }
  .error {
    padding: 8px 10px;
    background: var(--bad-wash);
    font-size: 0.875rem;
  }
  @media (max-width: 900px) {
    .bench {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
