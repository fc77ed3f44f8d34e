import { newStation } from '../src/core/station';
import { chance, usualChances } from '../src/core/rehearsal';
const s = newStation('a','b','metric-230');
const t=performance.now(); const c = chance(s, {...usualChances, years: 60, faults: 4, answers: 60, storms: {...usualChances.storms, perYear: 0}, cuts: {...usualChances.cuts, perYear: 0}}); console.log(performance.now()-t, JSON.stringify(c).slice(0,300));
