import { HOUR_MS } from '../src/core/time';
import { runToCompletion } from '../src/core/numerics';
import { bench, describe } from 'vitest';
import { estimate, withEntry } from '../src/core/estimate';
import { basket, forecast, sacrifice, stayLine, worth } from '../src/core/forecast';
import { planProblemOf, workOut } from '../src/core/plan';
import { heardOf, HEARINGS } from './heard';
import { heardLife, type HeardLife } from './truth/heard';
import { entry, exactRig, exactTrip, logbookOf } from '../tests/helpers/logbooks';
import type { Measure, Rig, Service, Trip } from '../src/core/logbook';

const rig: Rig = {
	...exactRig,
	// nothing stated of what goes unwritten, and one tank known only by its plate: all that is learned is
	unlogged: undefined,
	tanks: exactRig.tanks.map((tank) =>
		tank.id === 'main'
			? { ...tank, usableL: undefined, shape: { form: 'box', lengthMm: 1000, widthMm: 400, heightMm: 250 } }
			: tank
	),
	instruments: [...exactRig.instruments, { id: 'rod', kind: 'rod', name: 'Rod', tank: 'main', sdMm: 4 }],
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.3 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
};
const LIGHTS = ['empty', '1/3', '2/3', 'full'];
const START = Date.UTC(2027, 0, 1);
const entries = Array.from({ length: 50_000 }, (_, i) => {
	const at = new Date(START + i * 0.4 * HOUR_MS).toISOString();
	if (i % 120 === 0) return entry({ kind: 'fill', at, tank: 'main', to: 'full' });
	if (i % 120 === 1) return entry({ kind: 'dump', at, tank: 'grey', to: 'empty' });
	if (i % 120 === 2) return entry({ kind: 'dump', at, tank: 'black', to: 'empty' });
	// Readings of every kind, half of them a little off, as people's are.
	if (i % 24 === 9)
		return entry({ kind: 'reading', at, instrument: 'pump', value: Math.round(i * 0.9) + (i % 3) });
	if (i % 60 === 21)
		return entry({
			kind: 'reading',
			at,
			instrument: 'lights',
			value: LIGHTS[Math.floor(i / 60) % 4] ?? 'full'
		});
	if (i % 60 === 33) return entry({ kind: 'reading', at, instrument: 'rod', value: 150 + ((7 * i) % 60) });
	if (i % 120 === 119) return entry({ kind: 'mark', at, tank: 'grey', state: 'full' });
	return entry({
		kind: 'use',
		at,
		habit: i % 12 === 5 ? 'dishes' : i % 24 === 7 ? 'shower' : 'flush',
		times: 1
	});
});
const endMs = START + 50_000 * 0.4 * HOUR_MS;
const logbook = logbookOf(entries, rig, [exactTrip]);
const known = estimate(logbook, 'rig', endMs);
const one = entry({ kind: 'use', at: new Date(endMs).toISOString(), habit: 'shower', times: 1 });

/** Fourteen measures of every kind, on three habits. */
const EFFECTS: readonly Measure['effect'][] = [
	{ kind: 'scale', factor: 0.8 },
	{ kind: 'rarer', factor: 0.8 },
	{ kind: 'reroute', litres: 0.4, to: 'black', replaces: 'flush' },
	{ kind: 'return', litres: 0.2 },
	{ kind: 'outside' }
];
const measures = ['shower', 'dishes', 'flush'].flatMap((habit, h) =>
	EFFECTS.filter(({ kind }) => h < 2 || kind !== 'reroute').map((effect, i): Measure => ({
		id: `${habit}-${i}`,
		name: `${habit} ${i}`,
		habit,
		effect,
		effort: 1 + (i % 3)
	}))
);
const saving = estimate(logbookOf(entries.slice(-2000), { ...rig, measures }, [exactTrip]), 'rig', endMs);

/** Sixty stops of a day and a half, with something at most of them. */
const SIXTY: Trip = {
	...exactTrip,
	stops: Array.from({ length: 60 }, (_, i) => ({
		id: `s${i}`,
		name: `Stop ${i}`,
		arrive: new Date(endMs + (i + 0.5) * 20 * HOUR_MS).toISOString(),
		depart: new Date(endMs + (i + 0.6) * 20 * HOUR_MS).toISOString(),
		legKm: 10 + ((7 * i) % 40),
		services: (['water', 'grey', 'black'] as const)
			.filter((_, kind) => (i + kind) % 4 !== 0)
			.map((kind, k): Service => ({ kind, fee: (3 * i + k) % 5, minutes: 10, detourKm: (5 * i + k) % 7 }))
	})),
	policy: { certainty: 0.9, feePerMinute: 0.2, feePerKm: 0.4 }
};

