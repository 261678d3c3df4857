export { MANNERS, type Manner } from './manner';
export { drawCase, type Case } from './trip';
export { DAY, START, wakingDays } from './world';
