import example from '../../tests/fixtures/survey-van.logbook.json' with { type: 'json' };

/** Each client asks again as soon as it is answered, for so long, ms. */
const ASKED_MS = 5000;
const AT = '2027-05-16T12:00:00+01:00';
const CLIENTS = [1, 2, 4, 8] as const;

/** What clients that ask at once get. */
export interface Served {
	readonly clients: number;
	readonly callsPerSecond: number;
	/** of one call, ms */
	readonly medianMs: number;
	readonly slowestMs: number;
}

/** Levels of an example, asked by one, two, four and eight clients at once. */
export async function measure(
	address: string,
	clientCounts: readonly number[] = CLIENTS,
	askedMs = ASKED_MS
): Promise<readonly Served[]> {
	const body = JSON.stringify({ logbook: example, rig: 'rig-survey-van', at: AT });
	const call = async (): Promise<number> => {
		const began = performance.now();
		const answer = await fetch(`${address}/api/levels`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body
		});
		if (!answer.ok) throw new Error(`the server answered ${answer.status}: ${await answer.text()}`);
		await answer.arrayBuffer();
		return performance.now() - began;
	};
	const served: Served[] = [];
	for (const clients of clientCounts) {
		const began = performance.now();
		const each = async (): Promise<readonly number[]> => {
			const times: number[] = [];
			while (performance.now() - began < askedMs) times.push(await call());
			return times;
		};
		const times = (await Promise.all(Array.from({ length: clients }, each))).flat().sort((a, b) => a - b);
		served.push({
			clients,
			callsPerSecond: times.length / ((performance.now() - began) / 1000),
			medianMs: times[Math.floor(times.length / 2)] ?? NaN,
			slowestMs: times.at(-1) ?? NaN
		});
	}
	return served;
}
