import type { Gauge } from '@/core/papers';

/** What a gauge shows: worked out, or why it could not be. */
export type Face = Gauge | { readonly failed: string };
export type Faces = Readonly<Record<number, Face>>;
