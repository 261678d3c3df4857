export { swapOf, swapsOf, type Swap } from './swap.js';
