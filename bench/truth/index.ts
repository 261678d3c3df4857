export { actsOf } from './acts';
export { LIVES, MANNERS, SILENT, type Manner } from './manner';
export { drawCase, type ServiceAct, type Case, type Truth } from './trip';
export { DAY, HOUR, START, wakingDays } from './world';
