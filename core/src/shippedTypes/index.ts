// A door of its own to the instruments that ship: together they weigh as much as a page, which loads them when it asks.
export { shippedTypes } from '../instruments';
