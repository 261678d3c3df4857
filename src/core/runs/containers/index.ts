export { stayByContainer, type StayLoads } from './stay.js';
export { livesFrom, whenToGo, type WhenToGo } from './whenToGo.js';
