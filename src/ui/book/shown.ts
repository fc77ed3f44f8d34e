import type { Analysis, Due, PageKept, PageKind, PageSent, Reading } from '@/core/book';
import type { Feed, FeedShown } from '@/core/feeds';

/** Something that is due, and where. */
export interface DueShown extends Due {
  readonly stationId: number;
  readonly name: string;
  readonly site: string;
  readonly toHarm: number | null;
}

/** How the station’s panel is read, and how it stands. */
export interface FeedGiven {
  readonly kept: { readonly feed: Feed; readonly by: string; readonly keptAt: string };
  readonly shown: FeedShown;
  /** By it the panel is known when it sends an alarm. */
  readonly word: string;
}

/** A page by its number; or, while it is on this device only, by the id of the act that writes it. */
export type PageId = number | string;

/** Writes a page, and answers which it is; null: it was not written, and why is said. */
export type OnWrite = (page: Pick<PageSent, 'page' | 'readings'>, corrects?: number | null) => Promise<PageId | null>;

/** Which pages are read: of a kind, about a pump (from 1) or a part (by its page); null: all of them. */
export interface PagesOf {
  readonly kind: PageKind | null;
  readonly about: { readonly what: 'pump' | 'part'; readonly number: number } | null;
}

/** Something that happened, on the axis of time. */
export interface Happened {
  readonly id: number;
  /** ms since 1970 */
  readonly at: number;
  readonly what: 'alarm' | 'part' | 'repair' | 'visit';
}

export interface BookProps {
  readonly happened: readonly Happened[];
  /** Fitted parts that went in together, by the numbers of their pages. */
  readonly together: readonly (readonly number[])[];
  /** null: its panel is not read. */
  readonly feed: FeedGiven | null;
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
