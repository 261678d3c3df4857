import { dumpSetup as setUp, type DumpSetup } from '$core/runs';
import { question } from '../../question';

/** A dump, set up step by step; nothing where there is nothing to empty. */
const dumpSetup = question({
	answer: (
		{ estimate },
		{
			tanks,
			where,
			pumped
		}: { readonly tanks: readonly string[]; readonly where?: string; readonly pumped?: boolean }
	): DumpSetup | undefined => setUp(estimate(), tanks, { where, pumped })
});

declare module '../../question' {
	interface Questions {
		'runs/dumpSetup': typeof dumpSetup;
	}
}

export default dumpSetup;
