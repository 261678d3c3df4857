export { findings, mendsOf, type Finding, type FindingContext, type FindingMend } from './findings.js';
export { slipsIn, type Slip } from './slips.js';
export { bearsOn } from './bearsOn.js';
