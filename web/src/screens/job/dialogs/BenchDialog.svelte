<script lang="ts">
  import { InlineLoading, Modal } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, type BenchAnswer, type Ratings, reason } from '../../../lib/api/client';
  import BenchForm from '../../../lib/bench/BenchForm.svelte';
  import { told } from '../../../lib/bench/told';
  import BenchResult from '../../../lib/bench/BenchResult.svelte';

  /** A part of the job on the bench, with its ratings filled in; the result is evidence. */
  let {
    job,
    part,
    title,
    onlog,
    onclose
  }: {
    job: string;
    part: string;
    title: string;
    /** Logs a check and what was typed. */
    onlog: (told: string) => Promise<boolean>;
    onclose: () => void;
  } = $props();

  let checks = $state.raw<Ratings[]>();
  let chosen = $state(0);
  let answer = $state.raw<BenchAnswer>();
  let typed = $state.raw<Record<string, string>>({});
  let error = $state('');

  const check = $derived(checks?.[chosen]);
  const decides = $derived(answer && ['good', 'bad'].includes(answer.grade));

  untrack(() => api.benchOf(job, part)).then(
    (all) => (checks = all),
    (e: unknown) => (error = reason(e))
  );

  async function log() {
    if (!check || !decides) return;
    if (await onlog(`${check.card.key}: ${told(typed)}`)) onclose();
    else error = 'It could not be logged; see what the job says, and try again.';
  }
</script>

<Modal
  open
  modalHeading={`On the bench: ${title}`}
  primaryButtonText={answer?.grade === 'bad' ? 'Log that it failed' : 'Log that it passed'}
  secondaryButtonText="Close"
  primaryButtonDisabled={!decides}
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={log}
>
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
  {#if !checks}
    {#if !error}<InlineLoading description="Looking for its checks" />{/if}
  {:else if checks.length === 0}
    <p>There is no check on the bench for this kind of part.</p>
  {:else if check}
    {#if checks.length > 1}
      <div class="which" role="group" aria-label="Which check">
        {#each checks as c, i (c.card.key)}
          <button
            type="button"
            aria-pressed={i === chosen}
            onclick={() => {
              chosen = i;
              answer = undefined;
            }}>{c.card.title}</button
          >
        {/each}
      </div>
    {/if}
    {#if check.card.note}<p class="soft">{check.card.note}</p>{/if}
    {#key check.card.key}
      <BenchForm
        card={check.card}
        given={check.given}
        check={(t) => api.check(check.card.key, t)}
        onanswer={(a, t) => {
          answer = a;
          typed = t;
        }}
      />
    {/key}
    {#if answer}<BenchResult {answer} />{/if}
    {#if answer && !decides}<p class="soft">Doubtful is no evidence either way; nothing is logged.</p>{/if}
  {/if}
</Modal>

<style>
  .which {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding-bottom: 10px;
  }
  .which button {
    min-height: 36px;
    padding: 0 12px;
    font: inherit;
    font-size: 0.875rem;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  .which button[aria-pressed='true'] {
    border-color: var(--brass-line);
    font-weight: 600;
  }
  p {
    padding-bottom: 8px;
  }
</style>
