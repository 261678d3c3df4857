/** The rules for a run that was kept: fetched where there is one. */
export { readRun } from '$core/runs';
