/**
 * What is left on a device is encrypted (AES-GCM, 256 bits) by a key that only its person gets, at signing in: it is
 * kept where the device keeps what the server answers, and goes from there at signing out.
 */
export interface Sealed {
  iv: Uint8Array<ArrayBuffer>;
  data: ArrayBuffer;
}

const IV_BYTES = 12;

/** A key from its 64 digits in hex. Without TLS browsers encrypt on the machine itself only. */
export async function keyOf(hex: string): Promise<CryptoKey | undefined> {
  if (!globalThis.crypto?.subtle || !/^[0-9a-f]{64}$/.test(hex)) return undefined;
  const bytes = Uint8Array.from(hex.match(/../g) ?? [], (b) => parseInt(b, 16));
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

export async function seal(key: CryptoKey, what: unknown): Promise<Sealed> {
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES));
  const text = new TextEncoder().encode(JSON.stringify(what));
  return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, text) };
}

/** @throws where the key is another, or something was changed */
export async function open<T>(key: CryptoKey, { iv, data }: Sealed): Promise<T> {
  const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, data);
  return JSON.parse(new TextDecoder().decode(text)) as T;
}
