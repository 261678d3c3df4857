import { createEngine, type Engine, type Question } from '../../src/lib/engine/createEngine';
import type { EngineApi } from '../../src/lib/engine/client';

/** The engine itself, without a worker: its answers can be held back, or made to fail. */
export interface EngineHere {
	readonly api: EngineApi;
	/** every question for what *Now* shows, in the order asked */
	readonly asked: readonly Question[];
	/** keeps answers back until they are let go, the later ones first */
	readonly hold: () => void;
	readonly letGo: () => void;
	/** makes every answer a failure, or no more */
	readonly fail: (reason: string | undefined) => void;
}

export function engineHere(): EngineHere {
	const engine = createEngine();
	const waiting: (() => void)[] = [];
	const asked: Question[] = [];
	let holding = false;
	let failing: string | undefined;
	const later = async (name: keyof Engine, args: unknown[]): Promise<unknown> => {
		if (name === 'assess') asked.push(args[0] as Question);
		if (failing !== undefined) throw new Error(failing);
		const answer: unknown = await (engine[name] as (...given: unknown[]) => unknown)(...args);
		if (holding && name === 'assess') await new Promise<void>((go) => waiting.push(go));
		return answer;
	};
	const api = Object.fromEntries(
		(Object.keys(engine) as (keyof Engine)[]).map((name) => [name, (...args: unknown[]) => later(name, args)])
	) as unknown as EngineApi;
	return {
		api,
		asked,
		hold: () => void (holding = true),
		letGo: () => {
			holding = false;
			for (const go of waiting.splice(0).reverse()) go();
		},
		fail: (reason) => void (failing = reason)
	};
}
