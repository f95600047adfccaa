<script lang="ts">
  import type { Assessment, Verdict } from '../api/client';
  import ShareBar from '../controls/ShareBar.svelte';
  import LinkRing from '../chain/LinkRing.svelte';
  import { percent, words } from '../format/format';

  /** What may be at fault, the most probable first, each with its reasons. */
  let {
    assessment,
    confirmBy,
    found = assessment.leading.confirmed,
    outside = [],
    onselect,
    onbench
  }: {
    assessment: Assessment;
    confirmBy: string;
    /** Whether no test is due any more. */
    found?: boolean;
    /** Causes outside of the circuit, in the same distribution. */
    outside?: { id: string; title: string; probability: number; because: string[] }[];
    onselect: (part: string) => void;
    /** Where a part may be checked by itself. */
    onbench?: ((part: string, title: string) => void) | undefined;
  } = $props();

  const SHOWN = 5;
  const NEGLIGIBLE = 0.002;

  interface Suspect {
    id: string;
    title: string;
    fault: string;
    probability: number;
    verdict: Verdict;
    because: string[];
    /** Not in the circuit: nothing to choose in the chain. */
    outside?: boolean;
  }

  const suspects = $derived.by<Suspect[]>(() => {
    const all: Suspect[] = assessment.parts.map((p) => ({
      id: p.id,
      title: p.title,
      fault: p.modes
        .filter((m) => m.probability > 0.2 * (p.modes[0]?.probability ?? 1))
        .map((m) => words(m.mode))
        .join(' or '),
      probability: p.probability,
      verdict: p.verdict,
      because: p.because
    }));
    const { supply, unexplained } = assessment;
    all.push({
      id: 'supply',
      title: 'supply',
      fault: ['sound', 'unmeasured'].includes(supply.verdict) ? 'at fault' : words(supply.verdict),
      probability: supply.probability,
      verdict:
        supply.verdict === 'sound' ? 'passes' : supply.verdict === 'unmeasured' ? 'untested' : 'off-value',
      because: supply.because
    });
    all.push({
      id: 'not-on-sheet',
      title: 'not on this sheet',
      fault: '',
      probability: unexplained,
      verdict: 'untested',
      because: ['A wire, a joint or a part that the sheet does not show.']
    });
    for (const cause of outside) {
      all.push({
        ...cause,
        id: `cause:${cause.id}`,
        fault: 'outside of the circuit',
        outside: true,
        verdict: 'untested'
      });
    }
    return all
      .sort((a, b) => b.probability - a.probability)
      .filter((s, i) => i === 0 || s.probability > NEGLIGIBLE)
      .slice(0, outside.length > 0 ? SHOWN + 1 : SHOWN);
  });
  /** A sound circuit that runs badly: it is what lies outside of it. */
  const leadsOutside = $derived(outside.length > 0 && assessment.leading.part === 'unit');
  const leading = $derived(assessment.leading);
</script>

<section class="card" aria-label="Suspects">
  <header>
    <h2>Suspects</h2>
  </header>
  {#if leading.probability > 0.9 && leadsOutside}
    <p class="finding">
      <b>Outside of the circuit</b>, most likely: {outside[0]?.title}.
    </p>
  {:else if leading.probability > 0.9}
    <p class="finding" class:sure={found}>
      <b>{leading.title}</b>{found
        ? ': confirmed by its own test. Now look for the cause.'
        : `. To be sure: ${confirmBy}`}
    </p>
    {#if leading.alternatives.length > 0}
      <div class="same">
        <p>What else would read the same</p>
        <ul>
          {#each leading.alternatives as other, i (i)}
            <li>{other.text}{other.odds === undefined ? '' : `, ${percent(other.odds)}`}</li>
          {/each}
        </ul>
      </div>
    {/if}
  {/if}
  <ul>
    {#each suspects as suspect, i (suspect.id)}
      <li>
        <details>
          <summary onclick={() => suspect.outside || onselect(suspect.id)}>
            <LinkRing verdict={suspect.verdict} size={22} />
            <span class="name">
              <span><b>{suspect.title}</b> <span class="soft">{suspect.fault}</span></span>
              <ShareBar share={suspect.probability} first={i === 0} />
            </span>
            <span class="share">{percent(suspect.probability)}</span>
          </summary>
          <ul class="because">
            {#each suspect.because as reason, r (r)}<li>{reason}</li>{/each}
            {#if onbench && assessment.parts.some((p) => p.id === suspect.id)}
              <li>
                <button type="button" class="quiet-button" onclick={() => onbench(suspect.id, suspect.title)}
                  >Check it on the bench</button
                >
              </li>
            {/if}
          </ul>
        </details>
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    padding: 10px 0 4px;
  }
  header {
    padding: 0 16px 4px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  .finding {
    background: var(--bad-wash);
    font-size: 0.8125rem;
    line-height: 1.35;
    padding: 7px 16px;
  }
  .same {
    padding: 6px 16px;
    font-size: 0.8125rem;
    line-height: 1.4;
    background: var(--field);
  }
  .same p {
    font-weight: 600;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  section > ul > li + li {
    border-top: 1px solid var(--line);
  }
  summary {
    display: grid;
    grid-template-columns: 22px 1fr 74px;
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
  .share {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .because {
    padding: 0 16px 8px 48px;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  .because li + li {
    margin-top: 3px;
  }
</style>
