<script lang="ts">
  import { readFile } from './file';

  /** A quiet button that takes a text file of a sheet or a case. */
  let {
    label,
    accept = '.yaml,.yml,.json',
    ontext,
    onerror
  }: {
    label: string;
    accept?: string;
    ontext: (text: string) => void;
    onerror: (message: string) => void;
  } = $props();

  let chooser = $state<HTMLInputElement>();

  async function take(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      ontext(await readFile(file));
    } catch (e) {
      onerror(e instanceof Error ? e.message : String(e));
    }
  }
</script>

<input bind:this={chooser} type="file" {accept} hidden aria-label={label} onchange={take} />
<button type="button" class="quiet-button" onclick={() => chooser?.click()}>{label}</button>
