<script lang="ts">
  import { link } from 'svelte-spa-router';
  import type { Appointment } from '../../lib/api/client';
  import { day } from '../../lib/format/format';

  /** Follow-ups and prevention that are overdue or come due; settled here or by going there. */
  let { due, onsettle }: { due: Appointment[]; onsettle: (appointment: Appointment) => void } = $props();

  const today = new Date().toISOString().slice(0, 10);
</script>

{#if due.length > 0}
  <section aria-label="Coming up">
    <h2>Coming up</h2>
    <ul class="card rows">
      {#each due as a (a.id)}
        <li>
          <span class:late={a.dueOn < today}
            >{day(a.dueOn)}<small>{a.dueOn < today ? 'overdue' : ''}</small></span
          >
          <span>
            {a.title}
            <small class="soft"
              ><a href={`/units/${a.unitTag}`} use:link>{a.unitTag}</a>
              {a.unitTitle}, {a.unitPlace} ·
              <a href={`/jobs/${a.jobId}`} use:link>the visit it comes from</a></small
            >
          </span>
          <button type="button" class="quiet-button" onclick={() => onsettle(a)}>Done</button>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
    color: var(--ink-soft);
    margin: 1.25rem 0 0.5rem;
  }
  li {
    display: grid;
    grid-template-columns: 7rem 1fr auto;
    gap: 1.5rem;
    align-items: center;
    padding: 10px 16px;
    font-size: 0.9375rem;
    line-height: 1.4;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  small a {
    color: var(--good);
    text-decoration: underline;
  }
  .late {
    color: var(--bad);
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 5rem 1fr auto;
      gap: 10px;
    }
  }
</style>
