import type { App } from '$lib/state';
import { followPlan } from './planNews';

/** An assessment is often followed by the next: what is told of a plan is told of the one that stays. */
const CALM_MS = 1500;

/**
 * What was seen of a plan is kept beside the logbook, to tell what has changed in it.
 *
 * @returns ends it
 */
export const followingPlan = (app: App): (() => void) =>
	$effect.root(() => {
		$effect(() => {
			const now = app.engine.assessment;
			if (!now?.plan) return;
			const waiting = setTimeout(() => void followPlan(app, now), CALM_MS);
			return () => clearTimeout(waiting);
		});
	});
