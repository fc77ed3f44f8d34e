/** How each case is drawn, in the chart and beside its name. */
export const CASE_LINES: Readonly<Record<'low' | 'design' | 'worst', { dash?: string; width: number }>> = {
  low: { dash: '2 3', width: 1.4 },
  design: { width: 2.2 },
  worst: { dash: '7 3', width: 1.8 },
};
