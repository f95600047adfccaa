import { typed } from '../device/typed';
import { api, type GuideRevision, type SheetRevision, type TextProblem } from '../api/client';

/** Where texts of one kind are kept: each saved one is a new revision. */
export interface Documents<R> {
  /** What one of them is called. */
  name: 'Sheet' | 'Guide';
  problems: (text: string) => Promise<TextProblem[]>;
  /** From which revision it was written: saved over another's, it is held up once. */
  save: (key: string, text: string, base?: number) => Promise<R>;
  revisions: (key: string) => Promise<{ revision: number; createdAt: string }[]>;
  text: (key: string, revision: number) => Promise<string>;
}

export const sheetDocuments: Documents<SheetRevision> = {
  name: 'Sheet',
  problems: (text) => api.validate('sheets', text),
  save: (key, text, base) => api.saveSheet(key, text, base),
  revisions: (key) => api.revisions('sheets', key),
  text: (key, revision) => api.sheetText(key, revision, 'yaml')
};

export const guideDocuments: Documents<GuideRevision> = {
  name: 'Guide',
  problems: (text) => api.validate('guides', text),
  save: (key, text, base) => api.saveGuide(key, text, base),
  revisions: (key) => api.revisions('guides', key),
  text: (key, revision) => api.guideText(key, revision)
};

/** The key a text gives itself. */
export function keyOf(text: string): string | undefined {
  return /^\s*"?key"?\s*:\s*"?([a-z0-9-]+)"?/m.exec(text)?.[1];
}

/** A text that was brought in by file and waits to be saved; it is handed over once. */
export function broughtIn(key: string): string | undefined {
  const text = typed.get(key) || undefined;
  typed.set(key, '');
  return text;
}
