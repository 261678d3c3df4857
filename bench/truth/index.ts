export { MANNERS, type Manner } from './manner';
export { DAY, drawCase, START, wakingDays, type Case } from './trip';