/** A hundred stops half a day apart, with legs that nobody drives and all to be had at each. */
const HUNDRED: Trip = {
	...exactTrip,
	stops: Array.from({ length: 100 }, (_, i) => ({
		id: `s${i}`,
		name: `Stop ${i}`,
		arrive: new Date(endMs + (i + 1) * 12 * HOUR_MS).toISOString(),
		depart: new Date(endMs + (i + 1.1) * 12 * HOUR_MS).toISOString(),
		legKm: 30_000,
		services: [{ kind: 'water', fee: 1, minutes: 9 }, { kind: 'grey', minutes: 9 }, { kind: 'black' }]
	})),
	policy: { certainty: 0.9, feePerMinute: 1e300, feePerKm: 1e12, feePerKgKm: 1e300 }
};

/** Two lives at a tap with a drip and a fine counter, one after the other: a fortnight of samples. */
function fortnightHeard(): HeardLife {
	const hearing = HEARINGS.find(({ drip, stepL }) => drip && stepL === 0.01);
	if (!hearing) throw new Error('there is a life with a drip and a fine counter');
	const life = heardLife(hearing, 1);
	const [first = ['', 0], last = ['', 0]] = [life.samples[0], life.samples.at(-1)];
	const later = (at: string): string => new Date(Date.parse(at) + 6 * 24 * HOUR_MS).toISOString();
	const again = life.samples.map(([at, shows]) => [later(at), shows + last[1] - first[1]] as const);
	return { ...life, samples: [...life.samples, ...again], at: later(life.at) };
}
const fortnight = fortnightHeard();

/** A rank-one update of so many numbers for each entry, and nothing else: what the replay is held against. */
const BARE_STATES = 22;
function bareLoop(): number {
	const n = BARE_STATES;
	const cov = new Float64Array(n * n);
	for (let i = 0; i < n; i++) cov[i * (n + 1)] = 1;
	for (let m = 0; m < entries.length; m++) {
		const row = m % n;
		const along = cov.slice(row * n, row * n + n);
		const spread = (along[row] ?? 0) + 1;
		for (let i = 0; i < n; i++) {
			const gain = (along[i] as number) / spread;
			for (let k = 0; k < n; k++) cov[i * n + k] = (cov[i * n + k] as number) - gain * (along[k] as number);
		}
		cov[row * (n + 1)] = (cov[row * (n + 1)] as number) + 1e-3;
	}
	return cov[0] ?? 0;
}

describe('engine', () => {
	bench('a bare loop: one rank-one update of 22 numbers for each of 50 000 entries', () => void bareLoop(), {
		iterations: 5
	});
	bench(
		'50 000 entries replayed (must be under 1.5 s, and ten bare loops)',
		() => void estimate(logbook, 'rig', endMs),
		{
			iterations: 3,
			warmupIterations: 1
		}
	);
	bench('one more entry (must be under 5 ms)', () => void withEntry(known, one));
	bench(
		'4 000 paths of 60 days (must be under 150 ms)',
		() => void forecast(known, { days: 60, paths: 4000 }),
		{ iterations: 5 }
	);
	bench(
		'least sacrifice over 14 measures, three days (must be under 1 s)',
		() => {
			runToCompletion(sacrifice(saving, { untilMs: endMs + 3 * 24 * HOUR_MS, certainty: 0.95 }));
		},
		{ iterations: 3, warmupIterations: 1 }
	);
	bench('a basket of two habits, with its line (must be under 100 ms)', () => {
		const more = [
			{ habit: 'shower', times: 2 },
			{ habit: 'dishes', times: 1 }
		];
		basket(saving, more, new Map([['grey', endMs + 36 * HOUR_MS]]));
		stayLine(saving, [], more);
	});
	bench('what 14 measures and 3 habits are worth', () => void runToCompletion(worth(saving)), {
		iterations: 3,
		warmupIterations: 1
	});
	bench(
		'a plan of 60 stops and three tanks (must be under 200 ms)',
		() => void workOut(planProblemOf(saving, SIXTY)),
		{
			iterations: 5
		}
	);
	bench(
		'the same with part loads',
		() => {
			workOut(planProblemOf(saving, { ...SIXTY, policy: { ...SIXTY.policy, feePerKgKm: 6e-4 } }));
		},
		{ iterations: 5 }
	);
	bench(
		'a plan of 100 stops, 30 000 km apart, at prices beyond all money (must be under 5 s)',
		() => void workOut(planProblemOf(saving, HUNDRED)),
		{ iterations: 2, warmupIterations: 1 }
	);
	bench('a fortnight of samples heard (must be under 2 s, the first time)', () => void heardOf(fortnight), {
		iterations: 1,
		warmupIterations: 0
	});
});
