<script lang="ts">
  import { api, type FoundSheets, reason } from '../../lib/api/client';
  import { percent } from '../../lib/format/format';

  /** Which sheet fits a unit, by what a look at it tells. */
  let { onchosen }: { onchosen: (key: string) => void } = $props();

  let given = $state<[question: string, answer: string, words: string][]>([]);
  let found = $state.raw<FoundSheets>();
  let error = $state('');

  const MANY = 4;
  const few = $derived(found && found.sheets.length <= MANY ? found.sheets : []);

  void ask([]);

  async function ask(answers: typeof given) {
    try {
      found = await api.findSheet(Object.fromEntries(answers));
      given = answers;
      error = '';
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<section aria-label="Which sheet fits">
  {#if error}<p class="failed" role="alert">{error}</p>{/if}
  {#each given as [question, , words], i (question)}
    <button type="button" class="quiet-button given" onclick={() => ask(given.slice(0, i))}
      >{words} <span class="soft">change</span></button
    >
  {/each}
  {#if found?.next}
    {@const question = found.next}
    <p><b>{question.title}</b></p>
    <div class="answers">
      {#each Object.entries(question.answers) as [answer, words] (answer)}
        <button type="button" onclick={() => ask([...given, [question.id, answer, words]])}>{words}</button>
      {/each}
    </div>
  {/if}
  {#if few.length > 0}
    <table>
      {#if found && found.differ.length > 0 && few.length > 1}
        <thead>
          <tr>
            <th></th>
            {#each found.differ as question (question)}<th>{question}</th>{/each}
          </tr>
        </thead>
      {/if}
      <tbody>
        {#each few as sheet (sheet.key)}
          <tr>
            <td>
              <button type="button" class="quiet-button" onclick={() => onchosen(sheet.key)}
                >{sheet.title}</button
              >
              <small class="soft">{percent(sheet.probability)}</small>
            </td>
            {#each few.length > 1 ? sheet.answers : [] as words, i (i)}<td>{words}</td>{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</section>

<style>
  section {
    padding: 10px 12px;
    background: var(--field);
    font-size: 0.875rem;
  }
  .given {
    display: block;
    color: var(--ink);
  }
  .given span {
    padding-left: 8px;
  }
  .answers {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    padding: 6px 0;
  }
  .answers button {
    min-height: 36px;
    padding: 4px 12px;
    text-align: left;
    font: inherit;
    font-size: 0.875rem;
    background: var(--card);
    color: var(--ink);
    border: 1px solid var(--line);
    cursor: pointer;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th {
    font-size: 0.75rem;
    font-weight: 400;
    text-align: left;
    color: var(--ink-soft);
  }
  td {
    border-top: 1px solid var(--line);
    padding: 4px 8px 4px 0;
    vertical-align: top;
  }
  td button {
    text-align: left;
    padding: 0;
  }
  small {
    padding-left: 6px;
  }
  @media (max-width: 672px) {
    .answers button {
      min-height: 44px;
    }
  }
</style>
