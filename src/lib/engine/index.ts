export { readFileIn, startEngine, type EngineApi, type FileReading } from './client';
export type { Engine, LevelThen, Question } from './createEngine';
export { EngineClient } from './engineClient.svelte';
export { latest, Latest } from './latest.svelte';
export { takeIn, type ReadIn } from './logbookReader';
export type { BasketAnswer } from './basketAnswer';
export type { HabitFacts, Saving, Way } from './savingQuestions';
export type { Ask, PlanNews, SchoolPlan, TripPlan, WaysOfTrip } from './planQuestions';
export type { RunAnswers, RunAsk, StayAt } from './runQuestions';
