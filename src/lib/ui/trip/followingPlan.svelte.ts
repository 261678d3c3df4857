import type { App } from '$lib/state';
import { untrack } from 'svelte';
import { followPlan } from './planNews';

/**
 * What was seen of a plan is kept beside the logbook, to tell what has changed in it.
 *
 * @returns ends it
 */
export const followingPlan = (app: App): (() => void) =>
	$effect.root(() => {
		$effect(() => {
			const now = app.engine.assessment;
			if (now?.plan) untrack(() => void followPlan(app, now));
		});
	});
