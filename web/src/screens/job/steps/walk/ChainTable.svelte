<script lang="ts">
  import type { PartAssessment, Staircase } from '../../../../lib/api/client';
  import { ohms, volts, watts, words } from '../../../../lib/format/format';

  /** The staircase as a table, for those who would rather read it or have it read. */
  let { path, parts }: { path: Staircase; parts: Map<string, PartAssessment> } = $props();
</script>

<div>
  <table>
    <caption class="soft">Volts against {path.reference}</caption>
    <thead>
      <tr>
        <th>Link</th><th>From</th><th>Believed</th><th>Read</th><th>If sound</th><th>Drop read</th><th
          >That is</th
        ><th>Verdict</th>
      </tr>
    </thead>
    <tbody>
      {#each path.risers as riser, i (riser.part)}
        {@const part = parts.get(riser.part)}
        {@const tread = path.treads[i]}
        <tr>
          <th scope="row">{part?.title}</th>
          <td class="figure">{tread?.point}</td>
          <td class="figure">{volts(tread?.estimated ?? 0)}</td>
          <td class="figure">{tread?.measured === undefined ? '–' : volts(tread.measured)}</td>
          <td class="figure">{volts(riser.ifSound)}</td>
          <td class="figure">{part?.measured ? volts(part.measured.volts) : '–'}</td>
          <td class="figure">
            {part?.measured?.ohms === undefined
              ? '–'
              : `${ohms(part.measured.ohms)}, ${watts(part.measured.watts)}`}
          </td>
          <td>{words(part?.verdict ?? '')}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  div {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.8125rem;
  }
  caption {
    text-align: left;
    padding-bottom: 6px;
  }
  th,
  td {
    text-align: left;
    padding: 9px 8px 9px 0;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
  }
  thead th {
    font-weight: 400;
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 600;
  }
</style>
