export {
	fitsL,
	hoseLitres,
	hoseRestL,
	keptFreeL,
	loadsOf,
	MOST_LOADS,
	USUAL_WASTE_HOSE,
	type Hose,
	type Loads,
	type Vessel
} from './loads.js';
export { pourOf, swapOf, swapsOf, type Swap } from './swap.js';
