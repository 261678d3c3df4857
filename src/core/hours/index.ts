export { hoursReader } from './reader.js';
