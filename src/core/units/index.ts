export { quantity, type Quantity, type QuantityKind, type UnitSystem } from './quantity';
export { fieldText, format, inUnits, say } from './print';
export { parseQuantity } from './parse';
export { printFeetInches } from './feetInches';
export { phrase, sayPhrase, type Phrase } from './phrase';
export { systemOf, tapeStep, toTape, type Profile } from './profile';
export { FOOT, GALLON, INCH, UNIT_TABLE, factorOf, unitOf } from './unitTable';
