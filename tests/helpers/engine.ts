import { Engine } from '../../src/lib/engine/engine';
import type { EngineApi } from '../../src/lib/engine/client';
import type { Standpoint } from '../../src/lib/engine/standpoint';

/** The engine itself, without a worker: its answers can be held back, or made to fail. */
export interface EngineHere {
	readonly api: EngineApi;
	/** from where every question for what *Now* shows was asked, in order */
	readonly asked: readonly Standpoint[];
	/** keeps answers back until they are let go, the later ones first; what is told on the route is lost meanwhile */
	readonly hold: () => void;
	readonly letGo: () => void;
	/** how many answers are kept back */
	readonly kept: () => number;
	/** makes every answer a failure, or no more */
	readonly fail: (reason: string | undefined) => void;
}

export function engineHere(): EngineHere {
	const engine = new Engine();
	const waiting: (() => void)[] = [];
	const asked: Standpoint[] = [];
	let holding = false;
	let failing: string | undefined;
	const answered = async <T>(answer: () => T | Promise<T>): Promise<T> => {
		if (failing !== undefined) throw new Error(failing);
		return answer();
	};
	const api: EngineApi = {
		load: (whole) => answered(() => engine.load(whole)),
		change: (changes) => answered(() => engine.change(changes)),
		makeDemo: (nowMs) => answered(() => engine.makeDemo(nowMs)),
		giveUp: (kind) => answered(() => engine.giveUp(kind)),
		ask: async (kind, from, ...args) => {
			if (kind === 'now/assess') asked.push(from);
			const heard = args.map((arg: unknown) =>
				typeof arg === 'function' ? (...told: unknown[]) => void (holding || arg(...told)) : arg
			) as unknown as typeof args;
			const answer = await answered(() => engine.ask(kind, from, ...heard));
			if (holding && kind === 'now/assess') await new Promise<void>((go) => waiting.push(go));
			return answer;
		}
	};
	return {
		api,
		asked,
		hold: () => void (holding = true),
		kept: () => waiting.length,
		letGo: () => {
			holding = false;
			for (const go of waiting.splice(0).reverse()) go();
		},
		fail: (reason) => void (failing = reason)
	};
}
