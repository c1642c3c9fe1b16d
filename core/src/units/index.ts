export { along, degrees, length, printQuantity, rulerOf, size, stock, type KeptUnit, type Quantity } from './quantity';
export { parseNumber } from './parseNumber';
export { parseQuantity, type ParsedQuantity } from './parseQuantity';
export { joined, phrase, printPhrase, silence, type Phrase } from './phrase';
export { parseLength, parseSize, type ParsedLength } from './parseLength';
export { printFigure, printFraction, printLength, printShort, printWithUncertainty } from './printLength';
export { lengthUnits, mmPerUnit, unitNames, type LengthUnit } from './units';
