/** One verb of the command line: what it takes, and what it answers: text as it is, anything else as JSON. */
export interface Verb {
  readonly usage: string;
  readonly about: string;
  readonly options: Readonly<Record<string, { readonly type: 'string' | 'boolean' }>>;
  /** Fewest file arguments; one unless said otherwise. */
  readonly files?: number;
  run(files: readonly string[], options: Readonly<Record<string, string | undefined>>): unknown;
}
