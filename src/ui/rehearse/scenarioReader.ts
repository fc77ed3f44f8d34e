/** What reads a scenario brings its schema with it: fetched when one is changed or imported. */
export { readScenario } from '@/core/rehearsal';
