import type { Analysis, Due, Page, Reading } from '@/core/book';

/** Something that is due, and where. */
export interface DueShown extends Due {
  readonly stationId: number;
  readonly name: string;
  readonly site: string;
  readonly toHarm: number | null;
}

/** A page of the book as its view is sent it. */
export interface PageShown {
  readonly id: number;
  readonly revision: number;
  readonly at: string;
  readonly writtenAt: string;
  readonly by: string;
  readonly page: Page | null;
  readonly corrects: number | null;
  readonly correctedBy: number | null;
  readonly readings: readonly {
    readonly id: number;
    readonly meter: string;
    readonly value: number;
    readonly newFrom: number | null;
    readonly corrects: number | null;
  }[];
}

export interface BookProps {
  readonly pages: readonly PageShown[];
  readonly parts: readonly PageShown[];
  readonly site: PageShown | null;
  readonly analysis: Analysis;
  readonly due: readonly DueShown[];
  /** ms since 1970, as the server has it. */
  readonly now: number;
  /** The last reading of each meter. */
  readonly last: Readonly<Record<string, Reading>>;
}
