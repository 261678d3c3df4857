export {
	fitsL,
	hoseLitres,
	keptFreeL,
	loadsOf,
	MOST_LOADS,
	USUAL_WASTE_HOSE,
	type Hose,
	type Loads,
	type Vessel
} from './loads.js';
export { stayByContainer, type StayLoads } from './stay.js';
export { livesFrom, whenToGo, type WhenToGo } from './whenToGo.js';
