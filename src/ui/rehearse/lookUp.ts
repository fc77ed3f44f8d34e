/** What works out what can be rehearsed knows every scheme: fetched when a station has changed. */
export { rehearsable } from '@/core/rehearsal';
