export { careBySteps, careDue, type CareProblem, type TaskDue } from './due.js';
export { swallowedL } from './drainedDown.js';
export { dueNow, nextDue, type Weather } from './dueNow.js';
export { CARE_IDEAS, careIdea, careIdeasFor, taskFrom, type CareIdea } from './catalogue.js';
export {
	MOST_MG_PER_L,
	sanitisingDose,
	soakHours,
	STRENGTHS_MG_PER_L,
	treatmentDose,
	waterDose,
	type DoseAnswer,
	type DoseRefusal,
	type LeftInside,
	type Product,
	type SanitisingAsk,
	type SanitisingDose,
	type TreatmentAsk,
	type WaterDoseAsk
} from './doses.js';
export { DRINKS, waterStates, type Drink, type DrinkReason, type WaterState } from './drinkable.js';
export {
	frostAhead,
	frostRisks,
	frostTyped,
	RISKS_AT_C,
	type FrostNight,
	type FrostRisk,
	type TypedNight
} from './frost.js';
export { watermakersOf } from './equipment.js';
export { layUpOf, type LayUp, type LayUpStep, type Remains, type WayBackStep } from './layUp.js';
export type { Potable } from './potable.js';
export {
	mixedWater,
	waterAges,
	waterWarnings,
	type Parcel,
	type WaterAge,
	type WaterPart,
	type WaterWarning
} from './waterAge.js';
