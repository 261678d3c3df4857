export { findings, mendOf, type Finding, type FindingContext, type FindingMend } from './findings.js';
export { slipsIn, type Slip } from './slips.js';
export { bearsOn } from './bearsOn.js';
