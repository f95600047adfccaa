const LARGEST_BYTES = 256 * 1024;

/** A file as text; one that cannot be a sheet or a case is refused before it is read. */
export async function readFile(file: File): Promise<string> {
  if (file.size > LARGEST_BYTES)
    throw new Error(`"${file.name}" has ${Math.ceil(file.size / 1024)} kB; 256 kB at most.`);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer());
  } catch {
    throw new Error(`"${file.name}" is no UTF-8 text; save it as UTF-8 and try again.`);
  }
}

export function download(name: string, type: string, text: string) {
  const anchor = document.createElement('a');
  anchor.href = URL.createObjectURL(new Blob([text], { type }));
  anchor.download = name;
  anchor.click();
  URL.revokeObjectURL(anchor.href);
}
