/** What writes a rehearsal as files: fetched when one is wanted. */
export { eventRows, report, traceRows } from '@/core/rehearsal';
