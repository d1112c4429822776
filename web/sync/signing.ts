import { ed25519 } from '@noble/curves/ed25519.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/* Signing with a key of this device. Apart from the keys, since it is large and nothing on the screen waits for it. */

export interface KeyPair {
  readonly secret: Uint8Array;
  readonly publicKey: string;
}

export function newKeyPair(): KeyPair {
  const secret = ed25519.utils.randomSecretKey();
  return { secret, publicKey: publicKeyOf(secret) };
}

export function publicKeyOf(secret: Uint8Array): string {
  return base64url(ed25519.getPublicKey(secret));
}

/** The signature of a text, as base64url. */
export function sign(text: string, secret: Uint8Array): string {
  return base64url(ed25519.sign(new TextEncoder().encode(text), secret));
}

/** SHA-256 in hexadecimal. */
export function sha256Of(bytes: Uint8Array): string {
  return bytesToHex(sha256(bytes));
}

function base64url(bytes: Uint8Array): string {
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
}
