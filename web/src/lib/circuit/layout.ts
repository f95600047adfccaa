import type { Drawing } from '../api/client';

/** Turns the columns and rows of a drawing into px. */
export interface Layout {
  x: (column: number) => number;
  y: (row: number) => number;
  column: number;
  width: number;
  height: number;
}

const ROW = 68;
const NARROWEST = 62;
const WIDEST = 128;
const MARGIN = { left: 26, right: 46, top: 32, bottom: 48 };

export function layout(drawing: Drawing, available: number): Layout {
  const room = available - MARGIN.left - MARGIN.right;
  const column = Math.min(WIDEST, Math.max(NARROWEST, room / Math.max(1, drawing.columns)));
  return {
    x: (at) => MARGIN.left + at * column,
    y: (row) => MARGIN.top + row * ROW,
    column,
    width: MARGIN.left + drawing.columns * column + MARGIN.right,
    height: MARGIN.top + (drawing.rows - 1) * ROW + MARGIN.bottom
  };
}

/** A label in lines that fit a width, as many letters as there is room for at this size. */
export function wrap(text: string, width: number, letter = 5.7): string[] {
  const most = Math.max(6, Math.floor(width / letter));
  const lines: string[] = [];
  // "stage 1" stays together
  for (const word of text.replace(/ (\S{1,2})$/, '\u00a0$1').split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** Volts in few letters; what is nothing beside the supply is 0. */
export function brief(volts: number, supply: number): string {
  const size = Math.abs(volts);
  if (size < supply * 1e-4) return '0 V';
  if (size < 1) return `${(1000 * volts).toPrecision(size < 0.1 ? 2 : 3)} mV`;
  return `${size >= 100 ? volts.toFixed(0) : volts.toPrecision(3)} V`;
}
