<script lang="ts">
  /** Lines of two texts, each begun with what became of it: ' ' kept, '+' added, '-' removed. */
  let { lines }: { lines: string[] } = $props();
</script>

<pre class="figure">{#each lines as line, i (i)}<span
      class:added={line.startsWith('+')}
      class:removed={line.startsWith('-')}
      >{line.startsWith('@') ? '…' : `${line.slice(0, 1)} ${line.slice(1)}`}</span
    >{/each}</pre>

<style>
  pre {
    margin: 0;
    overflow-x: auto;
    font-size: 0.8125rem;
    line-height: 1.5;
  }
  span {
    display: block;
  }
  .added {
    background: var(--band);
  }
  .removed {
    background: var(--bad-wash);
    color: var(--bad);
  }
</style>
