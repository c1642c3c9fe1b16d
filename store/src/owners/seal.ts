import { createCipheriv, createDecipheriv, createHash, randomBytes } from 'node:crypto';

/** How a sealed text begins; after it the id of the owner whose key opens it, then what was sealed. */
const mark = 'sealed:1:';
const cipher = 'aes-256-gcm';
const ivBytes = 12;
const tagBytes = 16;

/** A key that opens what is said of one owner, and nothing else. */
export const newKey = (): Buffer => randomBytes(32);

/**
 * Seals a text for one owner (AES-256 in Galois/Counter Mode, NIST SP 800-38D, a fresh nonce each time).
 *
 * @param owner the id of the owner, a UUID
 * @param key 32 bytes
 */
export function seal(text: string, owner: string, key: Buffer): string {
  const iv = randomBytes(ivBytes);
  const sealing = createCipheriv(cipher, key, iv);
  // The id belongs to what is sealed: it cannot be exchanged for another’s.
  sealing.setAAD(Buffer.from(owner));
  const inner = Buffer.concat([sealing.update(text, 'utf8'), sealing.final()]);
  return `${mark}${owner}:${Buffer.concat([iv, sealing.getAuthTag(), inner]).toString('base64url')}`;
}

/** Whose key opens this text; null of a text that is not sealed. */
export function sealedFor(text: unknown): string | null {
  if (typeof text !== 'string' || !text.startsWith(mark)) return null;
  const owner = text.slice(mark.length, mark.length + 36);
  return /^[0-9a-f-]{36}$/.test(owner) && text[mark.length + 36] === ':' ? owner : null;
}

/** What was sealed; null where this key does not open it, or it was damaged. */
export function unseal(text: string, key: Buffer): string | null {
  const owner = sealedFor(text);
  if (owner === null) return null;
  const bytes = Buffer.from(text.slice(mark.length + 37), 'base64url');
  try {
    const opening = createDecipheriv(cipher, key, bytes.subarray(0, ivBytes), { authTagLength: tagBytes });
    opening.setAAD(Buffer.from(owner));
    opening.setAuthTag(bytes.subarray(ivBytes, ivBytes + tagBytes));
    return Buffer.concat([opening.update(bytes.subarray(ivBytes + tagBytes)), opening.final()]).toString('utf8');
  } catch {
    return null;
  }
}

/** A name by which the same owner is known again on another ticket, however it was written. Held as a hash. */
export const nameHash = (name: string): string =>
  createHash('sha256').update(name.normalize('NFKC').toLowerCase().replaceAll(/\s+/g, ' ').trim()).digest('hex');
