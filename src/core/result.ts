/**
 * The outcome of something that can fail for a reason a person can read.
 * Core functions return this instead of throwing; they throw only on a programming error.
 */
export type Result<T, F extends { reason: string }> = ({ ok: true } & T) | ({ ok: false } & F);
