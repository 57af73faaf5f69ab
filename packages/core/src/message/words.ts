// Words without the schemas: what a first screen needs of this room. Zod stays out of it.
export { type Message, message, type Quantity, type Value, type Words } from './message';
export type { Reader } from './reader';
export { writeWords } from './writeWords';
