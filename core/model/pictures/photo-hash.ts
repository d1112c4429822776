import { z } from 'zod';

/** A photo or video is named by the SHA-256 of its stored bytes. */
export const PhotoHash = z.string().regex(/^[0-9a-f]{64}$/, 'no-photo');
