import { getContext, setContext } from 'svelte';
import type { ShellContext } from './acts';

const KEY = Symbol('reach');
/** Gives what stands around a view to what is in it. */
export const provideReach = (reach: ShellContext): ShellContext => setContext(KEY, reach);
/** The quick line, the keys and the command list, from within a view. */
export const useReach = (): ShellContext => getContext<ShellContext>(KEY);
