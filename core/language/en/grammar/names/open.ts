/** A record while it is being filled in: its fields and lists can be written. */
export type Open<T> = { -readonly [K in keyof T]: T[K] extends readonly (infer Item)[] ? Item[] : T[K] };
