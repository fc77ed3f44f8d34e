import type { Analysis, Due, PageKept, Reading } from '@/core/book';

/** Something that is due, and where. */
export interface DueShown extends Due {
  readonly stationId: number;
  readonly name: string;
  readonly site: string;
  readonly toHarm: number | null;
}

export interface BookProps {
  readonly pages: readonly PageKept[];
  readonly parts: readonly PageKept[];
  readonly site: PageKept | null;
  readonly analysis: Analysis;
  readonly due: readonly DueShown[];
  /** ms since 1970, as the server has it. */
  readonly now: number;
  /** The last reading of each meter. */
  readonly last: Readonly<Record<string, Reading>>;
}
