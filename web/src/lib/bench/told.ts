/** What was typed for a check as one line: `length=6 m; square=2`, a log's lines by strokes. */
export function told(typed: Record<string, string>): string {
  return Object.entries(typed)
    .map(([name, text]) => `${name}=${text.trim().replace(/\s*\n\s*/g, ' | ')}`)
    .join('; ');
}

/** The same as it was typed, by the names of the inputs. */
export function typedOf(line: string): Record<string, string> {
  return Object.fromEntries(
    line
      .split('; ')
      .map((pair) => pair.split(/=(.*)/s))
      .map(([name, text]) => [name ?? '', (text ?? '').replaceAll(' | ', '\n')])
  );
}
