import type { Word } from '$core/words';
import { getContext, setContext } from 'svelte';

/** What stands around a view and may be asked for from within it. */
export interface ShellContext {
	/** puts the cursor into the quick line, and a text, where one is given */
	readonly line: (text?: string) => void;
	readonly showKeys: () => void;
	readonly showList: () => void;
	/** what our own words mean; the one that is asked for first */
	readonly showWords: (word?: Word) => void;
	/** whether something lies over the page, or is about to */
	readonly isCovered: () => boolean;
}

const KEY = Symbol('shell');
/** Gives what stands around a view to what is in it. */
export const provideShell = (shell: ShellContext): ShellContext => setContext(KEY, shell);
/** The quick line, the keys and the command list, from within a view. */
export const useShell = (): ShellContext => getContext<ShellContext>(KEY);
