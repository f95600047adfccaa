<script lang="ts">
  import type { CauseCheck, JobView, Sheet } from '../../../../lib/api/client';
  import ShareBar from '../../../../lib/controls/ShareBar.svelte';
  import { duration, percent } from '../../../../lib/format/format';
  import type { JobSession } from '../../JobSession.svelte';
  import CheckAnswers from '../CheckAnswers.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** Why a link opened: the check that tells most for its minutes, and the causes as they stand. */
  let { session, view, sheet }: { session: JobSession; view: JobView; sheet: Sheet } = $props();

  const POWER: Record<string, string> = { on: 'power on', off: 'power off', any: '' };

  let instead = $state.raw<CauseCheck>();
  let others = $state(false);
  let why = $state('');
  /** The check that is being answered again. */
  let again = $state('');

  const cause = $derived(view.visit.cause);
  const next = $derived(instead ?? cause.next[0]);
  const opened = $derived(cause.opened ? sheet.parts[cause.opened]?.title : undefined);
</script>

<StepFrame>
  {#if cause.state === 'not-needed'}
    <section class="card said">
      <h2>No cause is asked for</h2>
      <p>{cause.say}</p>
    </section>
  {:else}
    {#if cause.state !== 'ask'}
      <section class="card said">
        <h2>
          {cause.state === 'found' ? 'Found' : cause.state === 'not-found' ? 'Not found' : 'No check is left'}
        </h2>
        <p>{cause.say}</p>
      </section>
    {/if}
    {#if next && !session.closed}
      <section class="card next" aria-label="Next check">
        <header>
          <b>{cause.state === 'found' ? 'To be surer' : 'Next check'}</b>
          <span class="soft">{duration(next.minutes)}{POWER[next.power] ? `, ${POWER[next.power]}` : ''}</span
          >
        </header>
        <p class="question">{next.title}</p>
        {#if next.why}<p class="soft">{next.why}</p>{/if}
        {#if next.hazards.length > 0}<p class="caution">{next.hazards.join(' · ')}</p>{/if}
        <CheckAnswers
          {session}
          check={next.id}
          outcomes={next.outcomes}
          card={next.bench ?? undefined}
          onanswer={() => {
            instead = undefined;
            others = false;
          }}
        />
        <footer>
          {#if instead}
            <button type="button" class="quiet-button" onclick={() => (instead = undefined)}
              >Back to what is proposed</button
            >
          {:else if cause.next.length > 1}
            <button
              type="button"
              class="quiet-button"
              aria-expanded={others}
              onclick={() => (others = !others)}>Other checks</button
            >
          {/if}
        </footer>
        {#if others && !instead}
          <ul class="others">
            {#each cause.next.slice(1) as other (other.id)}
              <li>
                <button type="button" class="quiet-button" onclick={() => (instead = other)}
                  >{other.title}</button
                >
                <span class="soft">{duration(other.minutes)}</span>
              </li>
            {/each}
          </ul>
        {/if}
      </section>
    {/if}
    {#if cause.answered.length > 0}
      <section class="card answered" aria-label="Answered">
        <h2>Answered</h2>
        <ul class="rows">
          {#each cause.answered as a (a.id)}
            <li>
              <p>{a.title}</p>
              <p>
                <b>{a.outcomes[a.answer]}</b>
                {#if a.before.length > 0}<span class="doubt">before: {a.before.join(', ')}</span>{/if}
                {#if !session.closed}
                  <button
                    type="button"
                    class="quiet-button"
                    aria-expanded={again === a.id}
                    onclick={() => (again = again === a.id ? '' : a.id)}>Answer again</button
                  >
                {/if}
              </p>
              {#if again === a.id}
                <p class="outcomes">
                  {#each Object.entries(a.outcomes) as [id, words] (id)}
                    <button
                      type="button"
                      aria-pressed={id === a.answer}
                      disabled={session.busy || id === a.answer}
                      onclick={async () => {
                        if (await session.tell('check', a.id, id)) again = '';
                      }}>{words}</button
                    >
                  {/each}
                </p>
              {/if}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if cause.state !== 'found' && !session.closed}
      <form
        class="card none"
        onsubmit={(e) => {
          e.preventDefault();
          void session.tell('cause', 'none', why);
        }}
      >
        <label for="no-cause">No cause found, because</label>
        <input id="no-cause" bind:value={why} maxlength="300" />
        <button type="submit" disabled={session.busy}>Say so</button>
        {#if cause.wears}
          <button
            type="button"
            disabled={session.busy}
            onclick={() => session.tell('cause', 'none', 'It wore out with age')}>It wore out with age</button
          >
        {/if}
      </form>
    {/if}
  {/if}
  {#snippet aside()}
    {#if cause.causes.length > 0}
      <section class="card" aria-label="Causes">
        <header>
          <h2>{opened ? `Why the ${opened} opened` : 'What lets it overheat'}</h2>
        </header>
        <ul class="rows">
          {#each cause.causes.filter((c, i) => i < 8 || c.found) as c, i (c.id)}
            <li>
              <details>
                <summary>
                  <span>
                    <b>{c.title}</b>{#if c.found}<span class="soft">&nbsp;found</span>{/if}
                    <ShareBar share={c.probability} first={i === 0} />
                  </span>
                  <span class="share">{percent(c.probability)}</span>
                </summary>
                <ul class="because">
                  {#each c.because as reason, r (r)}<li>{reason}</li>{/each}
                  {#each c.putRight as action (action)}<li>Puts it right: {action}.</li>{/each}
                  {#if !c.found && !session.closed}
                    <li>
                      <button
                        type="button"
                        class="quiet-button"
                        disabled={session.busy}
                        onclick={() => session.tell('cause', c.id, '')}>I have seen that it is this</button
                      >
                    </li>
                  {/if}
                </ul>
              </details>
            </li>
          {/each}
          {#if cause.otherwise >= 0.01}
            <li class="otherwise">
              <span>{cause.wears ? 'Worn with age, or none of these' : 'None of these'}</span>
              <span class="share">{percent(cause.otherwise)}</span>
            </li>
          {/if}
        </ul>
      </section>
    {/if}
  {/snippet}
</StepFrame>

<style>
  .said,
  .next,
  .none {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  .next {
    border-left: 4px solid var(--brass-line);
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  .said h2 {
    font-size: 1.25rem;
  }
  .next header {
    display: flex;
    justify-content: space-between;
    font-size: 0.875rem;
  }
  .question {
    font-size: 1.25rem;
    font-weight: 600;
    line-height: 1.3;
    padding: 2px 0 4px;
  }
  .caution {
    font-size: 0.8125rem;
    color: var(--bad);
    padding-top: 4px;
  }
  .answered {
    padding: 12px 16px 4px;
  }
  .answered p {
    font-size: 0.875rem;
    line-height: 1.4;
  }
  .answered li {
    padding: 8px 0;
  }
  .answered button {
    margin-left: 8px;
  }
  .doubt {
    padding-left: 8px;
    color: var(--doubt);
  }
  .outcomes {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding-top: 6px;
  }
  .outcomes button {
    min-height: 40px;
    margin: 0;
    padding: 4px 12px;
    font: inherit;
    background: none;
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  .outcomes [aria-pressed='true'] {
    border-color: var(--brass-line);
    font-weight: 600;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .share {
    text-align: right;
    font-variant-numeric: tabular-nums;
    font-size: 0.875rem;
  }
  .others li {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    font-size: 0.875rem;
  }
  .others button {
    text-align: left;
  }
  .none {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    font-size: 0.875rem;
  }
  .none input {
    flex: 1 1 12rem;
    min-height: 36px;
    font: inherit;
    padding: 0 10px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
  .none button {
    min-height: 36px;
    padding: 0 14px;
    font: inherit;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--ink-soft);
    cursor: pointer;
  }
  section > header {
    padding: 10px 16px 6px;
  }
  .next > header {
    padding: 0;
  }
  .otherwise,
  summary {
    display: grid;
    grid-template-columns: 1fr 4rem;
    gap: 10px;
    align-items: center;
    padding: 6px 16px 7px;
    cursor: pointer;
    font-size: 0.875rem;
    line-height: 1.25;
    list-style: none;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  summary:hover {
    background: var(--field);
  }
  .because {
    padding: 0 16px 8px;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
</style>
