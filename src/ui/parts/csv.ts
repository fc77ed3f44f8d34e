import { FORMULA } from '@/core/papers';
import { downloadText } from './download';

/*
 * Tables out and in. The reader and writer of CSV is fetched when it is wanted.
 */

export async function downloadCsv(name: string, rows: readonly string[][]): Promise<void> {
  const { default: Papa } = await import('papaparse');
  downloadText(name, 'text/csv', Papa.unparse(rows as string[][], { escapeFormulae: FORMULA }));
}

/** Rows of cells from CSV or from a paste out of a sheet. */
export async function readRows(text: string): Promise<string[][]> {
  const { default: Papa } = await import('papaparse');
  return Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;
}
