import { getContext, setContext } from 'svelte';
import type { App } from './app.svelte';

export { App } from './app.svelte';
export { problemsWith, saidProblems } from './validate';
export { Preferences, type Prefs, type Theme } from './prefs.svelte';
export { Presence } from './presence.svelte';
export type { Corrected } from './commands.svelte';

const KEY = Symbol('app');
export const provideApp = (app: App): App => setContext(KEY, app);
/** The application's state, in any component below the root layout. */
export const useApp = (): App => getContext<App>(KEY);
