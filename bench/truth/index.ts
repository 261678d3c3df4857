export { LIVES, MANNERS, type Manner } from './manner';
export { drawCase, type ServiceAct, type Case, type Truth } from './trip';
export { DAY, START, wakingDays } from './world';
