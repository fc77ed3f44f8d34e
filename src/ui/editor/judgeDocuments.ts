/* What it takes to check and judge a document, the schema among it. Fetched after the page answers, never with it. */
export { judge, summaryOf } from '@/core/levels';
export { checkStation } from '@/core/station';
