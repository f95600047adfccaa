import { api, type SheetPreview, reason } from '../../lib/api/client';

const PAUSE = 150;

/** A chain being typed, with what the server makes of it: drawn and solved as one types. */
export class SketchDraft {
  text = $state('');
  situation = $state('');
  path = $state('');
  preview = $state.raw<SheetPreview>();
  /** The text that the preview is of. */
  shown = $state('');
  error = $state('');
  /** The last that could be drawn; it stays while one types on. */
  drawn = $state.raw<SheetPreview>();
  #asked = 0;
  #waiting: ReturnType<typeof setTimeout> | undefined;

  constructor(text: string) {
    this.text = text;
    void this.look();
  }

  get current(): boolean {
    return this.shown === this.text;
  }

  /** Looks again once one has stopped typing. */
  typed(text: string): void {
    this.text = text;
    clearTimeout(this.#waiting);
    this.#waiting = setTimeout(() => void this.look(), PAUSE);
  }

  async look(): Promise<void> {
    const mine = ++this.#asked;
    const text = this.text;
    try {
      const preview = await api.previewShorthand(text, this.situation, this.path);
      if (mine !== this.#asked) return;
      this.preview = preview;
      this.shown = text;
      this.error = '';
      if (preview.drawing) this.drawn = preview;
    } catch (e) {
      if (mine === this.#asked) this.error = reason(e);
    }
  }

  /** Writes something where it belongs: behind a link, or as lines of their own. */
  say(assumption: { line: number; column: number; say: string }): void {
    const lines = this.text.split('\n');
    const line = lines[assumption.line - 1];
    if (assumption.line === 0 || line === undefined) {
      this.typed(`${this.text.trimEnd()}\n${assumption.say}\n`);
      return;
    }
    const at = assumption.column - 1;
    lines[assumption.line - 1] = `${line.slice(0, at)} ${assumption.say}${line.slice(at)}`;
    this.typed(lines.join('\n'));
  }
}
