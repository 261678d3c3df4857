export { lookFirst, type Assessment, type FoundWords } from './firstLook.js';
export { assess } from './now.js';
export { LOOK_AHEAD_DAYS, type DayFlag, type TankOutlook } from './outlook.js';
export { boundOf, effectOf, plainEffect, type Effect } from './preview.js';
export { nextServed } from './nextServed.js';
export { planTrip, type PlanTrip } from './planTrip.js';
export { crewAsked, type CrewAsked } from './crewAsked.js';
