export { quantity, type Dimension, type Format, type Quantity, type UnitSystem } from './quantity';
export { fieldText, format, inUnits, say } from './print';
export { parseQuantity } from './parse';
export { printFeetInches } from './feetInches';
export { phrase, sayPhrase, type Phrase } from './phrase';
export { systemOf, tapeStep, toTape, type Profile } from './profile';
export { factorOf, FOOT, FORMATS, GALLON, INCH, siUnitOf, unitOf, unitsOf } from './unitTable';
